<script setup lang="ts">
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { useUnits } from '~/fields/useUnits'
import { useAnswer } from '~/stores/useAnswer'
import { parseQuantity } from '#core/units'
import { scaleLinear, scaleLog } from 'd3-scale'
import { line } from 'd3-shape'
import type { Cover, CoverPoint, Pool } from '#core/balance'

/** How big for it? The share of cuts that are bridged against the size of one tank or group. */
const props = defineProps<{ cover: Cover; pool: Pool }>()
const { litres, show, span, system } = useUnits()
const {
  answer: curve,
  failure,
  again,
} = useAnswer('coverSizes', () => ({ outage: props.cover.id, pool: props.pool.id }))
const [WIDTH, HEIGHT, LEFT, RIGHT, FOOT] = [420, 150, 46, 20, 30]
const points = computed(() => curve.value ?? [])
const x = computed(() => scaleLog([points.value[0]?.capL ?? 1, points.value.at(-1)?.capL ?? 10], [LEFT, WIDTH - RIGHT]))
const y = scaleLinear([0, 1], [HEIGHT - FOOT, 12])
const path = computed(
  () =>
    line<CoverPoint>(
      point => x.value(point.capL),
      point => y(point.bridgedShare),
    )(points.value) ?? '',
)
/** The smallest size on the curve from which on nearly all cuts are bridged. */
const ENOUGH_SHARE = 0.95
const enough = computed(() => {
  const last = points.value.findLastIndex(point => point.bridgedShare < ENOUGH_SHARE)
  return points.value[last + 1]
})
const now = computed(() => {
  const { pool, cover } = props
  return { capL: pool.capL, share: cover.cuts ? cover.bridged / cover.cuts : 1 }
})
/** Five sizes along the axis, in two digits of the site's own unit. */
const ticks = computed(() => {
  const [first, last] = [points.value[0]?.capL ?? 1, points.value.at(-1)?.capL ?? 10]
  const one = parseQuantity('1', 'volume', system.value)
  const unitL = one.ok ? one.value : 1
  return Array.from({ length: 5 }, (_, at) => {
    const exact = first * (last / first) ** (at / 4)
    return Number((exact / unitL).toPrecision(2)) * unitL
  })
})
</script>

<template>
  <AnswerFailure :failure="failure" what="The sizes" :again="again" />
  <figure v-if="points.length" class="curve" :data-cover="cover.id">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`">
      <title>Share of outages bridged against the size of {{ pool.name }}</title>
      <g class="axis">
        <template v-for="tick in [0, 0.25, 0.5, 0.75, 1]" :key="tick">
          <path :d="`M${LEFT} ${y(tick)} H${WIDTH - RIGHT}`" />
          <text :x="LEFT - 5" :y="y(tick) + 4" text-anchor="end">{{ show(tick, 'share') }}</text>
        </template>
        <text v-for="tick in ticks" :key="`x${tick}`" :x="x(tick)" :y="HEIGHT - FOOT + 14" text-anchor="middle">
          {{ litres(tick) }}
        </text>
      </g>
      <path :d="path" class="line" />
      <circle :cx="x(now.capL)" :cy="y(now.share)" r="5" class="now" />
    </svg>
    <figcaption class="small">
      Outages bridged against the size of {{ pool.name }}; the dot is the plan.
      <template v-if="enough"
        >{{ show(ENOUGH_SHARE, 'share') }} of them want about <b class="figure">{{ litres(enough.capL) }}</b><template
          v-if="enough.fullHours !== undefined"
          >, {{ span(enough.fullHours) }} from full</template
        >.</template
      >
      <template v-else>No size on this curve bridges {{ show(ENOUGH_SHARE, 'share') }} of them.</template>
    </figcaption>
  </figure>
</template>

<style scoped>
.curve {
  margin: 4px 0 10px;
  max-width: 480px;
}
svg {
  width: 100%;
  display: block;
}
.axis path {
  stroke: var(--hair);
  fill: none;
}
.axis text {
  font-size: 11px;
  fill: var(--soft);
}
.line {
  fill: none;
  stroke: var(--line-main);
  stroke-width: 2;
}
.now {
  fill: var(--oak);
}
</style>
