<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { scaleLinear } from 'd3-scale'
import { outlinePlan, PLAN_GAP_M, planRectangles, planSlips, type PlanRectangle, type Roof } from '#core/site'
import { moveOf, setField } from '#core/moves'

/**
 * A roof seen from above, to scale: rectangles drawn, moved and stretched by pointer or by keys; an outline is only
 * shown.
 */
const props = defineProps<{ roof: Roof }>()
const store = useSite()
const { show, system } = useUnits()
const [WIDTH, HEIGHT, EDGE] = [360, 210, 16]

/** Steps and first sizes are round in the units of the site: 10 cm and 3 m, or 6 inches and 10 feet. */
const round = computed(() =>
  system.value === 'metric'
    ? { stepM: 0.1, sideM: 3, cutM: 1, unitM: 1 }
    : { stepM: 0.1524, sideM: 3.048, cutM: 0.9144, unitM: 0.3048 },
)
const cutting = ref(false)
const picked = ref<string>()
const said = ref('')
const drawn = ref<{ xM: number; yM: number; lengthM: number; widthM: number }>()
const plan = useTemplateRef<SVGSVGElement>('plan')

const byOutline = computed(() => props.roof.measuredBy === 'outline' && props.roof.outline)
const rectangles = computed(() => planRectangles(props.roof))
const rings = computed(() => (byOutline.value ? outlinePlan(byOutline.value) : []))
const slips = computed(() => planSlips(props.roof))

interface Frame {
  left: number
  bottom: number
  pxPerM: number
}
/** Held while something is drawn, so that the plan does not slide away under the pointer. */
const held = ref<Frame>()
const frame = computed<Frame>(() => {
  if (held.value) return held.value
  const [xs, ys] = byOutline.value
    ? [rings.value.flat(2).map(point => point[0]), rings.value.flat(2).map(point => point[1])]
    : [
        rectangles.value.flatMap(({ xM, lengthM }) => [xM, xM + lengthM]),
        rectangles.value.flatMap(({ yM, widthM }) => [yM, yM + widthM]),
      ]
  const [left, right, bottom, top] = [
    Math.min(0, ...xs) - 1,
    Math.max(6, ...xs) + 2,
    Math.min(0, ...ys) - 1,
    Math.max(4, ...ys) + 2,
  ]
  return { left, bottom, pxPerM: Math.min((WIDTH - EDGE) / (right - left), (HEIGHT - EDGE) / (top - bottom)) }
})
const x = computed(() => scaleLinear([frame.value.left, frame.value.left + 1], [EDGE, EDGE + frame.value.pxPerM]))
const y = computed(() =>
  scaleLinear([frame.value.bottom, frame.value.bottom + 1], [HEIGHT - EDGE, HEIGHT - EDGE - frame.value.pxPerM]),
)
const gridM = computed(
  () =>
    [1, 5, 10].map(count => count * round.value.unitM).find(gridM => gridM * frame.value.pxPerM > 14) ??
    50 * round.value.unitM,
)
const lines = computed(() => {
  const marks = (from: number, pxs: number) =>
    Array.from(
      { length: Math.floor(pxs / frame.value.pxPerM / gridM.value) + 1 },
      (_, at) => (Math.ceil(from / gridM.value) + at) * gridM.value,
    )
  return { xs: marks(frame.value.left, WIDTH - EDGE), ys: marks(frame.value.bottom, HEIGHT - EDGE) }
})
const boxOf = (rectangle: { xM: number; yM: number; lengthM: number; widthM: number }) => ({
  x: x.value(rectangle.xM),
  y: y.value(rectangle.yM + rectangle.widthM),
  width: rectangle.lengthM * frame.value.pxPerM,
  height: rectangle.widthM * frame.value.pxPerM,
})
const words = (rectangle: { xM: number; yM: number; lengthM: number; widthM: number }) =>
  `${show(rectangle.lengthM, 'length')} by ${show(rectangle.widthM, 'length')}, ` +
  `${show(rectangle.xM, 'length')} along and ${show(rectangle.yM, 'length')} up`
