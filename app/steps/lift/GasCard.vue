<script setup lang="ts">
import GuideCard from './GuideCard.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { readGas } from '#core/network'
import { setField } from '#core/moves'
import { PRECHARGE_UNDER_KPA } from '#core/catalog'
import type { NodeOf } from '#core/kinds'

/** Setting the gas of a pressure tank, step by step, with the readings typed in and told for what they mean. */
const props = defineProps<{ vessel: NodeOf<'pressureTank'> }>()
const store = useSite()
const { show } = useUnits()
const readings = computed(() => props.vessel.gasReadings ?? {})
const set = (field: 'emptyKPa' | 'drawnL') => (value: number) =>
  store.make(setField('node', props.vessel.id, 'gasReadings', { ...readings.value, [field]: value }))
const meanings = computed(() => readGas(props.vessel))
</script>

<template>
  <GuideCard id="gas" title="set the gas" :meanings="meanings">
    <li>Switch the pump off at its isolator. Open the drain until nothing comes and the gauge stands at nothing.</li>
    <li>
      With the drain still open, read the gas at its valve with a tyre gauge:
      <QuantityField
        label="Gas without water"
        kind="pressure"
        :value="readings.emptyKPa"
        empty="not read"
        :set="set('emptyKPa')"
      />. Water at that valve: the skin is torn.
    </li>
    <li>
      Pump it up, or let it out, to {{ show(Math.max(0, vessel.cutInKPa - PRECHARGE_UNDER_KPA), 'pressure') }}. Shut the
      drain, switch on.
    </li>
    <li>
      Let it fill and stop; then draw into a bucket until it starts again:
      <QuantityField
        label="Litres from stop to start"
        kind="volume"
        :value="readings.drawnL"
        empty="not read"
        :set="set('drawnL')"
      />.
    </li>
  </GuideCard>
</template>
