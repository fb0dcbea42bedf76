<script setup lang="ts">
import { straightAxis } from '~/charts/straightAxis'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import { followPointer } from '~/fields/followPointer'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import { area, line } from 'd3-shape'
import { moveOf } from '#core/moves'
import { sizesSoldL } from '#core/catalog'
import { payingSizeL, type Pool, type SizePoint } from '#core/balance'

/**
 * How big? A figure of the middle or of a mean year against the size of a tank or group, the band of good and bad years, and a handle
 * that makes it so.
 */
const props = defineProps<{ pool: Pool }>()
const store = useSite()
const { litres, litreTicks, money } = useUnits()
const { answer: curve, failure, again } = useAnswer('sizes', () => ({ pool: props.pool.id }))
const [WIDTH, HEIGHT, LEFT, RIGHT, FOOT] = [420, 190, 60, 14, 30]

const SHOWN = {
  days: {
    name: 'days short',
    of: (point: SizePoint) => point.band[1],
    text: (value: number) =>
      value < 0.05 ? 'no day' : value < 9.95 ? `${value.toFixed(1)} days` : `${Math.round(value)} days`,
  },
  unmet: { name: 'water wanting', of: (point: SizePoint) => point.shortL, text: litres },
  brought: { name: 'water from wells, mains and carts', of: (point: SizePoint) => point.broughtL, text: litres },
  price: { name: 'what the tanks cost', of: (point: SizePoint) => point.price, text: money },
}
/** While a size is dragged the chart keeps the scale it had. */
const held = shallowRef<{ points: SizePoint[]; capL: number }>()
const points = computed(() => held.value?.points ?? curve.value ?? [])
const chosen = ref<keyof typeof SHOWN>()
/** Where nothing ever goes short, what must be brought for it is what a size changes. */
const shown = computed(
  () =>
    chosen.value ??
    (points.value.length &&
    points.value.every(point => point.shortDays < 0.05) &&
    points.value.some(point => point.broughtL > 1)
      ? 'brought'
      : 'days'),
)
const figure = computed(() => SHOWN[shown.value])
const most = computed(() =>
  Math.max(1, ...points.value.map(point => (shown.value === 'days' ? point.band[2] : figure.value.of(point)))),
)
const x = computed(() => straightAxis([0, points.value.at(-1)?.capL ?? 1], [LEFT, WIDTH - RIGHT]))
const y = computed(() => straightAxis([0, most.value], [HEIGHT - FOOT, 12], true))
const path = computed(
  () =>
    line<SizePoint>(
      point => x.value(point.capL),
      point => y.value(figure.value.of(point)),
    )(points.value) ?? '',
)
const bandPath = computed(() =>
  shown.value === 'days'
    ? (area<SizePoint>(
        point => x.value(point.capL),
        point => y.value(point.band[0]),
        point => y.value(point.band[2]),
      )(points.value) ?? '')
    : '',
)
const pays = computed(() => (points.value.length ? payingSizeL(points.value) : undefined))

