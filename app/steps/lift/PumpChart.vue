<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import { useUnits } from '~/fields/useUnits'
import type { CurvePoint } from '#core/sums'
import type { Duty } from '#core/network'

/** A pump’s curve and its system’s, and the point where they meet. */
const props = defineProps<{ duty: Duty }>()
const { show } = useUnits()
const points = (curve: CurvePoint[]) => curve.map(({ flowLps, headM }) => ({ x: flowLps, y: headM }))
const axes: PlotAxes = { x: { words: 'flow', kind: 'flow', from: 0 }, y: { words: 'head', kind: 'length' } }
const curves = computed((): Series[] => [
  { draws: 'dots', label: 'where it runs', colour: 'ink', points: points([props.duty.at]) },
  { draws: 'line', label: 'the pump', colour: 'deep', points: points(props.duty.curve) },
  { draws: 'line', label: 'its lines ask', colour: 'oak', dashed: true, points: points(props.duty.system) },
])
const spoken = computed(
  () => `It runs at ${show(props.duty.at.flowLps, 'flow')} and ${show(props.duty.at.headM, 'length')} of head.`,
)
</script>

<template>
  <Plot class="chart" legend :axes="axes" :series="curves" :height-px="230" :spoken="spoken" />
</template>

<style scoped>
.chart {
  max-width: 520px;
}
</style>
