<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import type { WellTest } from '#core/network'
import type { NodeOf } from '#core/kinds'

/** A pumping test as it was read, and the recovery that was fitted to it. */
const props = defineProps<{ well: NodeOf<'well'>; test: WellTest }>()
const last = computed(() => Math.max(0, ...props.well.pumpingTest!.drawn.map(({ minutes }) => minutes)))
const curves = computed((): Series[] => {
  const { drawn, recovered } = props.well.pumpingTest!
  const point = (minutes: number, depthM: number) => ({ x: minutes, y: depthM })
  const back = recovered.map(({ minutes, depthM }) => point(last.value + minutes, depthM))
  const { recoveryPerH, drawdownM } = props.test
  const until = Math.max(30, ...recovered.map(({ minutes }) => minutes))
  const fitted = Array.from({ length: 30 }, (_, at) => {
    const minutes = (until * at) / 29
    return point(
      last.value + minutes,
      props.well.stillWaterDepthM + drawdownM * Math.exp((-(recoveryPerH ?? 0) * minutes) / 60),
    )
  })
  const read = [...drawn.map(({ minutes, depthM }) => point(minutes, depthM)), ...back]
  const recovery: Series = { draws: 'line', label: 'recovery, fitted', colour: 'oak', dashed: true, points: fitted }
  return [
    { draws: 'dots', label: 'read', colour: 'ink', points: read },
    {
      draws: 'line',
      label: 'pumped',
      colour: 'deep',
      points: drawn.map(({ minutes, depthM }) => point(minutes, depthM)),
    },
    ...(recoveryPerH ? [recovery] : []),
  ]
})
const axes: PlotAxes = {
  x: { words: 'minutes', from: 0 },
  y: { words: 'depth to water', kind: 'length', downward: true },
}
</script>

<template>
  <Plot
    class="chart"
    legend
    :axes="axes"
    :series="curves"
    :height-px="230"
    spoken="Depth to the water while it was pumped and after."
  />
</template>

<style scoped>
.chart {
  max-width: 520px;
}
</style>