const sides = (rectangle: PlanRectangle) => `${show(rectangle.lengthM, 'length')} × ${show(rectangle.widthM, 'length')}`
const placeOf = ({ piece }: PlanRectangle) => props.roof.pieces.findIndex(each => each.id === piece) + 1
const spoken = (rectangle: PlanRectangle) =>
  `${sides(rectangle)}: ${rectangle.cut ? 'cut-out' : 'rectangle'} ${placeOf(rectangle)}, ` +
  `${show(rectangle.xM, 'length')} along and ${show(rectangle.yM, 'length')} up. ` +
  'Arrows move it, Shift and arrows stretch it, C cuts, Delete takes it out.'
const ringPath = (part: [number, number][][]) =>
  part.map(ring => `M${ring.map(([east, north]) => `${x.value(east)} ${y.value(north)}`).join('L')}Z`).join('')

const snap = (value: number) => Math.round(Math.round(value / round.value.stepM) * round.value.stepM * 10000) / 10000
const pointAt = (event: PointerEvent) => {
  const box = plan.value!.getBoundingClientRect()
  return {
    xM: snap(x.value.invert(((event.clientX - box.left) * WIDTH) / box.width)),
    yM: snap(y.value.invert(((event.clientY - box.top) * HEIGHT) / box.height)),
  }
}

function put(piece: string, change: Partial<Pick<PlanRectangle, 'xM' | 'yM' | 'lengthM' | 'widthM' | 'cut'>>): void {
  const was = rectangles.value.find(rectangle => rectangle.piece === piece)!
  const fields = { xM: was.xM, yM: was.yM, ...change }
  const problem = store.makeAll(
    Object.entries(fields).map(([field, value]) => setField('piece', piece, field, value)),
    `Move a piece of ${props.roof.name}`,
    `piece:${piece}`,
  )
  said.value = problem ?? words({ ...was, ...change })
}
function takeOut(piece: string): void {
  if (props.roof.pieces.length === 1) return void (said.value = 'A roof keeps its last rectangle.')
  said.value = store.make(moveOf('remove', { id: piece })) ?? 'Taken out.'
  picked.value = undefined
}
function add(piece: { xM: number; yM: number; lengthM: number; widthM: number }): void {
  const problem = store.make(moveOf('addRoofPiece', { roof: props.roof.id, ...piece, cut: cutting.value || undefined }))
  said.value = problem ?? `${cutting.value ? 'Cut out' : 'Added'}: ${words(piece)}.`
  if (!problem) picked.value = store.site!.roofs.find(roof => roof.id === props.roof.id)!.pieces.at(-1)!.id
}
/** By key, a new rectangle begins beside the others, a cut in the middle of the first. */
function addByKey(): void {
  const first = rectangles.value.find(rectangle => !rectangle.cut)
  const right = Math.max(
    0,
    ...rectangles.value.filter(rectangle => !rectangle.cut).map(rectangle => rectangle.xM + rectangle.lengthM),
  )
  const { sideM, cutM } = round.value
  if (cutting.value && first)
    add({
      xM: snap(first.xM + (first.lengthM - cutM) / 2),
      yM: snap(first.yM + (first.widthM - cutM) / 2),
      lengthM: cutM,
      widthM: cutM,
    })
  else add({ xM: right, yM: 0, lengthM: sideM, widthM: sideM })
}

