<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { WASH_OFF_PER_MM } from '#core/sums'
import type { FlushTrade } from '#core/balance'

/** Dirt kept out of the tank against litres lost, from a thin flush to a thick one, and where this chamber stands. */
const props = defineProps<{ trade: FlushTrade; depthMm: number }>()
const { show, litres, litreTicks } = useUnits()
const [WIDTH, HEIGHT, LEFT, FOOT] = [330, 170, 40, 30]
const most = computed(() => Math.max(1, ...props.trade.byDepth.map(point => point.lostL), props.trade.now.lostL))
const x = computed(() => scaleLinear([0, most.value], [LEFT, WIDTH - 12]).nice())
const y = scaleLinear([0, 1], [HEIGHT - FOOT, 8])
const path = computed(
  () =>
    line<{ lostL: number; keptShare: number }>(
      point => x.value(point.lostL),
      point => y(point.keptShare),
    )([{ lostL: 0, keptShare: 0 }, ...props.trade.byDepth]) ?? '',
)
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
</script>

<template>
  <figure>
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Dirt kept out against litres lost. Now ${show(trade.now.keptShare, 'share')} for ${litres(trade.now.lostL)} a year.`"
    >
      <g class="axis">
        <template v-for="share in [0, 0.5, 1]" :key="share">
          <path :d="`M${LEFT} ${y(share)} H${WIDTH - 12}`" />
          <text :x="LEFT - 4" :y="y(share) + 4" text-anchor="end">{{ show(share, 'share') }}</text>
        </template>
        <text
          v-for="{ litres: tick, text } in litreTicks(x.domain()[1]!, 3)"
          :key="tick"
          :x="x(tick)"
          :y="HEIGHT - FOOT + 13"
          text-anchor="middle"
        >
          {{ text }}
        </text>
        <text :x="WIDTH - 12" :y="HEIGHT - 3" text-anchor="end">lost in a mean year</text>
        <text :x="LEFT + 2" y="18">dirt kept out</text>
      </g>
      <path :d="path" class="curve" />
      <g v-for="point in labelled" :key="point.depthMm">
        <circle :cx="x(point.lostL)" :cy="y(point.keptShare)" r="3" class="point" />
        <text :x="x(point.lostL) + 6" :y="y(point.keptShare) + 12">{{ show(point.depthMm, 'rain') }}</text>
      </g>
      <g>
        <circle :cx="x(trade.now.lostL)" :cy="y(trade.now.keptShare)" r="5" class="now" />
        <text
          :x="x(trade.now.lostL) + (x(trade.now.lostL) > WIDTH * 0.7 ? -8 : 8)"
          :y="y(trade.now.keptShare) - 7"
          :text-anchor="x(trade.now.lostL) > WIDTH * 0.7 ? 'end' : 'start'"
          class="nowWords"
        >
          now, {{ show(depthMm, 'rain') }}
        </text>
      </g>
    </svg>
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
svg {
  width: 100%;
  display: block;
}
.axis path {
  stroke: var(--hair);
}
text {
  font: 10.5px var(--text);
  fill: var(--soft);
}
.curve {
  fill: none;
  stroke: var(--line-spill);
  stroke-width: 2.2;
}
.point {
  fill: var(--sheet);
  stroke: var(--line-spill);
  stroke-width: 1.6;
}
.now {
  fill: var(--oak);
}
.nowWords {
  fill: var(--oak);
  font-weight: 650;
  font-size: 11.5px;
}
figcaption {
  line-height: 1.4;
}
</style>
