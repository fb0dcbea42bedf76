<script setup lang="ts">
import { INCH_MM } from '#core/units'
import { useStorage } from '@vueuse/core'
import { useUnits } from '~/fields/useUnits'
import { acrossOf } from '#core/build'
import { endFamily, endSize, type End } from '#core/catalog'

/** An end drawn at true size to hold the part against, on a screen that was measured with a bank card. */
const props = defineProps<{ end: End }>()
const { show, system } = useUnits()
/** Screen pixels to a millimetre; without a card, what screens are said to have. */
const CARD_MM = 85.6
const pxPerMm = useStorage('tall-cask-px-per-mm', 96 / INCH_MM)
const calibrating = ref(false)
const size = computed(() => endSize(props.end)!)
const acrossMm = computed(() => acrossOf(size.value, props.end.sex))
const LENGTH_MM = 40
const row = computed(() => endFamily(props.end.family))
/** The outline of a thread: teeth as they stand, square for coarse ones, growing thicker where it tapers (1 in 16). */
const outline = computed(() => {
  const { pitchMm } = size.value
  const half = acrossMm.value / 2
  const slope = row.value.tapered ? 1 / 32 : 0
  if (!pitchMm) return `M0 ${-half} H${LENGTH_MM} V${half} H0 Z`
  const depth = 0.6 * pitchMm
  const count = Math.floor(LENGTH_MM / pitchMm)
  const edge = (side: 1 | -1) =>
    Array.from({ length: count }, (_, at) => {
      const x = at * pitchMm
      const y = side * (half - slope * (LENGTH_MM - x))
      const inner = y - side * depth
      // Buttress: one flank all but upright; others a plain V.
      const peak = pitchMm >= 4 ? 0.12 : 0.5
      return `L${x} ${inner} L${x + peak * pitchMm} ${y} L${x + (pitchMm >= 4 ? 0.5 : peak) * pitchMm} ${y}`
    }).join(' ')
  const end = count * pitchMm
  const lower = Array.from({ length: count }, (_, at) => {
    const x = end - at * pitchMm
    const y = half - slope * (LENGTH_MM - x)
    return `L${x} ${y - depth} L${x - 0.5 * pitchMm} ${y}`
  }).join(' ')
  return `M0 ${-half + depth} ${edge(-1)} L${end} ${-half + depth} V${half - depth} ${lower} L0 ${half - depth} Z`
})
/** A rule below it: of centimetres, or of quarters of an inch. */
const RULES = {
  metric: { words: '10 cm', longMm: 100, stepMm: 10, whole: 5 },
  inch: { words: '4 in', longMm: 101.6, stepMm: 6.35, whole: 4 },
}
const ruled = computed(() => RULES[system.value === 'metric' ? 'metric' : 'inch'])
const rule = computed(() => {
  const { longMm, stepMm, whole } = ruled.value
  const y = acrossMm.value / 2 + 8
  const ticks = Array.from(
    { length: Math.round(longMm / stepMm) + 1 },
    (_, at) => `M${at * stepMm} ${y} v${at % whole ? -2 : -4}`,
  )
  return `M0 ${y} h${longMm} ${ticks.join(' ')}`
})
const widthMm = computed(() => Math.max(LENGTH_MM, ruled.value.longMm) + 4)
const heightMm = computed(() => acrossMm.value + 16)
</script>

<template>
  <figure>
    <svg
      :width="widthMm * pxPerMm"
      :height="heightMm * pxPerMm"
      :viewBox="`-2 ${-acrossMm / 2 - 2} ${widthMm} ${heightMm}`"
      role="img"
      :aria-label="`${row.name} at true size, ${show(acrossMm, 'bore')} across`"
    >
      <path :d="outline" class="end" />
      <path :d="`M${LENGTH_MM + 6} ${-acrossMm / 2} v${acrossMm} m-2 0 h4 m-4 ${-acrossMm} h4`" class="measure" />
      <text :x="LENGTH_MM + 9" y="1.5">{{ show(acrossMm, 'bore') }}</text>
      <path :d="rule" class="measure" />
    </svg>
    <figcaption class="small soft">
      At true size once the screen is measured; the rule is {{ ruled.words }}.
      <button type="button" class="plain small" :aria-pressed="calibrating" @click="calibrating = !calibrating">
        {{ calibrating ? 'It is as wide as the card' : 'Measure the screen with a bank card' }}
      </button>
    </figcaption>
    <label v-if="calibrating" class="small">
      Hold a bank card here, and make the bar as wide as it
      <input v-model.number="pxPerMm" type="range" min="2" max="12" step="0.01" aria-label="As wide as a bank card" />
      <span class="card" :style="{ width: `${CARD_MM * pxPerMm}px` }" />
    </label>
  </figure>
</template>

<style scoped>
figure {
  margin: 10px 0 0;
  overflow-x: auto;
}
.end {
  fill: color-mix(in srgb, var(--ink) 12%, var(--sheet));
  stroke: var(--ink);
  stroke-width: 0.35;
}
.measure {
  fill: none;
  stroke: var(--oak);
  stroke-width: 0.3;
}
text {
  font: 4px var(--mono);
  fill: var(--ink);
}
.card {
  display: block;
  height: 26px;
  background: var(--oak);
  border-radius: 4px;
  margin-top: 4px;
}
</style>