/** A figure at a size, between the points of the curve. */
function at(capL: number, of: (point: SizePoint) => number): number | undefined {
  const above = points.value.findIndex(point => point.capL >= capL - 1e-6)
  if (above < 0) return undefined
  const [low, high] = [points.value[Math.max(0, above - 1)]!, points.value[above]!]
  return high.capL > low.capL
    ? of(low) + (of(high) - of(low)) * Math.max(0, (capL - low.capL) / (high.capL - low.capL))
    : of(high)
}
const now = computed(() => ({
  capL: props.pool.capL,
  value: at(props.pool.capL, figure.value.of) ?? 0,
  band: ([0, 1, 2] as const).map(each => at(props.pool.capL, point => point.band[each]) ?? 0),
}))
/** Other sizes worth marking: those nearest that one tank is sold in; for a group, more or fewer tanks like these. */
const marks = computed(() => {
  const { tanks, capL, nominalL } = props.pool
  const near = (size: number) => Math.abs(Math.log(size / nominalL))
  const of = (more: number, name: string) => ({
    name: `${name}, ${litres(capL * (1 + more / tanks.length))}`,
    size: capL * (1 + more / tanks.length),
  })
  const sold =
    tanks.length > 1
      ? []
      : sizesSoldL(tanks[0]!.tankKind, store.system)
          .filter(size => near(size) > 0.05)
          .sort((one, other) => near(one) - near(other))
          .slice(0, 3)
          .sort((one, other) => one - other)
  const sizes = [
    ...sold.map(size => ({ name: `sold as ${litres(size)}`, size: (size * capL) / nominalL })),
    ...(tanks.length > 1 ? [of(-1, 'one tank fewer')] : []),
    of(1, 'one more of the same'),
    ...(tanks.length > 1 ? [of(2, 'two more')] : []),
  ]
  return sizes.flatMap(({ name, size }) => {
    const value = at(size, figure.value.of)
    return value === undefined ? [] : [{ name, size, value }]
  })
})

/** Marks of the upright axis: round in days, in money, or in what water is measured in. */
const marksUp = computed(() =>
  shown.value === 'days' || shown.value === 'price'
    ? y.value.marks(4).map(value => ({ value, text: shown.value === 'days' ? String(value) : money(value) }))
    : litreTicks(y.value.most, 4).map(({ litres: value, text }) => ({ value, text })),
)
const grab = useTemplateRef('grab')
const key = computed(() => `size:${props.pool.tanks[0]!.id}`)
function widen(capL: number): void {
  const share = Math.max(0.02, capL / props.pool.capL)
  store.make(moveOf('widenTanks', { tanks: props.pool.tanks.map(tank => tank.id), share }), key.value)
}
function onPointerdown(event: PointerEvent): void {
  grab.value?.focus()
  if (event.button !== 0 || !points.value.length) return
  const target = event.currentTarget as SVGElement
  const svg = target.ownerSVGElement!
  held.value = { points: points.value, capL: props.pool.capL }
  const onMove = (move: PointerEvent) => {
    const { left, width } = svg.getBoundingClientRect()
    const capL = x.value.at(((move.clientX - left) / width) * WIDTH)
    const wanted = Math.min(points.value.at(-1)!.capL, Math.max(points.value[0]!.capL, Math.round(capL / 50) * 50))
    if (Math.abs(wanted - props.pool.capL) > 20) widen(wanted)
  }
  const onEnd = () => {
    held.value = undefined
    store.settle()
  }
  followPointer(event, target, onMove, onEnd)
}
function onKeydown(event: KeyboardEvent): void {
  const steps = {
    ArrowRight: 1.05,
    ArrowUp: 1.05,
    ArrowLeft: 1 / 1.05,
    ArrowDown: 1 / 1.05,
    PageUp: 1.25,
    PageDown: 0.8,
  }[event.key]
  if (!steps) return
  event.preventDefault()
  widen(props.pool.capL * steps)
}
const choices = Object.entries(SHOWN).map(([value, { name }]) => ({ value: value as keyof typeof SHOWN, name }))
</script>

