<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, PlotGrip, PlotMark, Series } from '~/charts/plot'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import { moveOf } from '#core/moves'
import { sizesSoldL } from '#core/catalog'
import { payingSizeL, type Pool, type SizePoint } from '#core/balance'

/**
 * How big? A figure of the middle or of a mean year against the size of a tank or group, the band of good and bad years, and a handle
 * that makes it so.
 */
const props = defineProps<{ pool: Pool }>()
const store = useSite()
const { litres, money } = useUnits()
const { answer: curve, failure, again } = useAnswer('sizes', () => ({ pool: props.pool.id }))

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
const held = shallowRef<SizePoint[]>()
const points = computed(() => held.value ?? curve.value ?? [])
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

const key = computed(() => `size:${props.pool.tanks[0]!.id}`)
function widen(capL: number): void {
  const share = Math.max(0.02, capL / props.pool.capL)
  store.make(moveOf('widenTanks', { tanks: props.pool.tanks.map(tank => tank.id), share }), key.value)
}
/** A size is dragged by so much at a time, L; a smaller change than the least is none. */
const [DRAG_STEP_L, LEAST_CHANGE_L] = [50, 20]
const axes = computed((): PlotAxes => {
  const last = points.value.at(-1)!.capL
  const y = {
    days: { words: 'days short' },
    price: { words: 'cost', text: money },
    unmet: { words: 'wanting', kind: 'volume' as const, per: 'a year' },
    brought: { words: 'brought', kind: 'volume' as const, per: 'a year' },
  }[shown.value]
  return { x: { words: 'size', kind: 'volume', from: 0, until: last, mostMarks: 5 }, y }
})
const curves = computed((): Series[] => [
  ...(shown.value === 'days'
    ? [
        {
          draws: 'band' as const,
          label: 'from a good year to a bad one',
          colour: 'water' as const,
          points: points.value.map(({ capL, band }) => ({ x: capL, low: band[0], high: band[2] })),
        },
      ]
    : []),
  {
    draws: 'line',
    label: figure.value.name,
    colour: 'deep',
    points: points.value.map(point => ({ x: point.capL, y: figure.value.of(point) })),
  },
  {
    draws: 'dots',
    label: 'other sizes',
    colour: 'deep',
    hollow: true,
    unnamed: true,
    points: marks.value.map(({ size, value }) => ({ x: size, y: value })),
  },
])
const stems = computed((): PlotMark[] =>
  pays.value !== undefined && shown.value === 'days' ? [{ x: pays.value, colour: 'moss' }] : [],
)
const grip = computed((): PlotGrip => ({
  x: now.value.capL,
  y: now.value.value,
  least: points.value[0]!.capL,
  most: points.value.at(-1)!.capL,
  label: `Size of ${props.pool.name}`,
  told: `${litres(now.value.capL)}: ${figure.value.text(now.value.value)}`,
  to(capL) {
    const wanted = Math.round(capL / DRAG_STEP_L) * DRAG_STEP_L
    if (Math.abs(wanted - props.pool.capL) > LEAST_CHANGE_L) widen(wanted)
  },
  byKey: share => widen(props.pool.capL * share),
  begin: () => (held.value = points.value),
  end() {
    held.value = undefined
    store.settle()
  },
}))
const choices = Object.entries(SHOWN).map(([value, { name }]) => ({ value: value as keyof typeof SHOWN, name }))
</script>

<template>
  <AnswerFailure :failure="failure" what="The sizes" :again="again" />
  <figure v-if="points.length" class="size" :data-pool="pool.id">
    <Plot
      class="plot"
      :axes="axes"
      :series="curves"
      :marks="stems"
      :grip="grip"
      :spoken="`${figure.name} against the size of ${pool.name}`"
    />
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
.plot {
  flex: 1 1 340px;
  max-width: 420px;
}
figcaption {
  flex: 1 1 320px;
  max-width: 46ch;
  line-height: 1.6;
}
</style>
