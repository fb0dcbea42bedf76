<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { scaleBand, scaleLinear } from 'd3-scale'
import { monthNames } from '#core/words'
import { MONTH_NAMES } from '#core/units'
import { meanMonths } from '#core/balance'

/** What is asked against what comes to the tanks, month by month, in one picture; and what they must carry over. */
const results = useResults()
const { litreTicks, litres } = useUnits()
const [WIDTH, HEIGHT, LEFT, FOOT] = [760, 190, 62, 20]
const months = computed(() => results.outlook && meanMonths(results.outlook))
const asked = computed(() => months.value?.askedL ?? [])
const given = computed(() => months.value?.comesL ?? [])
const x = scaleBand(
  MONTH_NAMES.map((_, month) => month),
  [LEFT, WIDTH],
).paddingInner(0.18)
const y = computed(() => scaleLinear([0, Math.max(1, ...asked.value, ...given.value)], [HEIGHT - FOOT, 8]))
const wanting = computed(() =>
  asked.value.flatMap((litres, month) => (litres > given.value[month]! ? [month + 1] : [])),
)
const carriedL = computed(() =>
  asked.value.reduce((sum, litres, month) => sum + Math.max(0, litres - given.value[month]!), 0),
)
const usable = computed(() => results.pools?.reduce((sum, pool) => sum + pool.usableL, 0))
const total = (months: number[]) => months.reduce((sum, litres) => sum + litres, 0)
</script>

<template>
  <figure v-if="months" class="need-picture">
    <svg
      :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
      role="img"
      :aria-label="`Asked ${litres(total(asked))} a year, ${litres(total(given))} come off the roofs`"
    >
      <g class="axis">
        <template v-for="{ litres: tick, text } in litreTicks(y.domain()[1]!, 4)" :key="tick">
          <path :d="`M${LEFT} ${y(tick)} H${WIDTH}`" />
          <text :x="LEFT - 6" :y="y(tick) + 4" text-anchor="end">{{ text }}</text>
        </template>
      </g>
      <g v-for="(name, month) in MONTH_NAMES" :key="name">
        <title>{{ name }}: asked {{ litres(asked[month]!) }}, {{ litres(given[month]!) }} come off the roofs</title>
        <rect
          :x="x(month)"
          :width="x.bandwidth()"
          :y="y(given[month]!)"
          :height="HEIGHT - FOOT - y(given[month]!)"
          class="given"
        />
        <rect
          v-if="asked[month]! > given[month]!"
          :x="x(month)! + x.bandwidth() * 0.3"
          :width="x.bandwidth() * 0.4"
          :y="y(asked[month]!)"
          :height="y(given[month]!) - y(asked[month]!)"
          class="wanting"
        />
        <path :d="`M${x(month)! - 2} ${y(asked[month]!)} h${x.bandwidth() + 4}`" class="asked" />
        <text :x="x(month)! + x.bandwidth() / 2" :y="HEIGHT - 6" text-anchor="middle">{{ name.slice(0, 3) }}</text>
      </g>
    </svg>
    <figcaption class="small">
      <span class="key given-key" /> what comes off the roofs to the tanks in a mean year,
      <b class="figure">{{ litres(total(given)) }}</b> · <span class="key asked-key" /> what is asked,
      <b class="figure">{{ litres(total(asked)) }}</b>.
      <template v-if="wanting.length">
        {{ monthNames(wanting) }} ask <b class="figure">{{ litres(carriedL) }}</b> more than comes then: that is what
        tanks must carry over, or wells and mains bring<template v-if="usable !== undefined"
          >; full, the tanks have {{ litres(usable) }}</template
        >.</template
      >
      <template v-else-if="total(asked) > 0">
        Every mean month brings what it asks; tanks only have to bridge the dry spells within it.</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
.need-picture {
  margin: 2px 0 8px;
  max-width: 860px;
}
svg {
  width: 100%;
  display: block;
}
.axis path {
  stroke: var(--hair);
}
text {
  font: 11.5px var(--text);
  fill: var(--soft);
  font-variant-numeric: tabular-nums;
}
.given {
  fill: var(--water);
}
.wanting {
  fill: none;
  stroke: var(--oak);
  stroke-width: 1.4;
  stroke-dasharray: 3 3;
}
.asked {
  stroke: var(--oak);
  stroke-width: 3;
}
.key {
  display: inline-block;
  width: 14px;
  height: 9px;
  vertical-align: baseline;
}
.given-key {
  background: var(--water);
}
.asked-key {
  border-top: 3px solid var(--oak);
  height: 4px;
}
figcaption {
  line-height: 1.5;
  max-width: 80ch;
}
</style>