<template>
  <AnswerFailure :failure="failure" what="The sizes" :again="again" />
  <figure v-if="points.length" class="size" :data-pool="pool.id">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`">
      <title>{{ figure.name }} against the size of {{ pool.name }}</title>
      <g class="axis">
        <template v-for="tick in marksUp" :key="tick.value">
          <path :d="`M${LEFT} ${y(tick.value)} H${WIDTH - RIGHT}`" />
          <text :x="LEFT - 5" :y="y(tick.value) + 4" text-anchor="end">{{ tick.text }}</text>
        </template>
        <text
          v-for="tick in litreTicks(points.at(-1)!.capL, 4)"
          :key="`x${tick.litres}`"
          :x="x(tick.litres)"
          :y="HEIGHT - FOOT + 14"
          text-anchor="middle"
        >
          {{ tick.text }}
        </text>
      </g>
      <path v-if="bandPath" :d="bandPath" class="band" />
      <path v-if="pays !== undefined && shown === 'days'" :d="`M${x(pays)} 12 V${HEIGHT - FOOT}`" class="pays" />
      <path :d="path" class="curve" />
      <circle v-for="mark in marks" :key="mark.name" :cx="x(mark.size)" :cy="y(mark.value)" r="3.5" class="other" />
      <g
        ref="grab"
        class="now"
        role="slider"
        tabindex="0"
        :aria-label="`Size of ${pool.name}`"
        :aria-valuenow="Math.round(now.capL)"
        :aria-valuemin="Math.round(points[0]!.capL)"
        :aria-valuemax="Math.round(points.at(-1)!.capL)"
        :aria-valuetext="`${litres(now.capL)}: ${figure.text(now.value)}`"
        @pointerdown.prevent="onPointerdown"
        @keydown="onKeydown"
      >
        <path :d="`M${x(now.capL)} 12 V${HEIGHT - FOOT}`" class="stem" />
        <circle :cx="x(now.capL)" :cy="y(now.value)" r="12" class="reach" />
        <circle :cx="x(now.capL)" :cy="y(now.value)" r="6" class="dot" />
      </g>
    </svg>
    <figcaption class="small">
      <b>How big?</b>{{ ' ' }}
      <ChoiceField label="What the curve shows" :value="shown" :choices="choices" :set="value => (chosen = value)" />
      {{ shown === 'days' ? 'in the middle year' : shown === 'price' ? '' : 'in a mean year' }}. As it is,
      {{ litres(now.capL) }}: <b class="figure">{{ figure.text(now.value) }}</b><template v-if="shown === 'days'"
        >; a good year {{ Math.round(now.band[0]!) }}, a bad one {{ Math.round(now.band[2]!) }} (one in ten is better,
        one in ten worse)</template
      >.
      <template v-for="mark in marks" :key="mark.name"
        >{{ mark.name[0]!.toUpperCase() + mark.name.slice(1) }}: <b class="figure">{{ figure.text(mark.value) }}</b>.
      </template>
      <span class="soft"
        ><template v-if="pays !== undefined"
          >Past {{ litres(pays) }} the next {{ litres(1000) }} spare less than a day a year. </template
        ><template v-else-if="points[0]!.shortDays < 0.05">Nothing goes short at any size drawn here. </template>Drag
        the mark, or use the arrow keys, to make it so: it grows in width, its heights stay.</span
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.size {
  margin: 6px 0 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: center;
}
svg {
  flex: 1 1 340px;
  max-width: 420px;
  min-width: 0;
  touch-action: none;
}
.axis path {
  stroke: var(--hair);
}
text {
  font: 11px var(--text);
  fill: var(--soft);
  font-variant-numeric: tabular-nums;
}
.band {
  fill: var(--water);
  opacity: 0.35;
}
.curve {
  fill: none;
  stroke: var(--water-deep);
  stroke-width: 2.4;
}
.pays {
  stroke: var(--moss);
  stroke-dasharray: 4 3;
  stroke-width: 1.4;
}
.other {
  fill: var(--sheet);
  stroke: var(--water-deep);
  stroke-width: 1.6;
}
.now {
  cursor: ew-resize;
  outline-offset: 0;
}
.stem {
  stroke: var(--oak);
  stroke-width: 1;
  opacity: 0.55;
}
.dot {
  fill: var(--oak);
}
.reach {
  fill: transparent;
}
.now:focus-visible .dot {
  stroke: var(--oak);
  stroke-width: 5;
  stroke-opacity: 0.35;
}
figcaption {
  flex: 1 1 320px;
  max-width: 46ch;
  line-height: 1.6;
}
</style>
