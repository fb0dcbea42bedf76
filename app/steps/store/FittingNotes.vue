<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ThingField from '~/fields/ThingField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { pathsFrom, portsByRole, runsFrom, runsTo, tanksOf, portId, nameOf } from '#core/site'
import { moveOf, setField } from '#core/moves'
import type { Port, Tank } from '#core/kinds'
import { COVER_IDS, COVERS, GAUGE_IDS, GAUGES, LID_IDS, LIDS } from '#core/catalog'
import type { Pool } from '#core/balance'

/**
 * The holes in a tank: what comes in, what goes over, what is drawn, what breathes, what waits for the next tank; and
 * its lid and walls.
 */
const props = defineProps<{ tank: Tank; pool: Pool }>()
const store = useSite()
const { show } = useUnits()
const set = useThing('node', () => props.tank.id)
const port = (name: string, field: 'heightM' | 'boreMm') => (value: number) =>
  store.make(moveOf('setPort', { tank: props.tank.id, port: name, [field]: value }))
const ofPort = (each: Port, field: string) => (value: unknown) =>
  store.make(setField('port', portId(props.tank.id, each.name), field, value))

const inlets = computed(() =>
  portsByRole(props.tank, 'inlet').filter(
    (each, at) => at === 0 || runsTo(store.site!, props.tank.id, each.name).length,
  ),
)
const overflow = computed(() =>
  portsByRole(props.tank, 'overflow').find(each => runsFrom(store.site!, props.tank.id, each.name).length),
)
const outlets = computed(() => portsByRole(props.tank, 'outlet'))
const links = computed(() => portsByRole(props.tank, 'link'))
const used = (each: Port) =>
  runsFrom(store.site!, props.tank.id, each.name).length + runsTo(store.site!, props.tank.id, each.name).length > 0
const spares = computed(() => links.value.filter(each => !used(each) && each.spare === 'valve'))
const stubs = computed(() => props.tank.ports.filter(each => !used(each) && each.spare === 'cap'))
const isDrawnByPump = (each: Port) =>
  each.intakeM !== undefined ||
  pathsFrom(store.site!, props.tank.id, name => name === each.name).some(path => path.pumpLps)
const fedBy = (each: Port) => {
  const run = runsTo(store.site!, props.tank.id, each.name)[0]
  return run && nameOf(store.site!, run.from.node)
}

const INLETS = [
  { value: 'top' as const, name: 'from the top' },
  { value: 'calmed' as const, name: 'calmed, at the bottom' },
]
const HOLES = [
  { value: true, name: 'with an air hole' },
  { value: false, name: 'without an air hole' },
]
const FLOATS = [
  { value: false, name: 'fixed to the wall' },
  { value: true, name: 'floating on a tether' },
]
const coversNow = computed(() => [
  ...(props.tank.cover
    ? []
    : [{ value: 'unsaid' as const, name: props.tank.lightTight ? 'lets no light in' : 'lets light through' }]),
  ...choicesOf(COVER_IDS, COVERS),
])
const SUN = [
  { value: true, name: 'in the sun' },
  { value: false, name: 'in the shade' },
]
const lids = [{ value: 'none' as const, name: 'no lid' }, ...choicesOf(LID_IDS, LIDS)]
const gauges = choicesOf(GAUGE_IDS, GAUGES)
function setLid(form: 'none' | (typeof LID_IDS)[number]): void {
  store.makeAll(
    [
      setField('node', props.tank.id, 'lid', form !== 'none'),
      setField('node', props.tank.id, 'lidForm', form === 'none' ? undefined : form),
    ],
    `${props.tank.name}: lid`,
  )
}
/** The tank that can take over the lines of this one: one it shares a level with, or one that it is tied to. */
const heir = computed(() => {
  const { site } = store
  const tied = site!.runs.flatMap(run =>
    run.from.node === props.tank.id ? [run.to.node] : run.to.node === props.tank.id ? [run.from.node] : [],
  )
  return (
    props.pool.tanks.find(other => other.id !== props.tank.id) ?? tanksOf(site!).find(other => tied.includes(other.id))
  )
})
const notes = computed(() =>
  [
    props.tank.lid && props.tank.lidForm ? LIDS[props.tank.lidForm].note : '',
    props.tank.gauge ? GAUGES[props.tank.gauge].note : '',
  ].filter(Boolean),
)
</script>

