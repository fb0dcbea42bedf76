<script setup lang="ts">
import type { Curve } from '~/charts/CurveChart.vue'
import type { TestReading } from '#core/network'
import type { NodeOf } from '#core/kinds'

/** A pumping test as it was read, and the recovery that was fitted to it. */
const props = defineProps<{ well: NodeOf<'well'>; test: TestReading }>()
const CurveChart = defineAsyncComponent(() => import('~/charts/CurveChart.vue'))
const last = computed(() => Math.max(0, ...props.well.pumpingTest!.drawn.map(({ minutes }) => minutes)))
const curves = computed((): Curve[] => {
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
  return [
    {
      label: 'read',
      points: [...drawn.map(({ minutes, depthM }) => point(minutes, depthM)), ...back],
      colour: 'ink',
      dots: true,
    },
    { label: 'pumped', points: drawn.map(({ minutes, depthM }) => point(minutes, depthM)), colour: 'deep' },
    ...(recoveryPerH ? [{ label: 'recovery, fitted', points: fitted, colour: 'oak' as const, dashed: true }] : []),
  ]
})
</script>

<template>
  <CurveChart
    :curves="curves"
    :x="{ words: 'minutes' }"
    :y="{ words: 'depth to water', kind: 'length', downward: true }"
    spoken="Depth to the water while it was pumped and after."
  />
</template>
