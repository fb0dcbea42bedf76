<script setup lang="ts">
import { overYears } from '#core/balance'
import { counted } from '#core/words'
import ThingField from '~/fields/ThingField.vue'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import DirtCurve from '~/steps/clean/DirtCurve.vue'
import FormTable from '~/steps/clean/FormTable.vue'
import OutletTable from '~/steps/clean/OutletTable.vue'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { useAnswer } from '~/stores/useAnswer'
import { chamberDrainTime } from '#core/sums'
import {
  chamberAreaM2,
  chamberDrainInput,
  chamberVolumeL,
  flushSchoolFor,
  orificeForTrickleMm,
  roofsAbove,
  spoutsAbove,
  trickleLph,
} from '#core/site'
import { moveOf, setField } from '#core/moves'
import type { NodeOf } from '#core/kinds'
import { FLUSH_SCHOOLS, TEES } from '#core/catalog'

/**
 * One first-flush chamber: its size by school, of what it is made, how it empties, and what that keeps out and costs.
 */
const props = defineProps<{ chamber: NodeOf<'chamber'> }>()
const store = useSite()
const results = useResults()
const { show, litres } = useUnits()
const { nodeId } = useSelection()
const { answer: trade, failure, again } = useAnswer('flush', () => ({ chamber: props.chamber.id }))
const site = computed(() => store.site!)
const areaM2 = computed(() => Math.round(chamberAreaM2(site.value, props.chamber.id) * 10) / 10)
const depthMm = computed(() => (areaM2.value ? chamberVolumeL(props.chamber) / areaM2.value : 0))
const spouts = computed(() => spoutsAbove(site.value, props.chamber.id))
const roofs = computed(() =>
  roofsAbove(
    site.value,
    spouts.value.map(spout => spout.id),
  ),
)
const dryDays = computed(() =>
  results.outlook ? Math.round(overYears(results.outlook, year => year.longestDryDays).middle) : 0,
)
const advised = computed(() => FLUSH_SCHOOLS[flushSchoolFor(roofs.value, dryDays.value)])
const set = useThing('node', () => props.chamber.id)
const lengthInput = computed(() => ({
  volumeL: Math.round(chamberVolumeL(props.chamber) * 10) / 10,
  innerDiameterMm: props.chamber.innerDiameterMm,
}))
const drainInput = computed(() => ({ ...chamberDrainInput(props.chamber, props.chamber.orificeMm ?? 1) }))
const FORMS = [
  { value: 'standpipe' as const, name: 'a standpipe' },
  { value: 'drum' as const, name: 'a sealed drum' },
  { value: 'lying' as const, name: 'a pipe laid down' },
]
const CLEANED = [
  { value: true, name: 'opens for cleaning' },
  { value: false, name: 'cannot be opened' },
]
const BALLS = [
  { value: true, name: 'a ball shuts it' },
  { value: false, name: 'nothing shuts it' },
]
const tees = TEES.map(value => ({ value, name: `a ${value} tee` }))
const WAYS = [
  { value: 'outlet' as const, name: 'by itself' },
  { value: 'hand' as const, name: 'by hand' },
  { value: 'never' as const, name: 'never' },
]
const OUTLETS = [
  { value: 'hole' as const, name: 'through a hole of' },
  { value: 'valve' as const, name: 'through a valve set to pass' },
]
const way = computed(() =>
  props.chamber.orificeMm !== null
    ? ('outlet' as const)
    : props.chamber.emptiedEveryDays !== null
      ? ('hand' as const)
      : ('never' as const),
)
function setWay(next: 'outlet' | 'hand' | 'never'): void {
  if (next === 'outlet') return void store.make(moveOf('fitChamberOutlet', { chamber: props.chamber.id }))
  const { id } = props.chamber
  store.makeAll(
    [setField('node', id, 'orificeMm', null), setField('node', id, 'emptiedEveryDays', next === 'hand' ? 7 : null)],
    `Say how ${props.chamber.name} is emptied`,
  )
}
</script>

