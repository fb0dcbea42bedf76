<script setup lang="ts">
import { daysAfter } from '~/fields/days'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import type { Today } from '#core/keep'

/** What came and went this week, as far as the log tells. */
const props = defineProps<{ today: Today }>()
const store = useSite()
const { show, litres } = useUnits()
const WEEK_DAYS = 7
const since = computed(() => daysAfter(-WEEK_DAYS, props.today.on))
const rains = computed(() => (store.site!.log ?? []).filter(({ kind, at }) => kind === 'rain' && at >= since.value))
const rainMm = computed(() => rains.value.reduce((sum, { value = 0 }) => sum + value, 0))
const doubted = computed(() => props.today.doubts.length)
/** A day's asking of less than this is none. */
const LEAST_L = 0.5
</script>

<template>
  <article class="card" data-week>
    <h3>This week</h3>
    <p>
      <template v-if="rains.length"
        >Rain <b>{{ show(rainMm, 'rain') }}</b>.</template
      >
      <template v-else>No rain was read.</template>
      In came <b>{{ litres(today.week.harvestL) }}</b> from the roofs<template v-if="today.week.broughtL >= 1">
        and <b>{{ litres(today.week.broughtL) }}</b> from well, main or cart</template
      >; out went <b>{{ litres(today.week.usedL) }}</b> used<template v-if="today.week.spilledL >= 1">
        and <b>{{ litres(today.week.spilledL) }}</b> spilled</template
      >.
    </p>
    <p>
      To be drawn in the days to come: <b>{{ litres(today.drawnLPerDay) }}</b> a day; the plan asked
      {{ today.plannedLPerDay < LEAST_L ? 'for nothing' : litres(today.plannedLPerDay) }} of late.
    </p>
    <p v-if="doubted" class="soft small">
      {{ doubted === 1 ? 'One line of the log is' : `${doubted} lines of the log are` }} not believed; see the log.
    </p>
  </article>
</template>

<style scoped>
p {
  margin: 0 0 6px;
}
</style>
