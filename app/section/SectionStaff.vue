<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { groupDigits, FOOT_M } from '#core/units'
import { STAFF_PX, staffMarks, type Drawing } from '#core/section'

/** The levelling staff: heights above the datum. It stays at the left when the drawing is moved along by `shiftPx`. */
const props = defineProps<{ drawing: Drawing; shiftPx: number }>()
const { system } = useUnits()
const edge = STAFF_PX - 12
/** The topmost figure leaves room for the unit. */
const UNIT_PX = 20
const marks = computed(() => staffMarks(props.drawing.scale, system.value === 'metric' ? 1 : FOOT_M))
const figure = (reading: number) => (reading > 0 ? `+${groupDigits(reading, 0)}` : groupDigits(reading, 0))
const bands = computed(() => props.drawing.scale.bands.map(band => ({ top: band.topPx, bottom: band.bottomPx })))
</script>

<template>
  <g aria-hidden="true" :transform="`translate(${shiftPx} 0)`">
    <rect x="0" y="0" :width="edge + 4" :height="drawing.heightPx" class="back" />
    <line v-for="band in bands" :key="band.top" :x1="edge" :x2="edge" :y1="band.top" :y2="band.bottom" class="rod" />
    <g v-for="mark in marks" :key="mark.reading">
      <line
        :x1="edge - (mark.figure ? 7 : 3)"
        :x2="edge"
        :y1="mark.yPx"
        :y2="mark.yPx"
        :class="mark.figure ? 'rod' : 'fine'"
      />
      <text v-if="mark.figure && mark.yPx > UNIT_PX" :x="edge - 10" :y="mark.yPx + 4" text-anchor="end">{{
        figure(mark.reading)
      }}</text>
    </g>
    <text x="6" y="14" class="unit">{{ system === 'metric' ? 'm' : 'ft' }}</text>
  </g>
</template>

<style scoped>
.back {
  fill: var(--sheet);
  opacity: 0.96;
}
.rod {
  stroke: var(--soft);
}
.fine {
  stroke: var(--stone);
}
text {
  font: 11px var(--mono);
  fill: var(--soft);
}
</style>
