<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ThingField from '~/fields/ThingField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { GRAVITY, staticPressure } from '#core/sums'
import { monthNames } from '#core/words'
import { coldMonths, footingOf, pathsFrom } from '#core/site'
import { moveOf, setField } from '#core/moves'
import type { Tank } from '#core/kinds'
import { BASE_IDS, BASES, SOIL_IDS, SOILS } from '#core/catalog'
import type { Pool } from '#core/balance'

/** How a tank stands: its base and ground, what it weighs and presses, and the pressure its height gives at a tap. */
const props = defineProps<{ tank: Tank; pool: Pool }>()
const store = useSite()
const { show, system } = useUnits()
const set = useThing('node', () => props.tank.id)
const footing = computed(() => footingOf(props.tank))
const headAbove = (heightM: number) => ({ headM: Math.round(Math.max(0, props.pool.capM - heightM) * 100) / 100 })
/** What the standing water gives at the ground beside the tank, and at each tap that it feeds by its height alone. */
const heads = computed(() =>
  [
    { id: 'ground', name: 'the ground beside it', input: headAbove(props.tank.groundM) },
    ...pathsFrom(store.site!, props.tank.id)
      .filter(path => path.end.kind === 'tap' && path.pumpLps === undefined)
      .map(({ end }) => ({ id: end.id, name: end.name, input: headAbove(end.baseM) })),
  ].filter(({ input }) => input.headM > 0),
)
const BASE_WORDS = choicesOf(BASE_IDS, BASES)
const soils = [{ value: 'unsaid' as const, name: 'ground nobody has looked at' }, ...choicesOf(SOIL_IDS, SOILS)]
const BRACES = [
  { value: true, name: 'braced both ways' },
  { value: false, name: 'without bracing' },
]
const EDGES = [
  { value: false, name: 'whole and even' },
  { value: true, name: 'ragged or cracked' },
]
const MATS = [
  { value: false, name: 'without a mat' },
  { value: true, name: 'with a mat between' },
]
const HELD = [
  { value: false, name: 'not held down' },
  { value: true, name: 'held down by straps and a slab' },
]
const frosty = computed(() => coldMonths(store.site!))
const FROST = computed(() => [
  { value: 'full' as const, name: 'stands full and bare' },
  { value: 'drained' as const, name: `stands empty, ${monthNames(frosty.value)}` },
  { value: 'indoors' as const, name: 'stands indoors' },
  { value: 'insulated' as const, name: 'is lagged' },
  { value: 'heated' as const, name: 'is heated' },
])
function setFrost(way: 'full' | 'drained' | 'indoors' | 'insulated' | 'heated'): void {
  const { id } = props.tank
  if (way !== 'full') return void store.make(moveOf('protectFromFrost', { ids: [id], by: way, months: frosty.value }))
  store.makeAll(
    ['frostProof', 'drainedMonths'].map(field => setField('node', id, field, undefined)),
    `${props.tank.name}: nothing against the frost`,
  )
}
const ENGINEER = { slender: 'tall for its width', tall: 'a tall stand', heavy: 'a heavy load on posts' }
</script>

<template>
  <p>
    It stands on
    <ChoiceField
      label="Base"
      :value="tank.base"
      :choices="BASE_WORDS"
      :set="base => store.make(moveOf('standOn', { tank: tank.id, base }))"
    />
    over
    <ChoiceField
      label="Ground"
      :value="tank.soil ?? 'unsaid'"
      :choices="soils"
      :set="soil => set('soil')(soil === 'unsaid' ? undefined : soil)"
    />, its floor at
    <QuantityField
      label="Height of the floor"
      kind="length"
      :value="tank.baseM"
      :set="baseM => store.make(moveOf('setHeight', { node: tank.id, baseM }))"
    />, ground at <ThingField :id="tank.id" of="node" name="groundM" label="Height of the ground" /><template
      v-if="footing.liftM < -0.005"
    >
      (<QuantityField
        label="Buried depth"
        kind="length"
        :value="-footing.liftM"
        :set="depth => store.make(moveOf('setHeight', { node: tank.id, baseM: tank.groundM - depth }))"
      />
      of it below ground)</template
    >. Full, it weighs
    <SumFigure name="base-load" :input="{ ...footing.load }">{{ show(footing.massKg, 'mass') }}</SumFigure> and presses
    {{ show(footing.pressureKPa, 'pressure') }} on its base<template
      v-if="footing.bearsKPa !== undefined && !footing.posts"
      >, where {{ SOILS[tank.soil!].name }} is taken to bear {{ show(footing.bearsKPa, 'pressure') }}</template
    >. Of the ground it bears on
    <ThingField :id="tank.id" of="node" name="bearsOnM2" label="Ground it bears on" empty="all that it covers" />; its
    base is
    <ChoiceField
      label="Edge of the base"
      :value="tank.baseRagged ?? false"
      :choices="EDGES"
      :set="set('baseRagged')"
    />, <ChoiceField label="Mat" :value="tank.mat ?? false" :choices="MATS" :set="set('mat')" />.
    <template v-if="tank.base === 'buried'">
      When the ground is wettest its water stands
      <ThingField
        :id="tank.id"
        of="node"
        name="wetGroundDepthM"
        label="Depth to the ground water"
        empty="nobody knows how far"
      />
      down, and the tank is
      <ChoiceField label="Held down" :value="tank.heldDown ?? false" :choices="HELD" :set="set('heldDown')" />.
    </template>
    <template v-if="frosty">
      In frost it
      <ChoiceField
        label="In frost"
        :value="tank.drainedMonths?.length ? 'drained' : (tank.frostProof ?? 'full')"
        :choices="FROST"
        :set="setFrost"
      />.
    </template>
    <template v-if="tank.base === 'stand' && tank.stand">
      <ThingField :id="tank.id" of="node" name="stand.posts" label="Posts" /> posts,
      <ChoiceField label="Bracing" :value="tank.stand.braced" :choices="BRACES" :set="set('stand.braced')" />, each on a
      footing of <ThingField :id="tank.id" of="node" name="stand.footingAreaM2" label="Area of a footing" />, the stand
      <ThingField :id="tank.id" of="node" name="stand.widthM" label="Width of the stand" empty="as wide as the tank" />
      across:
      <SumFigure v-if="footing.posts" name="post-load" :input="{ ...footing.posts.input }">{{
        system === 'metric'
          ? `${footing.posts.postLoadKn.toFixed(1)} kN`
          : show((footing.posts.postLoadKn * 1000) / GRAVITY, 'mass')
      }}</SumFigure>
      a post, {{ show(footing.posts?.pressureKPa ?? 0, 'pressure') }} under each.
    </template>
    <template v-if="footing.liftM > 0.3 || tank.base === 'stand'">
      It reaches {{ footing.heightToWidth.toFixed(1) }} times as high as it is wide<template
        v-if="footing.engineer.length"
        >: <b>{{ footing.engineer.map(reason => ENGINEER[reason]).join(', ') }} – ask an engineer</b></template
      >.</template
    >
    <template v-if="heads.length">
      Full and standing still it gives
      <template v-for="(head, at) in heads" :key="head.id"
        >{{ at === 0 ? '' : at === heads.length - 1 ? ' and ' : ', '
        }}<SumFigure name="static-pressure" :input="head.input">{{
          show(staticPressure(head.input).pressureKPa, 'pressure')
        }}</SumFigure>
        at {{ head.name }}</template
      >.</template
    >
  </p>
</template>
