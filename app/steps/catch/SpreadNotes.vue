<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { annualSpreadShare } from '#core/site'
import { setField } from '#core/moves'
import { dayNumber, driestYears, weatherSeries, yearSpreadShare } from '#core/climate'

/** How much one year's rain differs from another's, in the climate and in the days the plan runs on; and a dry run. */
const IN_A_ROW = 3
const store = useSite()
const results = useResults()
const { show } = useUnits()
const climate = computed(() => store.site!.climate)
const series = computed(() => weatherSeries(store.site!))
const spread = computed(() => annualSpreadShare(store.site!))
const source = computed(() =>
  climate.value.annualSpreadShare !== undefined
    ? 'as you said'
    : climate.value.standIn
      ? 'as in the stand-in'
      : 'by rule: the drier, the less alike',
)
const record = computed(() => {
  const { daily } = climate.value
  return daily && yearSpreadShare(dayNumber(daily.start), daily.rainMm)
})
const made = computed(() =>
  series.value.made ? yearSpreadShare(series.value.startDay, series.value.rainMm) : undefined,
)
const dry = computed(() => driestYears(series.value, IN_A_ROW))
const dryNames = computed(() => {
  const { years, made } = series.value
  const { first } = dry.value!
  return made
    ? `made-up years ${first + 1} to ${first + IN_A_ROW}`
    : `${years[first]!.year} to ${years[first + IN_A_ROW - 1]!.year}`
})
const set = (value: number) => store.make(setField('site', '', 'climate.annualSpreadShare', value))
</script>

<template>
  <p>
    One year’s rain differs from another’s by
    <QuantityField label="Spread of the years" kind="share" :value="spread" :set="set" />
    of the mean, {{ source }} (two years in three lie within that)<template v-if="record !== undefined"
      >; those of the record by {{ show(record, 'share') }}</template
    ><template v-if="made !== undefined">; the made-up ones by {{ show(made, 'share') }}</template
    >.
    <template v-if="dry">
      The driest three in a row, {{ dryNames }}, bring <b class="figure">{{ show(dry.belowShare, 'share') }}</b> less
      than the mean: <button type="button" class="plain" @click="results.choice = dry.first">look at the first</button>.
    </template>
  </p>
</template>

<style scoped>
p {
  line-height: 1.85;
}
</style>
