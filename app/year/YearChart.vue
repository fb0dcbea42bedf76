<script setup lang="ts">
import LateChart from '~/charts/LateChart.vue'
import { useUnits } from '~/fields/useUnits'
import { usePrefs } from '~/stores/prefs'
import { useResults } from '~/stores/results'
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartOptions,
} from 'chart.js'
import { format, parseISO } from 'date-fns'
import { groupDigits, IMPERIAL_GALLON_L, showQuantity, US_GALLON_L } from '#core/units'
import { isoDate } from '#core/climate'

Chart.register(
  LineController,
  LineElement,
  PointElement,
  BarController,
  BarElement,
  CategoryScale,
  LinearScale,
  Filler,
  Tooltip,
  Legend,
)

const results = useResults()
const { system } = useUnits()
const prefs = usePrefs()

/** Litres as the chart's axis takes them: in the unit the site shows. */
const inUnit = (litres: number) => litres / { metric: 1, us: US_GALLON_L, imperial: IMPERIAL_GALLON_L }[system.value]
const unit = computed(() => ({ metric: 'L', us: 'US gal', imperial: 'imp gal' })[system.value])
const colours = computed(() => {
  void prefs.dark
  const style = getComputedStyle(document.documentElement)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return {
    water: of('--water'),
    deep: of('--water-deep'),
    spill: of('--line-spill'),
    rust: of('--rust'),
    ink: of('--ink'),
    soft: of('--soft'),
    hair: of('--hair'),
  }
})

const data = computed(() => {
  const { outlook, year } = results
  if (!outlook || !year) return { labels: [], datasets: [] }
  const { run } = outlook
  const days = Array.from({ length: year.to - year.from }, (_, offset) => year.from + offset)
  const c = colours.value
  return {
    labels: days.map(day => format(parseISO(isoDate(outlook.startDay + day)), 'd MMM')),
    datasets: [
      {
        type: 'line' as const,
        label: `Held (${unit.value})`,
        data: days.map(day => inUnit(run.storedL[day]!)),
        borderColor: c.deep,
        backgroundColor: `${c.water}aa`,
        fill: true,
        pointRadius: 0,
        borderWidth: 1.6,
        yAxisID: 'y',
        order: 2,
      },
      {
        type: 'bar' as const,
        label: `Spilled (${unit.value} a day)`,
        data: days.map(day => inUnit(run.spilledL[day]!)),
        backgroundColor: c.spill,
        yAxisID: 'flow',
        barPercentage: 1,
        categoryPercentage: 1,
        order: 1,
      },
      {
        type: 'bar' as const,
        label: `Short (${unit.value} a day)`,
        data: days.map(day => inUnit(run.shortL[day]!)),
        backgroundColor: c.rust,
        yAxisID: 'flow',
        barPercentage: 1,
        categoryPercentage: 1,
        order: 1,
      },
    ],
  }
})
const options = computed<ChartOptions>(() => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  interaction: { mode: 'index', intersect: false },
  plugins: {
    legend: {
      labels: {
        color: colours.value.ink,
        boxWidth: 14,
        font: { family: 'Atkinson Hyperlegible Next Variable', size: 13 },
      },
    },
    tooltip: {
      callbacks: {
        label: item =>
          `${item.dataset.label}: ${showQuantity(Number(item.parsed.y) / inUnit(1), 'volume', system.value).text}`,
      },
    },
  },
  scales: {
    x: { ticks: { color: colours.value.soft, maxTicksLimit: 13 }, grid: { color: colours.value.hair } },
    y: {
      beginAtZero: true,
      ticks: { color: colours.value.soft, callback: value => groupDigits(Number(value), 0) },
      grid: { color: colours.value.hair },
      title: { display: true, text: `held, ${unit.value}`, color: colours.value.soft },
    },
    flow: {
      position: 'right',
      beginAtZero: true,
      ticks: { color: colours.value.soft, callback: value => groupDigits(Number(value), 0) },
      grid: { display: false },
      title: { display: true, text: `spilled or short, ${unit.value} a day`, color: colours.value.soft },
    },
  },
}))
</script>

<template>
  <div>
    <LateChart
      type="line"
      :data="data as never"
      :options="options"
      role="img"
      aria-label="Chart of water held, spilled and short through the year; the table below has its sums"
    />
  </div>
</template>
