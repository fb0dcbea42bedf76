<script setup lang="ts">
import type { PlotGrip } from './plot'
import { followPointer } from '~/fields/followPointer'
import type { ChartArea } from 'chart.js'

/** The mark of a plot that is dragged along it: a slider, moved by the pointer and by keys. */
const props = defineProps<{
  grip: PlotGrip
  place: { leftPx: number; topPx: number }
  area: ChartArea
  /** Which figure stands at a place along the plot. */
  at: (leftPx: number) => number
}>()
const dot = useTemplateRef('dot')

function onPointerdown(event: PointerEvent): void {
  dot.value?.focus()
  if (event.button !== 0) return
  const target = event.currentTarget as HTMLElement
  const plot = target.parentElement!
  props.grip.begin()
  const onMove = ({ clientX }: PointerEvent) => {
    const wanted = props.at(clientX - plot.getBoundingClientRect().left)
    props.grip.to(Math.min(props.grip.most, Math.max(props.grip.least, wanted)))
  }
  followPointer(event, target, onMove, () => props.grip.end())
}

const SHARES: Record<string, number> = {
  ArrowRight: 1.05,
  ArrowUp: 1.05,
  ArrowLeft: 1 / 1.05,
  ArrowDown: 1 / 1.05,
  PageUp: 1.25,
  PageDown: 0.8,
}
function onKeydown(event: KeyboardEvent): void {
  const share = SHARES[event.key]
  if (!share) return
  event.preventDefault()
  props.grip.byKey(share)
}
</script>

<template>
  <i class="stem" :style="{ left: `${place.leftPx}px`, top: `${area.top}px`, height: `${area.height}px` }" />
  <b
    ref="dot"
    class="dot"
    role="slider"
    tabindex="0"
    :style="{ left: `${place.leftPx}px`, top: `${place.topPx}px` }"
    :aria-label="grip.label"
    :aria-valuenow="Math.round(grip.x)"
    :aria-valuemin="Math.round(grip.least)"
    :aria-valuemax="Math.round(grip.most)"
    :aria-valuetext="grip.told"
    @pointerdown.prevent="onPointerdown"
    @keydown="onKeydown"
  />
</template>

<style scoped>
.stem {
  position: absolute;
  border-left: 1px solid var(--oak);
  opacity: 0.55;
  pointer-events: none;
}
.dot {
  position: absolute;
  width: 26px;
  height: 26px;
  margin: -13px;
  border-radius: 50%;
  cursor: ew-resize;
  touch-action: none;
  background: radial-gradient(circle, var(--oak) 6px, transparent 6.5px);
}
.dot:focus-visible {
  outline-offset: -4px;
}
</style>
