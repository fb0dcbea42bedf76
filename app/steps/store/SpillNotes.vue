<script setup lang="ts">
import OutfallHeight from './OutfallHeight.vue'
import OverflowLines from './OverflowLines.vue'
import { choicesOf } from '~/fields/choices'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { nameOf, pathsFrom, portId } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf, Port } from '#core/kinds'
import { NEAR, NEAR_IDS, SOIL_IDS, SOILS } from '#core/catalog'
import { compiledOf, emptyingOf, soakingOf, spillWay, type Pool } from '#core/balance'

/** Where a full group spills and an emptied one runs: the overflow against the storm, and what takes its water. */
const props = defineProps<{ pool: Pool }>()
const store = useSite()
const { litres, show, span, system } = useUnits()
const compiled = computed(() => compiledOf(store.site!))
const own = computed(() =>
  compiled.value.pools.findIndex(pool => pool.tanks.some(tank => tank.id === props.pool.tanks[0]!.id)),
)
const way = computed(() => spillWay(store.site!, compiled.value, own.value))
const soak = computed(() =>
  way.value?.outfall?.to === 'soakaway' ? soakingOf(store.site!, way.value.outfall, way.value.areaM2) : undefined,
)
const empties = computed(() =>
  props.pool.tanks.flatMap(tank => {
    const found = emptyingOf(store.site!, tank, props.pool.capM)
    return found ? [{ tank, ...found }] : []
  }),
)
/** The outfall of a line that cannot run, where the group spills over its rim for that. */
const stuck = computed(() => {
  const { tank } = props.pool.spillsAt
  return pathsFrom(store.site!, tank.id, name => tank.ports.some(isOverflow(name)))
    .map(path => path.end)
    .find(node => node.kind === 'outfall')
})
const isOverflow = (name: string) => (port: Port) => port.role === 'overflow' && port.name === name
const set = useThing('port', () => portId(way.value!.tank.id, way.value!.port.name))
const port = (field: 'heightM' | 'boreMm') => (value: number) =>
  store.make(moveOf('setPort', { tank: way.value!.tank.id, port: way.value!.port.name, [field]: value }))
const lead = (change: Partial<Pick<NodeOf<'outfall'>, 'to' | 'soil' | 'near'>>) =>
  store.make(moveOf('leadTo', { outfall: way.value!.outfall!.id, ...change }))
const outfall = useThing('node', () => way.value!.outfall!.id)
const setPit = (field: string) => outfall(`pit.${field}`)
const ENDINGS = [
  { value: 'plain' as const, name: 'plain' },
  { value: 'screened' as const, name: 'screened' },
  { value: 'trapped' as const, name: 'trapped' },
  { value: 'skimming' as const, name: 'skimming the surface' },
]
const endings = computed(() => [
  ...(way.value?.port.ending ? [] : [{ value: 'unsaid' as const, name: 'some kind of' }]),
  ...ENDINGS,
])
const HOLES = [
  { value: true, name: 'with an air hole' },
  { value: false, name: 'without an air hole' },
]
const TO = (['swale', 'ditch', 'soakaway', 'rain-garden', 'drain', 'ground'] as const).map(value => ({
  value,
  name: {
    swale: 'a swale',
    ditch: 'a ditch',
    soakaway: 'a soakaway',
    'rain-garden': 'a rain garden',
    drain: 'a drain',
    ground: 'the open ground',
  }[value],
}))
const nears = [{ value: 'unsaid' as const, name: 'something nobody has looked at' }, ...choicesOf(NEAR_IDS, NEAR)]
const soils = choicesOf(SOIL_IDS, SOILS)
</script>

