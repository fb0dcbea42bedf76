<script setup lang="ts">
import PowerNotes from './PowerNotes.vue'
import PumpNotes from './PumpNotes.vue'
import SideBySideTable from './SideBySideTable.vue'
import SuctionNotes from './SuctionNotes.vue'
import GasCard from './GasCard.vue'
import SwitchCard from './SwitchCard.vue'
import VesselNotes from './VesselNotes.vue'
import { liftsFrom } from './liftWords'
import { atOnce, useStand } from './useMoment'
import ChoiceField from '~/fields/ChoiceField.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import { choicesOf } from '~/fields/choices'
import { useUnits } from '~/fields/useUnits'
import { dutyIn } from '~/engine/moments'
import { useSite } from '~/stores/site'
import { counted, listed } from '#core/words'
import { nameOf, type Feed } from '#core/site'
import { branchingOf, busiestLps, moveOf } from '#core/moves'
import { busiestDayL, cyclingOf, dutyAt, suctionOf, tapsOf } from '#core/network'
import {
  BRANCHING_IDS,
  BRANCHINGS,
  FIXTURES,
  HOLD_IDS,
  HOLDS,
  type FixtureId,
  type HoldId,
  type LiftId,
} from '#core/catalog'
import type { NodeOf } from '#core/kinds'

/** A line from where water stands to its taps: how it is lifted, what holds its pressure, how its taps hang on it. */
const props = defineProps<{ feed: Feed }>()
const store = useSite()
const { show, litres } = useUnits()
const stand = useStand()
const site = computed(() => store.site!)
const run = computed(() => props.feed.trunk[0]!)
const lifts = computed(() => liftsFrom(props.feed.source.kind))
const holds = choicesOf(HOLD_IDS, HOLDS)
const setLift = (by: LiftId) => store.make(moveOf('liftBy', { run: run.value.id, by }))
const setHold = (hold: HoldId) => store.make(moveOf('liftBy', { run: run.value.id, by: props.feed.lift, hold }))
/** By load units, seldom all at once. */
const busiest = computed(() => busiestLps(site.value, props.feed.taps))
const branching = computed(() => branchingOf(site.value, props.feed))
const branchings = choicesOf(BRANCHING_IDS, BRANCHINGS)
/** Taps that hang on other lines, and what else can hang on this one. */
const others = computed(() => tapsOf(site.value).filter(tap => !props.feed.taps.some(({ id }) => id === tap.id)))
const NOTHING = { value: 'none', name: 'another tap …' }
const leadable = computed(() => [
  NOTHING,
  ...others.value.map(({ id }) => ({ value: id, name: nameOf(site.value, id) })),
])
const lead = (tap: string) => tap !== 'none' && store.make(moveOf('leadTap', { tap, run: run.value.id }))
const MORE: FixtureId[] = ['hose', 'trough', 'basin', 'hydrant', 'drip']
const more = [{ value: 'none', name: 'a new …' }, ...MORE.map(id => ({ value: id, name: FIXTURES[id].name }))]
const add = (fixture: string) =>
  fixture !== 'none' && store.make(moveOf('addTap', { fixture: fixture as FixtureId, run: run.value.id }))
const canBack = computed(
  () =>
    props.feed.source.kind === 'tank' &&
    !site.value.runs.some(
      each =>
        each.to.node === props.feed.branch?.id &&
        site.value.nodes.some(n => n.id === each.from.node && n.kind === 'main'),
    ),
)

const duty = computed(() => {
  const { pump } = props.feed
  return pump && dutyIn(site.value, pump.id, atOnce(site.value), stand.value)?.duty
})
const pumpRun = computed(
  () => props.feed.trunk.find(each => each.parts.some(part => part.kind === 'pump')) ?? run.value,
)
const at = computed(() => duty.value?.at ?? (props.feed.pump && dutyAt(props.feed.pump)))
const suction = computed(
  () => props.feed.pump && at.value && suctionOf(site.value, pumpRun.value, props.feed.pump, at.value.flowLps),
)
const cycling = computed(() => cyclingOf(site.value, props.feed))
const held = computed(() => (props.feed.vessel ? (props.feed as Feed & { vessel: NodeOf<'pressureTank'> }) : undefined))
</script>

<template>
  <div class="feed" :data-feed="run.id">
    <h2>{{ nameOf(site, feed.source.id) }} to {{ listed(feed.taps.map(({ id }) => nameOf(site, id))) }}</h2>
    <p>
      Its water is lifted by
      <ChoiceField label="How it is lifted" :value="feed.lift" :choices="lifts" :set="setLift" /><template
        v-if="feed.pump"
        >, <ChoiceField label="What holds the pressure" :value="feed.hold" :choices="holds" :set="setHold" /></template
      ><template v-if="branching"
        >, and the taps hang
        <ChoiceField
          label="How the taps hang on it"
          :value="branching"
          :choices="branchings"
          :set="by => store.make(moveOf('branchBy', { run: run.id, by }))" /></template
      >. At their busiest its taps ask for
      <b class="figure" data-feed-figure="busiest">{{ show(busiest, 'flow') }}</b><template v-if="feed.pump">{{
        busiest > feed.pump.flowLps * 1.05 ? ', more than its pump is made for' : ', which its pump is made for'
      }}</template
      >; on a day of the month that asks most they draw <b class="figure">{{ litres(busiestDayL(site, feed)) }}</b>.
    </p>
    <p class="small">
      Lead
      <ChoiceField
        v-if="others.length"
        label="Lead another tap off this line"
        value="none"
        :choices="leadable"
        :set="lead"
      />
      <template v-if="others.length"> or </template>
      <ChoiceField label="Add a tap to this line" value="none" :choices="more" :set="add" /> off it too.
      <button
        v-if="canBack"
        type="button"
        class="plain small"
        @click="store.make(moveOf('backByMain', { run: run.id }))"
      >
        Back it by the main
      </button>
    </p>
    <template v-if="feed.pump">
      <FoldGroup
        :id="`pump-${feed.pump.id}`"
        title="The pump"
        :summary="duty ? `${show(duty.at.flowLps, 'flow')} at ${show(duty.at.headM, 'length')}` : 'moves no water'"
        open
      >
        <PumpNotes :run="pumpRun" :pump="feed.pump" :held="feed.vessel !== undefined" />
      </FoldGroup>
      <FoldGroup
        v-if="suction"
        :id="`suction-${feed.pump.id}`"
        title="Suction"
        :summary="`${show(suction.spareM, 'length')} to spare`"
        :found="suction.spareM < 0"
      >
        <SuctionNotes :suction="suction" />
      </FoldGroup>
      <FoldGroup
        v-if="held"
        :id="`vessel-${held.vessel.id}`"
        title="Pressure tank and switch"
        :summary="cycling ? `${counted(Math.round(cycling.startsPerDay), 'start')} a day` : 'cannot work so'"
        :found="!cycling"
        open
      >
        <VesselNotes :feed="held" />
        <SwitchCard :run="pumpRun" :pump="feed.pump" :vessel="held.vessel" />
        <GasCard :vessel="held.vessel" />
      </FoldGroup>
      <FoldGroup v-if="at" :id="`power-${feed.pump.id}`" title="Power" summary="cable, start, energy">
        <PowerNotes :pump="feed.pump" :at="at" :litres-per-day="busiestDayL(site, feed)" />
      </FoldGroup>
    </template>
    <FoldGroup :id="`beside-${run.id}`" title="Other ways, side by side" summary="pressure, starts, energy, price">
      <SideBySideTable :feed="feed" />
    </FoldGroup>
  </div>
</template>
