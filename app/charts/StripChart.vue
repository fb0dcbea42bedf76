<script setup lang="ts">
import LateChart from './LateChart.vue'
import { useUnits } from '~/fields/useUnits'
import { usePrefs } from '~/stores/prefs'
import { Chart, LinearScale, LineController, LineElement, PointElement, type ChartOptions } from 'chart.js'
import { axisUnit, type Kind } from '#core/units'

/** A strip of one figure over time, as a recorder draws it: the last stretch, its clock at the foot. */
const props = defineProps<{
  name: string
  kind: Kind
  /** True where nothing is the least there can be. */
  fromNothing?: boolean
  lines: { label: string; points: { x: number; y: number }[] }[]
  fromS: number
  untilS: number
  clock: (atS: number) => string
}>()
Chart.register(LineController, LineElement, PointElement, LinearScale)
const { show, system } = useUnits()
const prefs = usePrefs()
const colours = computed(() => {
  void prefs.dark
  const style = getComputedStyle(document.documentElement)
  return ['--water-deep', '--oak', '--moss', '--ink', '--rust'].map(name => style.getPropertyValue(name).trim())
})
const most = computed(() => Math.max(0, ...props.lines.flatMap(({ points }) => points.map(({ y }) => Math.abs(y)))))
const unit = computed(() => axisUnit(props.kind, system.value, most.value || Infinity))
const data = computed(() => ({
  datasets: props.lines.map(({ label, points }, at) => ({
    label,
    data: points.map(({ x, y }) => ({ x, y: unit.value.of(y) })),
    borderColor: colours.value[at % colours.value.length],
    borderWidth: 1.8,
    pointRadius: 0,
  })),
}))
/** What hardly moves is not blown up: the strip shows a twentieth of it to either side. */
const narrow = computed((): [number, number] | undefined => {
  const values = data.value.datasets.flatMap(({ data: points }) => points.map(({ y }) => y))
  const [least, most] = [Math.min(...values), Math.max(...values)]
  const room = 0.05 * Math.max(Math.abs(least), Math.abs(most))
  return values.length && most - least < room ? [least - room, most + room] : undefined
})
const options = computed<ChartOptions>(() => ({
  animation: false,
  parsing: false,
  maintainAspectRatio: false,
  events: [],
  plugins: { legend: { display: false } },
  scales: {
    x: {
      type: 'linear',
      min: props.fromS,
      max: props.untilS,
      ticks: { maxTicksLimit: 4, callback: value => props.clock(Number(value)), font: { size: 10 }, maxRotation: 0 },
      grid: { display: false },
    },
    y: {
      type: 'linear',
      min: props.fromNothing ? 0 : undefined,
      suggestedMin: narrow.value?.[0],
      suggestedMax: props.fromNothing ? 0.1 : narrow.value?.[1],
      ticks: { maxTicksLimit: 3, font: { size: 10 }, callback: value => String(Number(Number(value).toPrecision(4))) },
      grace: '8%',
      grid: { drawTicks: false },
    },
  },
}))
const latest = computed(() =>
  props.lines.map(({ label, points }) => `${label} ${points.length ? show(points.at(-1)!.y, props.kind) : '…'}`),
)
</script>

<template>
  <figure class="strip">
    <figcaption class="small">
      <b>{{ name }}</b> <span class="soft">{{ unit.words }}</span>
      <span
        v-for="(words, at) in latest"
        :key="words"
        class="latest"
        :style="{ color: colours[at % colours.length] }"
        >{{ words }}</span
      >
    </figcaption>
    <div class="chart"><LateChart type="line" :data="data" :options="options" :aria-label="latest.join(', ')" /></div>
  </figure>
</template>

<style scoped>
.strip {
  margin: 0 0 6px;
}
figcaption {
  display: flex;
  gap: 0 8px;
  flex-wrap: wrap;
  line-height: 1.3;
  align-items: baseline;
}
.latest {
  font-weight: 600;
}
.chart {
  height: 74px;
}
</style>
