<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import { useResults } from '~/stores/results'
import { format, parseISO } from 'date-fns'
import { isoDate } from '#core/climate'

/** The days of a year: what is held, and what spills or is short. */
const results = useResults()
const days = computed(() => {
  const { year } = results
  return year ? Array.from({ length: year.to - year.from }, (_, offset) => year.from + offset) : []
})
const dateOf = (day: number) => isoDate(results.outlook!.startDay + Math.round(day))
const dayWords = (day: number) => format(parseISO(dateOf(day)), 'd MMM')
/** The first of each month. */
const firsts = computed(() => days.value.filter(day => dateOf(day).endsWith('-01')))
const axes = computed((): PlotAxes => ({
  x: { from: days.value[0], until: days.value.at(-1), marks: firsts.value, mostMarks: 13, text: dayWords },
  y: { words: 'held', kind: 'volume', from: 0 },
  right: { words: 'spilled or short', kind: 'volume', per: 'a day', from: 0 },
}))
const curves = computed((): Series[] => {
  const { outlook } = results
  if (!outlook) return []
  const of = (figures: Float64Array) => days.value.map(day => ({ x: day, y: figures[day]! }))
  const { storedL, spilledL, shortL } = outlook.run
  return [
    { draws: 'line', label: 'Held', colour: 'deep', filled: true, thin: true, points: of(storedL) },
    { draws: 'bars', label: 'Spilled', colour: 'spill', right: true, points: of(spilledL) },
    { draws: 'bars', label: 'Short', colour: 'rust', right: true, points: of(shortL) },
  ]
})
</script>

<template>
  <Plot
    legend
    :axes="axes"
    :series="curves"
    :height-px="320"
    spoken="Water held, spilled and short through the year; the table below has its sums"
  />
</template>
