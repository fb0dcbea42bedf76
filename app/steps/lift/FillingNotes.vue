<script setup lang="ts">
import PowerNotes from './PowerNotes.vue'
import PumpNotes from './PumpNotes.vue'
import SuctionNotes from './SuctionNotes.vue'
import SwitchCard from './SwitchCard.vue'
import { liftsFrom } from './liftWords'
import { atOnce, useStand } from './useMoment'
import ChoiceField from '~/fields/ChoiceField.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import { choicesOf } from '~/fields/choices'
import { useUnits } from '~/fields/useUnits'
import { dutyIn } from '~/engine/moments'
import { useSite } from '~/stores/site'
import { nameOf, roleOf, type Filling } from '#core/site'
import { moveOf } from '#core/moves'
import { dutyAt, fillL, suctionOf, type Stand } from '#core/network'
import { FILL_LINE_IDS, FILL_LINES, type FillLineId, type LiftId } from '#core/catalog'

/** A pump that fills a tank from another one or from a well: by which line, how long it takes, and how its switch is set. */
const props = defineProps<{ filling: Filling }>()
const store = useSite()
const { show, litres, span } = useUnits()
const stand = useStand()
const site = computed(() => store.site!)
const run = computed(() => props.filling.runs.find(each => each.parts.includes(props.filling.pump))!)
const dutyWith = (at: Stand) => dutyIn(site.value, props.filling.pump.id, atOnce(site.value), at)?.duty
const duty = computed(
  () =>
    // A full tank's float is shut; then it is told of as it fills.
    dutyWith(stand.value) ?? dutyWith('low'),
)
const at = computed(() => duty.value?.at ?? dutyAt(props.filling.pump))
const suction = computed(() => suctionOf(site.value, run.value, props.filling.pump, at.value.flowLps))
const toFillL = computed(() => fillL(site.value, props.filling.tank.id))
const lifts = computed(() => liftsFrom(props.filling.source.kind).filter(({ value }) => value !== 'gravity'))
const by = computed((): LiftId => props.filling.pump.pump as LiftId)
const line = computed((): FillLineId =>
  roleOf(site.value, props.filling.runs.at(-1)!.to) === 'outlet' ? 'fills-and-feeds' : 'over',
)
const lines = choicesOf(FILL_LINE_IDS, FILL_LINES)
const change = (next: { by?: LiftId; line?: FillLineId }) =>
  store.make(
    moveOf('liftUp', {
      from: props.filling.source.id,
      tank: props.filling.tank.id,
      by: next.by ?? by.value,
      line: next.line ?? line.value,
    }),
  )
</script>

<template>
  <div class="filling" :data-filling="run.id">
    <h2>{{ nameOf(site, filling.source.id) }} up to {{ filling.tank.name }}</h2>
    <p>
      {{ filling.tank.name }} is filled by
      <ChoiceField label="How it is lifted" :value="by" :choices="lifts" :set="next => change({ by: next })" /> through
      <ChoiceField label="Which line it takes" :value="line" :choices="lines" :set="next => change({ line: next })" />.
      <template v-if="duty"
        >At {{ show(duty.at.flowLps, 'flow') }} it takes
        <b class="figure" data-fill="time">{{ span(toFillL / duty.at.flowLps / 3600) }}</b> from nearly empty to full,
        {{ litres(toFillL) }}.</template
      >{{ ' ' }}
      <button type="button" class="plain small" @click="store.make(moveOf('remove', { id: run.id }))">
        Take that line out
      </button>
    </p>
    <p v-if="line === 'fills-and-feeds'" class="soft">
      One line up the hill is half the pipe; but its outlet stays open all the time, and a break below empties the tank.
    </p>
    <p v-else class="soft">
      Its own line over the top lets the outlet be shut: a break in the fill line cannot lose what stands there.
    </p>
    <FoldGroup
      :id="`pump-${filling.pump.id}`"
      title="The pump"
      :summary="duty ? show(duty.at.flowLps, 'flow') : 'moves no water'"
      open
    >
      <PumpNotes :run="run" :pump="filling.pump" />
    </FoldGroup>
    <FoldGroup
      v-if="suction"
      :id="`suction-${filling.pump.id}`"
      title="Suction"
      :summary="`${show(suction.spareM, 'length')} to spare`"
      :found="suction.spareM < 0"
    >
      <SuctionNotes :suction="suction" />
    </FoldGroup>
    <FoldGroup :id="`switch-${filling.pump.id}`" title="The switch" summary="a card to set it by">
      <SwitchCard :run="run" :pump="filling.pump" />
    </FoldGroup>
    <FoldGroup :id="`power-${filling.pump.id}`" title="Power" summary="cable, start, energy">
      <PowerNotes :pump="filling.pump" :at="at" :litres-per-day="toFillL" />
    </FoldGroup>
  </div>
</template>
