<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { monthNames } from '#core/words'
import { MONTH_NAMES } from '#core/units'
import { meanMonths } from '#core/balance'

/** What is asked against what comes to the tanks, month by month, in one picture; and what they must carry over. */
const results = useResults()
const { litres } = useUnits()
const months = computed(() => results.outlook && meanMonths(results.outlook))
const asked = computed(() => months.value?.askedL ?? [])
const given = computed(() => months.value?.comesL ?? [])
const wanting = computed(() =>
  asked.value.flatMap((litres, month) => (litres > given.value[month]! ? [month + 1] : [])),
)
const carriedL = computed(() =>
  asked.value.reduce((sum, litres, month) => sum + Math.max(0, litres - given.value[month]!), 0),
)
const usable = computed(() => results.pools?.reduce((sum, pool) => sum + pool.usableL, 0))
const total = (months: number[]) => months.reduce((sum, litres) => sum + litres, 0)
const axes: PlotAxes = {
  x: {
    from: -0.5,
    until: 11.5,
    marks: MONTH_NAMES.map((_, month) => month),
    mostMarks: 12,
    text: month => MONTH_NAMES[Math.round(month)]!.slice(0, 3),
  },
  y: { kind: 'volume', per: 'a month', from: 0 },
}
const byMonth = (litres: readonly number[]) => litres.map((y, x) => ({ x, y }))
const curves = computed((): Series[] => [
  { draws: 'bars', label: 'comes off the roofs', colour: 'water', narrow: true, points: byMonth(given.value) },
  { draws: 'levels', label: 'is asked', colour: 'oak', points: byMonth(asked.value) },
])
</script>

<template>
  <figure v-if="months" class="need-picture">
    <Plot
      :axes="axes"
      :series="curves"
      :height-px="210"
      :spoken="`Asked ${litres(total(asked))} a year, ${litres(total(given))} come off the roofs`"
    />
    <figcaption class="small">
      <span class="key given-key" /> what comes off the roofs to the tanks in a mean year,
      <b class="figure">{{ litres(total(given)) }}</b> · <span class="key asked-key" /> what is asked,
      <b class="figure">{{ litres(total(asked)) }}</b>.
      <template v-if="wanting.length">
        <template v-if="wanting.length === 12"
          >No month brings what it asks: <b class="figure">{{ litres(carriedL) }}</b> a year must come from elsewhere,
          from wells and mains</template
        ><template v-else
          >{{ monthNames(wanting) }} {{ wanting.length === 1 ? 'asks' : 'ask' }}
          <b class="figure">{{ litres(carriedL) }}</b> more than comes then: that is what tanks must carry over, or
          wells and mains bring</template
        ><template v-if="usable !== undefined">; full, the tanks have {{ litres(usable) }}</template
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
