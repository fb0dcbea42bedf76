<script setup lang="ts">
import { atOnce } from './useMoment'
import GuideCard from './GuideCard.vue'
import type { Pump } from './pumpCurve'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { pressuresOf, readSwitch } from '#core/network'
import { setField } from '#core/moves'
import type { Run } from '#core/site'
import type { NodeOf } from '#core/kinds'

/** Setting a pressure switch, step by step, with the readings typed in and told for what they mean. */
const props = defineProps<{ run: Run; pump: Pump; vessel?: NodeOf<'pressureTank'> }>()
const store = useSite()
const { show } = useUnits()
const readings = computed(() => props.pump.switchReadings ?? {})
const set = (field: keyof NonNullable<Pump['switchReadings']>) => (value: unknown) =>
  store.make(setField('part', props.pump.id, 'switchReadings', { ...readings.value, [field]: value }))
const reckoned = computed(() => pressuresOf(store.site!, props, props.vessel ? atOnce(store.site!) : []))
const meanings = computed(() => readSwitch(readings.value, reckoned.value, props.vessel))
const SUNS = [
  { value: 'unsaid' as const, name: 'not said' },
  { value: 'full' as const, name: 'full' },
  { value: 'weak' as const, name: 'weak' },
]
const isSolar = computed(() => props.pump.pump === 'solar')
</script>

<template>
  <GuideCard id="switch" title="set the switch" :meanings="meanings">
    <li v-if="isSolar">
      Wait for full sun: a point set in weak sun trips later at work. The sun is
      <ChoiceField
        label="Sun while it was set"
        :value="readings.sun ?? 'unsaid'"
        :choices="SUNS"
        :set="value => set('sun')(value === 'unsaid' ? undefined : value)"
      />.
    </li>
    <li v-if="!vessel">The tank is not full, its float open. Let the pump run until the gauge is steady.</li>
    <li v-else>All taps shut, the pump off: drain a little until it starts, and watch the gauge.</li>
    <li>
      Note what it runs at:
      <QuantityField
        label="Running pressure"
        kind="pressure"
        :value="readings.runningKPa"
        empty="not read"
        :set="set('runningKPa')"
      />
      <span v-if="reckoned" class="soft small">(reckoned {{ show(reckoned.runningKPa, 'pressure') }})</span>.
    </li>
    <li v-if="!vessel">
      Bring the switch down until it trips, then back off just far enough that it no longer does. It trips at
      <QuantityField
        label="Pressure at which it trips"
        kind="pressure"
        :value="readings.tripsKPa"
        empty="not read"
        :set="set('tripsKPa')"
      />. Let it run again to be sure.
    </li>
    <li v-else>
      It stops at
      <QuantityField
        label="Pressure at which it trips"
        kind="pressure"
        :value="readings.tripsKPa"
        empty="not read"
        :set="set('tripsKPa')"
      />; turn the large nut for both points, the small one for the gap alone.
    </li>
    <li v-if="!vessel">
      Shut the float by hand: it stops after
      <QuantityField
        label="Seconds until it stops"
        kind="count"
        :value="readings.stopsAfterS"
        empty="not read"
        :set="set('stopsAfterS')"
      />
      s. Open it and see it start. Do both twice.
    </li>
    <li>
      Shut everything and wait an hour: the pressure falls by
      <QuantityField
        label="Fall an hour"
        kind="pressure"
        :value="readings.fallsKPaPerH"
        empty="not read"
        :set="set('fallsKPaPerH')"
      />.
    </li>
    <li class="soft small">Power off before the cover comes off: live screws lie beside the nuts.</li>
  </GuideCard>
</template>
