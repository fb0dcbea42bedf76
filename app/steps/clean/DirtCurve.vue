<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, PlotMark, Series } from '~/charts/plot'
import { useUnits } from '~/fields/useUnits'
import { WASH_OFF_PER_MM } from '#core/sums'
import type { FlushTrade } from '#core/balance'

/** Dirt kept out of the tank against litres lost, from a thin flush to a thick one, and where this chamber stands. */
const props = defineProps<{ trade: FlushTrade; depthMm: number }>()
const { show, litres } = useUnits()
const labelled = computed(() =>
  props.trade.byDepth.filter(
    point => [0.4, 0.8, 2].includes(point.depthMm) && Math.abs(point.depthMm - props.depthMm) > 0.1,
  ),
)
const knee = computed(() =>
  props.trade.byDepth.find((point, at, all) => {
    const next = all[at + 1]
    return next && (next.keptShare - point.keptShare) / Math.max(1e-9, next.lostL - point.lostL) < 0.04 / 1000
  }),
)
const axes: PlotAxes = {
  x: { words: 'lost in a mean year', kind: 'volume', from: 0, mostMarks: 4 },
  y: { words: 'dirt kept out', from: 0, until: 1, mostMarks: 3, text: share => show(share, 'share') },
}
const at = ({ lostL, keptShare }: { lostL: number; keptShare: number }) => ({ x: lostL, y: keptShare })
const curves = computed((): Series[] => [
  {
    draws: 'line',
    label: 'dirt kept out',
    colour: 'spill',
    points: [{ x: 0, y: 0 }, ...props.trade.byDepth.map(at)],
  },
  {
    draws: 'dots',
    label: 'thicker and thinner',
    colour: 'spill',
    hollow: true,
    points: labelled.value.map(at),
    unnamed: true,
  },
  { draws: 'dots', label: 'now', colour: 'oak', points: [at(props.trade.now)] },
])
const marks = computed((): PlotMark[] => [
  ...labelled.value.map(point => ({ ...at(point), words: show(point.depthMm, 'rain'), colour: 'soft' as const })),
  { ...at(props.trade.now), words: `now, ${show(props.depthMm, 'rain')}`, colour: 'oak' },
])
const spoken = computed(
  () =>
    'Dirt kept out against litres lost. ' +
    `Now ${show(props.trade.now.keptShare, 'share')} for ${litres(props.trade.now.lostL)} a year.`,
)
</script>

<template>
  <figure>
    <Plot :axes="axes" :series="curves" :marks="marks" :height-px="180" :spoken="spoken" />
    <figcaption class="small soft">
      Each {{ show(1, 'rain') }} halves what is left on the roof: exponential wash-off, k {{ WASH_OFF_PER_MM }} per mm
      (Sartor &amp; Boyd 1972; Martinson &amp; Thomas 2005), and dirt gathers again over a week.<template v-if="knee">
        Past {{ show(knee.depthMm, 'rain') }} each further {{ litres(1000) }} keep out less than 4 % more.</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  width: min(100%, 340px);
}
figcaption {
  line-height: 1.4;
}
</style>