<template>
  <div class="chamber" :class="{ on: nodeId === chamber.id }" :data-chamber="chamber.id">
    <p>
      <b><NameField :value="chamber.name" label="Name of the chamber" :set="set('name')" /></b>
      is
      <ChoiceField
        label="Form"
        :value="chamber.form"
        :choices="FORMS"
        :set="form => store.make(moveOf('formChamber', { chamber: chamber.id, form }))"
      />{{ ' ' }}
      <ThingField :id="chamber.id" of="node" name="innerDiameterMm" label="Inner diameter" />
      across and
      <ThingField
        v-if="chamber.form === 'lying'"
        :id="chamber.id"
        of="node"
        name="lengthM"
        label="Length of the chamber"
      /><ThingField v-else :id="chamber.id" of="node" name="heightM" label="Height of the chamber" />
      {{ chamber.form === 'lying' ? 'long' : 'tall' }}, its foot at
      <QuantityField
        label="Foot of the chamber"
        kind="length"
        :value="chamber.baseM"
        :set="baseM => store.make(moveOf('setHeight', { node: chamber.id, baseM }))"
      />{{ spouts.length > 1 ? `, for ${spouts.map(spout => spout.name).join(' and ')} together` : '' }}. It holds
      <SumFigure name="chamber-length" :input="lengthInput">{{ litres(chamberVolumeL(chamber)) }}</SumFigure><template
        v-if="areaM2"
        >, the first <b class="figure">{{ show(depthMm, 'rain') }}</b> off
        <SumFigure
          name="first-flush-volume"
          :input="{ planAreaM2: areaM2, depthMm: Math.round(depthMm * 100) / 100 }"
          >{{ show(areaM2, 'area') }}</SumFigure
        ></template
      >.
    </p>
    <p>
      It empties <ChoiceField label="How it empties" :value="way" :choices="WAYS" :set="setWay" /><template
        v-if="chamber.orificeMm !== null"
        >,
        <ChoiceField
          label="What it empties through"
          :value="chamber.outletBy ?? 'hole'"
          :choices="OUTLETS"
          :set="set('outletBy')"
        />{{ ' '
        }}<QuantityField
          v-if="chamber.outletBy === 'valve'"
          label="Trickle of the valve"
          kind="hourFlow"
          :value="trickleLph({ heightM: chamber.heightM, orificeMm: chamber.orificeMm })"
          :set="lph => set('orificeMm')(orificeForTrickleMm(chamber.heightM, lph))"
        /><ThingField v-else :id="chamber.id" of="node" name="orificeMm" label="Bore of the outlet" />{{
          chamber.outletBy === 'valve' ? ' while it is full' : ''
        }}, in
        <SumFigure name="chamber-drain-time" :input="drainInput">{{
          show(chamberDrainTime(drainInput).hours, 'duration')
        }}</SumFigure>. Aim for less than a day; faster wastes water all through the rain.</template
      >
      <template v-else-if="chamber.emptiedEveryDays !== null">
        every
        <ThingField :id="chamber.id" of="node" name="emptiedEveryDays" label="Days between emptyings" />
        days. Right for someone who is there.</template
      >
      <template v-else>. A chamber that stays full lets every later rain in dirty.</template>
      Above it sits <ChoiceField label="Tee" :value="chamber.tee ?? 'swept'" :choices="tees" :set="set('tee')" />; once
      full <ChoiceField label="What shuts it" :value="chamber.ball ?? true" :choices="BALLS" :set="set('ball')" />. It
      <ChoiceField label="Cleaning" :value="chamber.cleanable" :choices="CLEANED" :set="set('cleanable')" />.
    </p>
    <AnswerFailure :failure="failure" what="What it keeps out" :again="again" />
    <p v-if="trade" class="said">
      In a mean year it keeps <b class="figure">{{ show(trade.now.keptShare, 'share') }}</b> of the roof’s loose dirt
      from the tank and costs <b class="figure">{{ litres(trade.now.lostL) }}</b> of the
      {{ litres(trade.arrivesL) }} that come to it<template v-if="trade.now.outletL >= 1"
        >, {{ litres(trade.now.outletL) }} of them through the outlet while it rains</template
      >.
      <template v-if="way === 'outlet'"
        >With the outlet clogged it would keep {{ show(trade.neverEmptied.keptShare, 'share') }}: it stays full, and all
        {{ Math.round(trade.neverEmptied.foulRains) }} rains a year go in dirty.</template
      >
      <template v-else-if="way === 'hand'"
        >{{ Math.round(trade.now.foulRains) }} of {{ Math.round(trade.now.rains) }} rains a year find it more than half
        full and go in dirty. With nobody there it keeps {{ show(trade.neverEmptied.keptShare, 'share') }}.</template
      >
    </p>
    <div v-if="areaM2" class="moves">
      <button
        v-for="school in FLUSH_SCHOOLS"
        :key="school.name"
        type="button"
        class="move"
        :aria-pressed="Math.abs(depthMm - school.depthMm) < 0.05"
        @click="store.make(moveOf('sizeChamber', { chamber: chamber.id, depthMm: school.depthMm }))"
      >
        Size it {{ school.name }}: {{ show(school.depthMm, 'rain') }}, for {{ school.when }}
      </button>
      <button type="button" class="plain small" @click="store.make(moveOf('takeOutChamber', { chamber: chamber.id }))">
        Take it out
      </button>
    </div>
    <p v-if="areaM2" class="small soft">
      By the dirt of its roofs and dry spells of {{ counted(dryDays, 'day') }} in the middle year, the
      {{ advised.name }} school, {{ show(advised.depthMm, 'rain') }}. More flush is cleaner water and less of it.
    </p>
    <FoldGroup
      v-if="trade"
      :id="`clean-trade-${chamber.id}`"
      title="Other sizes, outlets and forms"
      summary="what each would keep out, cost and stand in"
    >
      <div class="trade">
        <DirtCurve :trade="trade" :depth-mm="depthMm" />
        <OutletTable :trade="trade" :chamber="chamber" />
        <FormTable :chamber="chamber" :area-m2="areaM2" :depth-mm="depthMm" />
      </div>
    </FoldGroup>
  </div>
</template>

<style scoped>
.chamber {
  border-bottom: 1px solid var(--hair);
  margin-bottom: 8px;
  line-height: 1.85;
}
.chamber.on {
  background: color-mix(in srgb, var(--oak) 7%, transparent);
}
.chamber p {
  margin-bottom: 2px;
}
.said {
  border-left: 2px solid var(--line-spill);
  padding-left: 8px;
}
.move[aria-pressed='true'] {
  background: var(--field);
  border-width: 2px;
}
.trade {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 28px;
  margin: 6px 0 8px;
  align-items: flex-start;
}
</style>