<template>
  <div>
    <p>
      Water comes in
      <ChoiceField
        label="Inlet"
        :value="tank.inletStyle"
        :choices="INLETS"
        :set="style => store.make(moveOf('setInlet', { tank: tank.id, style }))"
      />
      <template v-for="(each, at) in inlets" :key="each.name"
        >{{ at ? '; ' : ' ' }}<template v-if="at">{{ fedBy(each) ?? each.name }}{{ ' ' }}</template
        >through
        <QuantityField
          :label="at ? `Bore of ${each.name}` : 'Bore of the inlet'"
          kind="pipe"
          :value="each.boreMm"
          :set="port(each.name, 'boreMm')"
        />
        at
        <QuantityField
          :label="at ? `Height of ${each.name}` : 'Height of the inlet'"
          kind="length"
          :value="each.heightM"
          :set="port(each.name, 'heightM')"
        />
        above the floor<template v-if="tank.inletStyle === 'calmed' && at === 0"
          >,
          <ChoiceField
            label="Air hole of the inlet"
            :value="each.airHole ?? false"
            :choices="HOLES"
            :set="ofPort(each, 'airHole')"
          />, its pipe ending
          <QuantityField
            label="End of the inlet pipe"
            kind="length"
            empty="near the floor"
            :value="each.pipeEndM"
            :set="ofPort(each, 'pipeEndM')"
          />
          up</template
        ></template
      >.
      <span class="soft small">{{
        tank.inletStyle === 'calmed' ? 'Sediment stays put and fresh water goes in low.' : 'The bottom is not stirred.'
      }}</span>
      <template v-if="!overflow && pool.tanks.length > 1"> It spills through {{ pool.spillsAt.tank.name }}.</template>
    </p>
    <p>
      <template v-for="(each, at) in outlets" :key="each.name">
        {{ at ? ' And drawn' : 'Drawn' }} at
        <QuantityField
          :label="at ? `Height of ${each.name}` : 'Height of the outlet'"
          kind="length"
          :value="each.heightM"
          :set="port(each.name, 'heightM')"
        />
        through
        <QuantityField
          :label="at ? `Bore of ${each.name}` : 'Bore of the outlet'"
          kind="pipe"
          :value="each.boreMm"
          :set="port(each.name, 'boreMm')"
        />,
        <ChoiceField
          :label="`How ${each.name} is drawn`"
          :value="Boolean(each.floating)"
          :choices="FLOATS"
          :set="floats => store.make(moveOf('floatDrawOff', { tank: tank.id, port: each.name, hoseM: floats ? 1 : 0 }))"
        /><template v-if="each.floating"
          >, on
          <QuantityField
            label="Length of the tether"
            kind="length"
            :value="each.floating.hoseM"
            :set="hoseM => store.make(moveOf('floatDrawOff', { tank: tank.id, port: each.name, hoseM }))"
          />
          of hose that a stop holds
          <QuantityField
            label="Stop above the floor"
            kind="length"
            :value="each.floating.stopM"
            :set="
              stopM =>
                store.make(
                  moveOf('floatDrawOff', { tank: tank.id, port: each.name, hoseM: each.floating!.hoseM, stopM }),
                )
            "
          />
          above the floor</template
        ><template v-if="isDrawnByPump(each)"
          >; a pump that stands in the tank takes it in at
          <QuantityField
            label="Intake of the pump in the tank"
            kind="length"
            empty="the hole itself"
            :value="each.intakeM"
            :set="ofPort(each, 'intakeM')"
          />
          above the floor</template
        >.
      </template>
      <template v-if="stubs.length"
        >{{ listed(stubs.map(each => `a stub of ${show(each.boreMm, 'pipe')}`)) }}
        {{ stubs.length === 1 ? 'is' : 'are' }} capped where a line was taken out.
      </template>
      <template v-if="spares.length">
        {{ spares.length === 1 ? 'A capped valve' : `${spares.length} capped valves` }} of
        {{ show(spares[0]!.boreMm, 'pipe') }} {{ spares.length === 1 ? 'waits' : 'wait' }} for the next tank.</template
      >
    </p>
    <p>
      It
      <ChoiceField
        label="Light"
        :value="tank.cover ?? 'unsaid'"
        :choices="coversNow"
        :set="cover => cover !== 'unsaid' && set('cover')(cover)"
      />
      and stands <ChoiceField label="Sun" :value="tank.sunlit" :choices="SUN" :set="set('sunlit')" />, under
      <ChoiceField label="Lid" :value="tank.lid ? (tank.lidForm ?? 'domed') : 'none'" :choices="lids" :set="setLid" />
      with a screened vent of
      <ThingField :id="tank.id" of="node" name="ventMm" label="Bore of the vent" />; its level is read
      <ChoiceField label="Gauge" :value="tank.gauge ?? 'none'" :choices="gauges" :set="set('gauge')" />.
      <span v-for="note in notes" :key="note" class="soft small">{{ note }} </span>
      <template v-if="heir"
        ><button
          type="button"
          class="plain small"
          @click="store.make(moveOf('mergeTank', { tank: tank.id, into: heir.id }))"
        >
          Take {{ tank.name }} out, its lines to {{ heir.name }}</button
        >{{ ' or '
        }}<button type="button" class="plain small" @click="store.make(moveOf('remove', { id: tank.id }))">
          with all its lines
        </button></template
      >
      <button v-else type="button" class="plain small" @click="store.make(moveOf('remove', { id: tank.id }))">
        Take {{ tank.name }} out
      </button>
    </p>
  </div>
</template>