<template>
  <div class="spills">
    <p v-if="way">
      Full, {{ way.tank.name }} spills at
      <QuantityField label="Height of the overflow" kind="length" :value="way.port.heightM" :set="port('heightM')" />
      through a
      <ChoiceField
        label="How the overflow begins"
        :value="way.port.ending ?? 'unsaid'"
        :choices="endings"
        :set="ending => ending !== 'unsaid' && set('ending')(ending)"
      />
      overflow of
      <QuantityField label="Bore of the overflow" kind="pipe" :value="way.port.boreMm" :set="port('boreMm')" /><template
        v-if="way.port.ending === 'skimming'"
        >,
        <ChoiceField
          label="Air hole of the overflow"
          :value="way.port.airHole ?? false"
          :choices="HOLES"
          :set="set('airHole')" /></template
      >: up to the rim its mouth passes
      <SumFigure name="opening-flow" :input="{ ...way.flow }">{{ show(way.openingLps, 'flow') }}</SumFigure><template
        v-if="way.lineLps < way.openingLps"
        >, its line only <b class="figure">{{ show(way.lineLps, 'flow') }}</b></template
      ><template v-if="way.areaM2 < 0.05">; no roof runs to it, so it sees only what fills the tank</template
      ><template v-else
        >, and the storm brings
        <template v-if="way.stormLps !== undefined"
          ><b class="figure" :class="{ wrong: way.stormLps > way.passesLps }">{{ show(way.stormLps, 'flow') }}</b> off
          {{ show(way.areaM2, 'area') }}</template
        ><template v-else>nobody knows what</template></template
      >.
      <template v-if="way.outfall">
        It goes to
        <ChoiceField label="Where the overflow leads" :value="way.outfall.to" :choices="TO" :set="to => lead({ to })" />
        towards
        <ChoiceField
          label="What lies below the overflow"
          :value="way.outfall.near ?? 'unsaid'"
          :choices="nears"
          :set="near => near !== 'unsaid' && lead({ near })"
        />
        and ends at <OutfallHeight :outfall="way.outfall" />.
        <template v-if="way.outfall.to === 'soakaway' && way.outfall.pit">
          A pit of stone
          <QuantityField
            label="Length of the pit"
            kind="length"
            :value="way.outfall.pit.lengthM"
            :set="setPit('lengthM')"
          />
          by
          <QuantityField
            label="Width of the pit"
            kind="length"
            :value="way.outfall.pit.widthM"
            :set="setPit('widthM')"
          />
          and
          <QuantityField
            label="Depth of the pit"
            kind="length"
            :value="way.outfall.pit.depthM"
            :set="setPit('depthM')"
          />
          deep in
          <ChoiceField
            label="Soil of the soakaway"
            :value="way.outfall.soil ?? 'loam'"
            :choices="soils"
            :set="soil => lead({ soil })"
          />,
          <QuantityField
            label="Voids of the pit"
            kind="share"
            :value="way.outfall.pit.voidShare"
            :set="setPit('voidShare')"
          />
          of it voids<template v-if="soak"
            >: the hardest five-year storm, of {{ span(soak.hours) }}, asks for
            <SumFigure name="soakaway" :input="{ ...soak.input }">{{ litres(soak.pitM3 * 1000) }}</SumFigure> of pit and
            this one has
            <b class="figure" :class="{ wrong: soak.pitM3 > soak.hasM3 }">{{ litres(soak.hasM3 * 1000) }}</b>; full, it
            is half empty after
            <b class="figure" :class="{ wrong: soak.halfEmptyHours > 24 }">{{ span(soak.halfEmptyHours) }}</b></template
          >.
          <span class="soft small"
            >Through the walls to half their depth; a soaking test in the pit beats the table.</span
          >
        </template>
        <template v-else-if="way.outfall.to === 'soakaway'">
          Its pit has no size yet.
          <button type="button" class="plain" @click="lead({ to: 'soakaway' })">Give it one</button></template
        >
        <template v-else-if="way.outfall.to === 'swale' || way.outfall.to === 'rain-garden'">
          <span class="soft small"
            >Keep it {{ system === 'metric' ? 'a few metres' : 'ten feet' }} from footings, and broad and level enough
            to sink in.</span
          ></template
        >
      </template>
    </p>
    <p v-else-if="pool.tanks.length">
      Full, {{ pool.spillsAt.tank.name }} runs over its rim.
      <template v-if="stuck">
        Its overflow leads to {{ nameOf(store.site!, stuck.id) }} at <OutfallHeight :outfall="stuck" />: water does not
        climb there.
      </template>
      <button
        v-else
        type="button"
        class="plain"
        @click="store.make(moveOf('fitOverflow', { tank: pool.spillsAt.tank.id }))"
      >
        Fit an overflow
      </button>
    </p>
    <OverflowLines :pool="pool" />
    <p v-if="empties.length" class="small">
      <template v-for="(each, at) in empties" :key="each.tank.id"
        >{{ at ? ' ' : ''
        }}<template v-if="each.belowGroundM !== undefined"
          >The lowest fitting of {{ each.tank.name }} lies {{ show(each.belowGroundM, 'length') }} below the ground: to
          empty it, its {{ litres(each.litres) }} are pumped out.</template
        ><template v-else
          >Opened at its lowest fitting, {{ each.tank.name }} runs {{ litres(each.litres) }} out in
          <SumFigure name="drain-down-time" :input="{ ...each.input }">{{ span(each.minutes / 60) }}</SumFigure>{{
            each.leadsTo ? `, towards ${each.leadsTo}` : ', at its foot'
          }}.</template
        ></template
      >
      <span class="soft"> See where that runs before the tank is filled.</span>
    </p>
  </div>
</template>

<style scoped>
.spills {
  line-height: 1.85;
}
.spills p {
  margin-bottom: 2px;
}
.wrong {
  color: var(--rust);
}
</style>
