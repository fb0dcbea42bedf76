<script setup lang="ts">
import { pathOf } from '~/section/path'
import { useShown } from '~/section/shown'
import { useUnits } from '~/fields/useUnits'
import type { Point, SeenRoute } from '#core/section'

/** Water that moves in the lines: its way and its speed, and a wrong way lit with its flow. */
const props = defineProps<{ lines: SeenRoute[] }>()
const shown = useShown()
const { show } = useUnits()

/** Below this nothing is seen to move. */
const SEEN_LPS = 0.003
const moving = computed(() =>
  props.lines.flatMap(route => {
    const flowLps = shown.value.flows?.[route.runId] ?? 0
    if (Math.abs(flowLps) < SEEN_LPS) return []
    const points = flowLps > 0 ? route.points : route.points.toReversed()
    return [{ id: route.runId, points, flowLps: Math.abs(flowLps), back: flowLps < 0 }]
  }),
)
/** Dashes go by in so many seconds: faster with more water, calm throughout. */
const seconds = (flowLps: number) => Math.min(3, Math.max(0.7, 0.9 / Math.sqrt(flowLps)))
/** A leg shorter than this has no room for an arrow. */
const LEG_PX = 26
const round = (px: number) => Math.round(px * 10) / 10
/** An arrow half way along each leg, as wide to either side as it is long, all in one path. */
const arrows = (points: Point[], halfPx: number) =>
  points
    .slice(1)
    .flatMap((point, at) => {
      const before = points[at]!
      const [dx, dy] = [point[0] - before[0], point[1] - before[1]]
      const px = Math.hypot(dx, dy)
      if (px < LEG_PX) return []
      const [alongX, alongY] = [(halfPx * dx) / px, (halfPx * dy) / px]
      const [x, y] = [before[0] + dx / 2, before[1] + dy / 2]
      const corner = (along: number, across: number) =>
        `${round(x + along * alongX - across * alongY)} ${round(y + along * alongY + across * alongX)}`
      return [`M${corner(-1, -1)} L${corner(1, 0)} L${corner(-1, 1)}`]
    })
    .join(' ')
const lit = computed(() => {
  const ids = new Map(shown.value.lit?.map(({ runId, forward }) => [runId, forward]))
  return props.lines.flatMap(route => {
    const forward = ids.get(route.runId)
    return forward === undefined
      ? []
      : [{ id: route.runId, points: forward ? route.points : route.points.toReversed() }]
  })
})
</script>

<template>
  <g class="flows" aria-hidden="true">
    <path v-for="line in lit" :key="`lit ${line.id}`" :d="pathOf(line.points)" class="lit" :data-lit="line.id" />
    <g v-for="line in moving" :key="line.id" :data-flow="line.id" :data-back="line.back || undefined">
      <title>{{ show(line.flowLps, 'flow') }}</title>
      <path
        v-if="shown.alive"
        :d="pathOf(line.points)"
        class="moves"
        :style="{ animationDuration: `${seconds(line.flowLps)}s` }"
      />
      <path :d="arrows(line.points, 4)" class="arrow" :class="{ back: line.back }" />
    </g>
    <path v-for="line in lit" :key="`way ${line.id}`" :d="arrows(line.points, 5)" class="wrong" />
  </g>
</template>

<style scoped>
.flows {
  pointer-events: none;
}
path {
  fill: none;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.lit {
  stroke: var(--rust);
  stroke-width: 9;
  opacity: 0.35;
}
.wrong {
  fill: var(--rust);
}
.moves {
  stroke: var(--sheet);
  stroke-width: 1.6;
  stroke-dasharray: 3 13;
  animation: moves 1s linear infinite;
}
.arrow {
  stroke: var(--ink);
  stroke-width: 1.6;
}
.arrow.back {
  stroke: var(--rust);
}
@keyframes moves {
  to {
    stroke-dashoffset: -16;
  }
}
@media (prefers-reduced-motion: reduce) {
  .moves {
    animation: none;
    stroke-dasharray: none;
    stroke: none;
  }
}
</style>
