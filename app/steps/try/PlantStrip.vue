<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import { PLOT_COLOURS, type PlotAxes, type PlotColour, type PlotPoint, type Series } from '~/charts/plot'
import { useUnits } from '~/fields/useUnits'
import { axisUnit, type Kind } from '#core/units'

/** A strip of one figure over time, as a recorder draws it: the last stretch, its clock at the foot. */
const props = defineProps<{
  name: string
  kind: Kind
  /** True where nothing is the least there can be. */
  fromNothing?: boolean
  lines: { label: string; points: PlotPoint[] }[]
  fromS: number
  untilS: number
  clock: (atS: number) => string
}>()
const { show, system } = useUnits()
const COLOURS: readonly PlotColour[] = ['deep', 'oak', 'moss', 'ink', 'rust']
const colourOf = (at: number) => COLOURS[at % COLOURS.length]!

const values = computed(() => props.lines.flatMap(({ points }) => points.map(({ y }) => y)))
const unit = computed(() => axisUnit(props.kind, system.value, Math.max(0, ...values.value.map(Math.abs)) || Infinity))
/** A flow strip shows so much at least, L/s, that a drip does not fill it. */
const LEAST_TOP = 0.1
/** What hardly moves is not blown up: the strip shows a twentieth of it to either side. */
const ends = computed((): { from?: number; until?: number } => {
  const [least, most] = [Math.min(...values.value), Math.max(...values.value)]
  if (props.fromNothing) return { from: 0, until: Math.max(LEAST_TOP, values.value.length ? most * 1.08 : 0) }
  const room = 0.05 * Math.max(Math.abs(least), Math.abs(most))
  return values.value.length && most - least < room ? { from: least - room, until: most + room } : {}
})
const axes = computed((): PlotAxes => ({
  x: { from: props.fromS, until: props.untilS, mostMarks: 4, text: props.clock },
  y: { kind: props.kind, ...ends.value, untitled: true, mostMarks: 3, floats: true },
}))
const curves = computed(() =>
  props.lines.map(({ label, points }, at): Series => ({
    draws: 'line',
    label,
    colour: colourOf(at),
    thin: true,
    points,
  })),
)
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
        :style="{ color: `var(${PLOT_COLOURS[colourOf(at)]})` }"
        >{{ words }}</span
      >
    </figcaption>
    <Plot glance :axes="axes" :series="curves" :height-px="80" :spoken="`${name}: ${latest.join(', ')}`" />
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
</style>
