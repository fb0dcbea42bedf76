<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { usePrefs } from '~/stores/prefs'
import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, type ChartOptions } from 'chart.js'
import { Chart as ChartView } from 'vue-chartjs'
import { parseQuantity, type Kind } from '#core/units'
import type { CurvePoint } from '#core/sums'
import type { Duty } from '#core/network'

/** A pump’s curve and its system’s, and the point where they meet. */
const props = defineProps<{ duty: Duty }>()
Chart.register(LineController, LineElement, PointElement, LinearScale, Legend)

const { show, system } = useUnits()
const prefs = usePrefs()
const colours = computed(() => {
  void prefs.dark
  const style = getComputedStyle(document.documentElement)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return { deep: of('--water-deep'), oak: of('--oak'), ink: of('--ink'), soft: of('--soft'), hair: of('--hair') }
})
/** The unit of an axis, and what one of it is. */
const unitOf = (kind: Kind) => show(1, kind).replace(/^[\d.,\s]+/, '')
const axis = (kind: Kind) => {
  const unit = unitOf(kind)
  const one = parseQuantity(`1 ${unit}`, kind, system.value)
  return { unit, one: one.ok ? one.value : 1 }
}
const flow = computed(() => axis('flow'))
const head = computed(() => axis('length'))
const placed = (points: CurvePoint[]) =>
  points.map(({ flowLps, headM }) => ({ x: flowLps / flow.value.one, y: headM / head.value.one }))
const data = computed(() => {
  const { deep, oak, ink } = colours.value
  const line = { pointRadius: 0, borderWidth: 2 }
  return {
    datasets: [
      { label: 'where it runs', data: placed([props.duty.at]), borderColor: ink, backgroundColor: ink, pointRadius: 6 },
      { ...line, label: 'the pump', data: placed(props.duty.curve), borderColor: deep, backgroundColor: deep },
      {
        ...line,
        label: 'its lines ask',
        data: placed(props.duty.system),
        borderColor: oak,
        backgroundColor: oak,
        borderDash: [6, 4],
      },
    ],
  }
})
const options = computed<ChartOptions>(() => {
  const { ink, soft, hair } = colours.value
  const scale = (text: string) => ({
    type: 'linear' as const,
    beginAtZero: true,
    ticks: { color: soft },
    grid: { color: hair },
    title: { display: true, text, color: soft },
  })
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: false,
    plugins: {
      legend: {
        labels: { color: ink, boxWidth: 14, font: { family: 'Atkinson Hyperlegible Next Variable', size: 13 } },
      },
    },
    scales: { x: scale(`flow, ${flow.value.unit}`), y: scale(`head, ${head.value.unit}`) },
  }
})
const spoken = computed(
  () => `It runs at ${show(props.duty.at.flowLps, 'flow')} and ${show(props.duty.at.headM, 'length')} of head.`,
)
</script>

<template>
  <div class="chart" role="img" :aria-label="spoken"><ChartView type="line" :data="data" :options="options" /></div>
</template>

<style scoped>
.chart {
  height: 230px;
  max-width: 520px;
}
</style>
