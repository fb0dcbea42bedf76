<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { useUnits } from '~/fields/useUnits'
import { useAnswer } from '~/stores/useAnswer'
import { parseQuantity } from '#core/units'
import type { Cover, Pool } from '#core/balance'

/** How big for it? The share of cuts that are bridged against the size of one tank or group. */
const props = defineProps<{ cover: Cover; pool: Pool }>()
const { litres, show, span, system } = useUnits()
const {
  answer: curve,
  failure,
  again,
} = useAnswer('coverSizes', () => ({ outage: props.cover.id, pool: props.pool.id }))
const points = computed(() => curve.value ?? [])
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
const axes = computed((): PlotAxes => ({
  x: { words: 'size', kind: 'volume', byShares: true, marks: ticks.value, until: points.value.at(-1)!.capL },
  y: { words: 'bridged', from: 0, until: 1, text: share => show(share, 'share') },
}))
const curves = computed((): Series[] => [
  {
    draws: 'line',
    label: 'outages bridged',
    colour: 'main',
    points: points.value.map(({ capL, bridgedShare }) => ({ x: capL, y: bridgedShare })),
  },
  { draws: 'dots', label: 'the plan', colour: 'oak', points: [{ x: now.value.capL, y: now.value.share }] },
])
</script>

<template>
  <AnswerFailure :failure="failure" what="The sizes" :again="again" />
  <figure v-if="points.length" class="curve" :data-cover="cover.id">
    <Plot
      :axes="axes"
      :series="curves"
      :height-px="170"
      :spoken="`Share of outages bridged against the size of ${pool.name}`"
    />
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
</style>
