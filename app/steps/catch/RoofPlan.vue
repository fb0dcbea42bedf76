<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { planSlips, type PlanRectangle, type Roof } from '#core/site'
import { PLAN_EDGE, PLAN_HEIGHT, PLAN_WIDTH, usePlanFrame } from './usePlanFrame'
import { usePlanPieces } from './usePlanPieces'

/**
 * A roof seen from above, to scale: rectangles drawn, moved and stretched by pointer or by keys; an outline is only
 * shown.
 */
const props = defineProps<{ roof: Roof }>()
const store = useSite()
const { show } = useUnits()
const [WIDTH, HEIGHT, EDGE] = [PLAN_WIDTH, PLAN_HEIGHT, PLAN_EDGE]
const plan = useTemplateRef<SVGSVGElement>('plan')
const planFrame = usePlanFrame(() => props.roof, plan)
const { outline, rectangles, rings, frame, x, y, gridM, lines, round, boxOf, ringPath } = planFrame
const pieces = usePlanPieces(() => props.roof, plan, planFrame)
const { cutting, picked, said, drawn, addByKey, takeOut, drawFrom, dragFrom, stretchFrom, onKey } = pieces
const slips = computed(() => planSlips(props.roof))

const sides = (rectangle: PlanRectangle) => `${show(rectangle.lengthM, 'length')} × ${show(rectangle.widthM, 'length')}`
const placeOf = ({ piece }: PlanRectangle) => props.roof.pieces.findIndex(each => each.id === piece) + 1
const spoken = (rectangle: PlanRectangle) =>
  `${sides(rectangle)}: ${rectangle.cut ? 'cut-out' : 'rectangle'} ${placeOf(rectangle)}, ` +
  `${show(rectangle.xM, 'length')} along and ${show(rectangle.yM, 'length')} up. ` +
  'Arrows move it, Shift and arrows stretch it, C cuts, Delete takes it out.'
</script>

<template>
  <figure class="plan">
    <svg
      ref="plan"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="group"
      :aria-label="`Plan of ${roof.name}`"
      @pointerdown.self="outline ? undefined : drawFrom($event)"
    >
      <g class="grid" aria-hidden="true">
        <line v-for="at in lines.xs" :key="`x${at}`" :x1="x(at)" :x2="x(at)" y1="0" :y2="HEIGHT - EDGE" />
        <line v-for="at in lines.ys" :key="`y${at}`" :x1="EDGE" :x2="WIDTH" :y1="y(at)" :y2="y(at)" />
      </g>
      <path v-for="(part, at) in rings" :key="`ring${at}`" :d="ringPath(part)" class="cover" fill-rule="evenodd" />
      <template v-if="!outline">
        <g
          v-for="rectangle in rectangles"
          :key="`${rectangle.piece}-${rectangle.copy}`"
          class="piece"
          :class="{ cut: rectangle.cut, on: picked === rectangle.piece }"
          :tabindex="rectangle.copy ? -1 : 0"
          role="button"
          :data-piece="rectangle.piece"
          :aria-label="spoken(rectangle)"
          @pointerdown.stop="dragFrom($event, rectangle)"
          @focus="picked = rectangle.piece"
          @keydown="onKey($event, rectangle)"
          @blur="store.settle()"
        >
          <rect v-bind="boxOf(rectangle)" />
          <text
            v-if="boxOf(rectangle).width > 7 * sides(rectangle).length && boxOf(rectangle).height > 15"
            :x="boxOf(rectangle).x + boxOf(rectangle).width / 2"
            :y="boxOf(rectangle).y + boxOf(rectangle).height / 2 + 4"
            text-anchor="middle"
          >
            {{ sides(rectangle) }}
          </text>
          <circle
            v-if="picked === rectangle.piece && !rectangle.copy"
            :cx="boxOf(rectangle).x + boxOf(rectangle).width"
            :cy="boxOf(rectangle).y"
            r="5"
            class="corner"
            @pointerdown.stop="stretchFrom($event, rectangle)"
          />
        </g>
        <rect v-if="drawn" v-bind="boxOf(drawn)" class="drawn" />
      </template>
      <g class="rule" aria-hidden="true">
        <path :d="`M${EDGE} ${HEIGHT - 6} h${frame.pxPerM * gridM} m0 -3 v6 m${-frame.pxPerM * gridM} -6 v6`" />
        <text :x="EDGE + frame.pxPerM * gridM + 5" :y="HEIGHT - 2">{{ show(gridM, 'length') }}</text>
      </g>
    </svg>
    <figcaption class="small soft">
      <template v-if="outline">From the outline; its rectangles are kept and count no more.</template>
      <template v-else>
        Draw on the plan to
        <button type="button" class="plain small" :aria-pressed="!cutting" @click="cutting = false">add</button> or
        <button type="button" class="plain small" :aria-pressed="cutting" @click="cutting = true">cut out</button>; or
        <button type="button" class="plain small" @click="addByKey">
          {{ cutting ? `cut out ${show(round.cutM, 'length')} square` : `add ${show(round.sideM, 'length')} square` }}
        </button>
        and use the arrow keys.
        <button
          v-if="picked !== undefined && roof.pieces.length > 1"
          type="button"
          class="plain small"
          @click="takeOut(picked)"
        >
          Take it out
        </button>
        <span v-if="slips.twiceM2 > 0.05" class="slip"
          >Rectangles lie over each other: {{ show(slips.twiceM2, 'area') }} are counted twice.</span
        >
        <span v-if="slips.strayCutM2 > 0.05" class="slip"
          >A cut-out takes away {{ show(slips.strayCutM2, 'area') }} that no rectangle has.</span
        >
      </template>
      <span class="unseen" aria-live="polite">{{ said }}</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.plan {
  margin: 0;
  width: min(100%, 380px);
}
svg {
  display: block;
  width: 100%;
  background: var(--sheet);
  border: 1px solid var(--hair);
  border-radius: 3px;
  touch-action: none;
  cursor: crosshair;
}
.grid line {
  stroke: var(--hair);
  stroke-width: 0.6;
}
.piece {
  cursor: move;
}
.piece rect,
.cover {
  fill: var(--roofing);
  stroke: var(--ink);
  stroke-width: 1.6;
}
.piece.cut rect {
  fill: var(--sheet);
  stroke-dasharray: 4 3;
}
.piece.on rect,
.piece:focus-visible rect {
  stroke: var(--oak);
  stroke-width: 2.6;
}
.piece:focus-visible {
  outline: none;
}
.corner {
  fill: var(--oak);
  cursor: nesw-resize;
}
.drawn {
  fill: color-mix(in srgb, var(--oak) 20%, transparent);
  stroke: var(--oak);
  stroke-dasharray: 4 3;
}
text {
  font: 11px var(--mono);
  fill: var(--ink);
  pointer-events: none;
}
.rule path {
  stroke: var(--soft);
  fill: none;
}
.rule text {
  fill: var(--soft);
}
figcaption {
  line-height: 1.5;
  padding-top: 3px;
}
[aria-pressed='true'] {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.slip {
  display: block;
  color: var(--straw-ink);
}
</style>
