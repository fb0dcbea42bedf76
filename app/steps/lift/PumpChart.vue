<script setup lang="ts">
import CurveChart, { type Curve } from '~/charts/CurveChart.vue'
import { useUnits } from '~/fields/useUnits'
import type { CurvePoint } from '#core/sums'
import type { Duty } from '#core/network'

/** A pump’s curve and its system’s, and the point where they meet. */
const props = defineProps<{ duty: Duty }>()
const { show } = useUnits()
const points = (curve: CurvePoint[]) => curve.map(({ flowLps, headM }) => ({ x: flowLps, y: headM }))
const curves = computed((): Curve[] => [
  { label: 'where it runs', points: points([props.duty.at]), colour: 'ink', dots: true },
  { label: 'the pump', points: points(props.duty.curve), colour: 'deep' },
  { label: 'its lines ask', points: points(props.duty.system), colour: 'oak', dashed: true },
])
const spoken = computed(
  () => `It runs at ${show(props.duty.at.flowLps, 'flow')} and ${show(props.duty.at.headM, 'length')} of head.`,
)
</script>

<template>
  <CurveChart
    :curves="curves"
    :x="{ words: 'flow', kind: 'flow' }"
    :y="{ words: 'head', kind: 'length' }"
    :spoken="spoken"
  />
</template>
