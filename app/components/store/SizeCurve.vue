<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { payingSizeL, type Pool, type SizePoint } from '#core/balance'

/** How big? Days short in a mean year against the size of a tank or group, with what one tank more or fewer would do. */
const props = defineProps<{ pool: Pool, index: number }>()
const results = useResults()
const { litres } = useUnits()
const curve = useWorkerAnswer(() => props.index, () => results.sizes(props.index))
const [WIDTH, HEIGHT, LEFT, FOOT] = [360, 150, 34, 28]
const most = computed(() => Math.max(1, ...(curve.value ?? []).map(point => point.shortDays)))
const x = computed(() => scaleLinear([0, curve.value?.at(-1)?.capL ?? 1], [LEFT, WIDTH - 12]))
const y = computed(() => scaleLinear([0, most.value], [HEIGHT - FOOT, 10]))
const path = computed(() => line<SizePoint>(point => x.value(point.capL), point => y.value(point.shortDays))(curve.value ?? []) ?? '')
const pays = computed(() => curve.value && payingSizeL(curve.value))

/** Days short at a size, between the points of the curve. */
function daysAt(capL: number): number | undefined {
  const points = curve.value
  const above = points?.findIndex(point => point.capL >= capL) ?? -1
  if (!points || above < 0) return undefined
  const [low, high] = [points[Math.max(0, above - 1)]!, points[above]!]
  return high.capL > low.capL ? low.shortDays + (high.shortDays - low.shortDays) * (capL - low.capL) / (high.capL - low.capL) : high.shortDays
}
const days = (count: number) => count < 0.05 ? 'no day' : count < 9.95 ? `${count.toFixed(1)} days` : `${Math.round(count)} days`
const marks = computed(() => {
  const { tanks, capL } = props.pool
  return [-1, 0, 1, 2].flatMap((more) => {
    const size = capL * (tanks.length + more) / tanks.length
    const short = size > 0 ? daysAt(size) : undefined
    return short === undefined ? [] : [{ more, size, short }]
  })
})
const words = (more: number) => more === 0 ? 'as it is' : more === -1 ? 'one tank fewer' : more === 1 ? 'one more of the same' : 'two more'
</script>

<template>
  <figure v-if="curve" class="size" :data-pool="index">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`Days short against the size of ${pool.name}`">
      <g class="axis">
        <template v-for="tick in y.ticks(3)" :key="tick"><path :d="`M${LEFT} ${y(tick)} H${WIDTH - 12}`" /><text :x="LEFT - 4" :y="y(tick) + 4" text-anchor="end">{{ tick }}</text></template>
        <text v-for="tick in x.ticks(4)" :key="`x${tick}`" :x="x(tick)" :y="HEIGHT - FOOT + 13" text-anchor="middle">{{ litres(tick) }}</text>
        <text :x="LEFT + 2" y="18">days short, mean year</text>
      </g>
      <path v-if="pays !== undefined" :d="`M${x(pays)} 10 V${HEIGHT - FOOT}`" class="pays" />
      <path :d="path" class="curve" />
      <circle v-for="mark in marks" :key="mark.more" :cx="x(mark.size)" :cy="y(mark.short)" :r="mark.more ? 3 : 5" :class="mark.more ? 'other' : 'now'" />
    </svg>
    <figcaption class="small">
      <b>How big?</b> <template v-for="(mark, at) in marks" :key="mark.more">{{ at ? '; ' : '' }}{{ words(mark.more) }}, {{ litres(mark.size) }}: <b class="figure">{{ days(mark.short) }}</b></template> short in a mean year.
      <span class="soft"><template v-if="pays !== undefined">Past {{ litres(pays) }} the next 1000 L spare less than a day a year. </template><template v-else-if="curve[0]!.shortDays < 0.05">Nothing goes short at any size drawn here. </template>The tank grows in width, its heights stay; everything else on the site is as it is.</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.size { margin: 4px 0 8px; display: flex; flex-wrap: wrap; gap: 4px 20px; align-items: center; }
svg { width: min(100%, 360px); }
.axis path { stroke: var(--hair); }
text { font: 10.5px var(--text); fill: var(--soft); }
.curve { fill: none; stroke: var(--water-deep); stroke-width: 2.2; }
.pays { stroke: var(--oak); stroke-dasharray: 4 3; stroke-width: 1.3; }
.now { fill: var(--oak); }
.other { fill: var(--sheet); stroke: var(--water-deep); stroke-width: 1.6; }
figcaption { max-width: 44ch; line-height: 1.5; }
</style>
