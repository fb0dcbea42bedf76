<script setup lang="ts">
import LateChart from './LateChart.vue'
import { useUnits } from '~/fields/useUnits'
import { usePrefs } from '~/stores/prefs'
import { Chart, Legend, LinearScale, LineController, LineElement, PointElement, type ChartOptions } from 'chart.js'
import { axisUnit, type Kind } from '#core/units'

/** A line of a chart: drawn through, or its points alone. */
export interface Curve {
  label: string
  points: { x: number; y: number }[]
  colour: 'deep' | 'oak' | 'ink'
  dashed?: boolean
  dots?: boolean
}
/** An axis of quantities in the site's units, or of plain figures. */
export interface Axis {
  words: string
  kind?: Kind
  /** Depths: it begins where its figures do, and runs downward. */
  downward?: boolean
}

const props = defineProps<{ curves: Curve[]; x: Axis; y: Axis; spoken: string }>()
Chart.register(LineController, LineElement, PointElement, LinearScale, Legend)

const { system } = useUnits()
const prefs = usePrefs()
const colours = computed(() => {
  void prefs.dark
  const style = getComputedStyle(document.documentElement)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return { deep: of('--water-deep'), oak: of('--oak'), ink: of('--ink'), soft: of('--soft'), hair: of('--hair') }
})
/** An axis with its unit, which all its marks are told in. */
function unitOf({ words, kind }: Axis, along: 'x' | 'y'): { title: string; of: (value: number) => number } {
  if (!kind) return { title: words, of: value => value }
  const all = props.curves.flatMap(({ points }) => points.map(point => Math.abs(point[along])))
  const unit = axisUnit(kind, system.value, Math.max(0, ...all) || Infinity)
  return { title: `${words}, ${unit.words}`, of: unit.of }
}
const across = computed(() => unitOf(props.x, 'x'))
const up = computed(() => unitOf(props.y, 'y'))
const data = computed(() => ({
  datasets: props.curves.map(({ label, points, colour, dashed, dots }) => ({
    label,
    data: points.map(({ x, y }) => ({ x: across.value.of(x), y: up.value.of(y) })),
    borderColor: colours.value[colour],
    backgroundColor: colours.value[colour],
    borderDash: dashed ? [6, 4] : [],
    borderWidth: 2,
    pointRadius: dots ? 5 : 0,
    showLine: !dots,
  })),
}))
const options = computed<ChartOptions>(() => {
  const { ink, soft, hair } = colours.value
  const scale = (text: string, reverse = false) => ({
    type: 'linear' as const,
    beginAtZero: !reverse,
    reverse,
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
    scales: { x: scale(across.value.title), y: scale(up.value.title, props.y.downward) },
  }
})
</script>

<template>
  <div class="chart" role="img" :aria-label="spoken"><LateChart type="line" :data="data" :options="options" /></div>
</template>

<style scoped>
.chart {
  height: 230px;
  max-width: 520px;
}
</style>