/** Follows a pointer from where it went down; `onEnd` hears whether it was let go or lost. */
function follow(
  event: PointerEvent,
  onMove: (at: { xM: number; yM: number }) => void,
  onEnd: (done: boolean) => void,
): void {
  if (event.button !== 0) return
  held.value = frame.value
  const target = plan.value!
  target.setPointerCapture(event.pointerId)
  const move = (next: PointerEvent) => onMove(pointAt(next))
  const end = (last: PointerEvent) => {
    target.removeEventListener('pointermove', move)
    target.removeEventListener('pointerup', end)
    target.removeEventListener('pointercancel', end)
    held.value = undefined
    onEnd(last.type === 'pointerup')
    store.settle()
  }
  target.addEventListener('pointermove', move)
  target.addEventListener('pointerup', end)
  target.addEventListener('pointercancel', end)
}
function drawFrom(event: PointerEvent): void {
  const start = pointAt(event)
  picked.value = undefined
  follow(
    event,
    at => {
      drawn.value = {
        xM: Math.min(start.xM, at.xM),
        yM: Math.min(start.yM, at.yM),
        lengthM: snap(Math.abs(at.xM - start.xM)),
        widthM: snap(Math.abs(at.yM - start.yM)),
      }
    },
    done => {
      const piece = drawn.value
      drawn.value = undefined
      if (done && piece && piece.lengthM >= round.value.stepM && piece.widthM >= round.value.stepM) add(piece)
    },
  )
}
/** A cut begins on the roof; anything else that is pressed there is moved. */
function dragFrom(event: PointerEvent, rectangle: PlanRectangle): void {
  if (cutting.value && !rectangle.cut) return drawFrom(event)
  picked.value = rectangle.piece
  const start = pointAt(event)
  follow(
    event,
    at =>
      put(rectangle.piece, {
        xM: snap(rectangle.xM - rectangle.copy * (rectangle.lengthM + PLAN_GAP_M) + at.xM - start.xM),
        yM: snap(rectangle.yM + at.yM - start.yM),
      }),
    () => {},
  )
}
function stretchFrom(event: PointerEvent, rectangle: PlanRectangle): void {
  follow(
    event,
    at =>
      put(rectangle.piece, {
        lengthM: Math.max(round.value.stepM, snap(at.xM - rectangle.xM)),
        widthM: Math.max(round.value.stepM, snap(at.yM - rectangle.yM)),
      }),
    () => {},
  )
}
function onKey(event: KeyboardEvent, rectangle: PlanRectangle): void {
  const { stepM } = round.value
  const [right, up] = { ArrowRight: [stepM, 0], ArrowLeft: [-stepM, 0], ArrowUp: [0, stepM], ArrowDown: [0, -stepM] }[
    event.key
  ] ?? [0, 0]
  if (right || up) {
    const base = rectangles.value.find(other => other.piece === rectangle.piece)!
    put(
      rectangle.piece,
      event.shiftKey
        ? {
            lengthM: Math.max(round.value.stepM, snap(base.lengthM + right!)),
            widthM: Math.max(round.value.stepM, snap(base.widthM + up!)),
          }
        : { xM: snap(base.xM + right!), yM: snap(base.yM + up!) },
    )
  } else if (event.key === 'c') put(rectangle.piece, { cut: !rectangle.cut })
  else if (event.key === 'Delete' || event.key === 'Backspace') takeOut(rectangle.piece)
  else return
  event.preventDefault()
  event.stopPropagation()
}
</script>

<template>
  <figure class="plan">
    <svg
      ref="plan"
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="group"
      :aria-label="`Plan of ${roof.name}`"
      @pointerdown.self="byOutline ? undefined : drawFrom($event)"
    >
      <g class="grid" aria-hidden="true">
        <line v-for="at in lines.xs" :key="`x${at}`" :x1="x(at)" :x2="x(at)" y1="0" :y2="HEIGHT - EDGE" />
        <line v-for="at in lines.ys" :key="`y${at}`" :x1="EDGE" :x2="WIDTH" :y1="y(at)" :y2="y(at)" />
      </g>
      <path v-for="(part, at) in rings" :key="`ring${at}`" :d="ringPath(part)" class="cover" fill-rule="evenodd" />
      <template v-if="!byOutline">
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
      <template v-if="byOutline">From the outline; its rectangles are kept and count no more.</template>
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
