<script setup lang="ts">
import { counted } from '#core/words'
import { choicesOf } from '~/fields/choices'
import { dayAndMonth } from '~/fields/dayWords'
import MonthBars from '~/charts/MonthBars.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import ShiftNotes from '~/steps/catch/ShiftNotes.vue'
import SpreadNotes from '~/steps/catch/SpreadNotes.vue'
import StormNotes from '~/steps/catch/StormNotes.vue'
import { useSite } from '~/stores/site'
import { MONTH_NAMES } from '#core/units'
import { frostDepthInput, frostDepthM, isWarmthGuessed, weatherMonths } from '#core/site'
import { frostDepth } from '#core/sums'
import { moveOf, standInClimate, setField } from '#core/moves'
import { isoDate, longestDrySpell, weatherSeries } from '#core/climate'
import { CLIMATE_IDS, CLIMATES, type ClimateId } from '#core/catalog'

/**
 * The weather the plan runs on: a stand-in, typed months, a record from a file or from the weather service; and how
 * it is shifted.
 */
const store = useSite()
const { show } = useUnits()
const [reading, asking] = [ref(false), ref(false)]
const LazyRecordDialog = defineAsyncComponent(() => import('~/steps/catch/RecordDialog.vue'))
const fetched = ref<{ name: string; text: string; endsOn: string }>()
const LazyWeatherDialog = defineAsyncComponent(() => import('~/steps/catch/WeatherDialog.vue'))
const climate = computed(() => store.site!.climate)
const months = computed(() => weatherMonths(store.site!))
const current = computed(() => climate.value.standIn ?? 'own')
const choices = computed(() => [
  ...(current.value === 'own' ? [{ value: 'own' as const, name: climate.value.source }] : []),
  ...choicesOf(CLIMATE_IDS, CLIMATES),
])

function pick(id: ClimateId | 'own'): void {
  if (id === 'own') return
  const { latitudeDeg, altitudeM } = CLIMATES[id]
  store.make(
    moveOf('setClimate', {
      climate: { ...standInClimate(id), shift: climate.value.shift },
      place: { latitudeDeg, altitudeM },
    }),
  )
}
/** Typing a month makes the climate the person's own; with a record the months only tell what it holds. */
function setMonth(month: number, field: 'rainMm' | 'wetDays' | 'tMinC' | 'tMaxC') {
  return (value: number) => {
    const months = climate.value.months.map((entry, index) => (index === month ? { ...entry, [field]: value } : entry))
    return store.make(
      moveOf('setClimate', {
        climate: climate.value.daily
          ? { ...climate.value, months }
          : { ...climate.value, months, standIn: undefined, source: 'own months', assumed: stillAssumed(field) },
      }),
    )
  }
}
/** What somebody has typed of a kind is a guess no more. */
function stillAssumed(field: (typeof ROWS)[number]['field']) {
  const told = field === 'wetDays' ? 'wetDays' : field === 'rainMm' ? undefined : 'temperatures'
  const left = climate.value.assumed?.filter(each => each !== told)
  return left?.length ? left : undefined
}
const SIDES = [
  { value: 'north' as const, name: 'north' },
  { value: 'south' as const, name: 'south' },
]
const turn = (side: 'north' | 'south') =>
  (side === 'south') === store.site!.place.latitudeDeg < 0 ? undefined : store.make(moveOf('turnHemisphere', {}))
const rains = computed(() => months.value.map(({ rainMm }) => rainMm))
const wettest = computed(() => rains.value.indexOf(Math.max(...rains.value)))
const driestMonth = computed(() => rains.value.indexOf(Math.min(...rains.value)))
const ROWS = [
  { field: 'rainMm', name: 'Rain', kind: 'rain' },
  { field: 'wetDays', name: 'Wet days', kind: 'count' },
  { field: 'tMinC', name: 'Coolest', kind: 'temperature' },
  { field: 'tMaxC', name: 'Warmest', kind: 'temperature' },
] as const
const recordText = computed(() =>
  climate.value.daily ? `${climate.value.daily.rainMm.length} days from ${climate.value.daily.start}` : undefined,
)
const set = (field: string, value: unknown) => store.make(setField('site', '', `climate.${field}`, value))
const dropRecord = () => {
  const { daily: _daily, runOn: _runOn, standIn: _standIn, ...rest } = climate.value
  store.make(moveOf('setClimate', { climate: { ...rest, source: 'own months' } }))
}
const RUNS = [
  { value: 'record' as const, name: 'on the record itself' },
  { value: 'made' as const, name: 'on thirty years made up from it' },
]
const driest = computed(() => {
  const series = weatherSeries(store.site!)
  const { days, from } = longestDrySpell(series.rainMm)
  const iso = isoDate(series.startDay + from)
  const day = dayAndMonth(iso)
  return { days, made: series.made, from: series.made ? day : `${day} ${iso.slice(0, 4)}` }
})

function useFetched(record: { name: string; text: string; endsOn: string }): void {
  fetched.value = record
  asking.value = false
  reading.value = true
}
function readFile(): void {
  fetched.value = undefined
  reading.value = true
}
</script>

<template>
  <div class="climate">
    <h2>The weather it runs on</h2>
    <p>
      <ChoiceField label="Climate" :value="current" :choices="choices" :set="pick" />
      <template v-if="recordText"
        >: a record of {{ recordText }}, run
        <ChoiceField
          label="What the plan runs on"
          :value="climate.runOn ?? 'record'"
          :choices="RUNS"
          :set="value => set('runOn', value)"
        />. <button type="button" class="plain" @click="dropRecord">Use its months only</button></template
      >
      <template v-else>: days are made up from these months, the same every time.</template>
      The driest spell {{ driest.made ? 'of the made-up years' : 'on record' }}:
      <b class="figure">{{ counted(driest.days, 'day') }}</b> from {{ driest.from }}. Latitude
      <QuantityField
        label="Latitude"
        kind="angle"
        :value="store.site!.place.latitudeDeg"
        :set="value => store.make(setField('site', '', 'place.latitudeDeg', value))"
      />,
      <ChoiceField
        label="Side of the equator"
        :value="store.site!.place.latitudeDeg < 0 ? 'south' : 'north'"
        :choices="SIDES"
        :set="side => turn(side)"
      />
      of the equator: wettest in {{ MONTH_NAMES[wettest] }}, driest in {{ MONTH_NAMES[driestMonth] }}. The frost goes
      <QuantityField
        label="Frost depth"
        kind="length"
        :value="frostDepthM(store.site!)"
        :set="value => store.make(setField('site', '', 'place.frostDepthM', value))"
      />
      deep<template v-if="store.site!.place.frostDepthM !== undefined">
        (<button type="button" class="plain" @click="store.make(setField('site', '', 'place.frostDepthM', undefined))">
          by its months</button
        >:
        <SumFigure name="frost-depth" :input="{ ...frostDepthInput(store.site!) }">{{
          show(frostDepth(frostDepthInput(store.site!)).depthM, 'length')
        }}</SumFigure>)</template
      ><template v-else>
        by <SumFigure name="frost-depth" :input="{ ...frostDepthInput(store.site!) }">how cold its months are</SumFigure
        >{{ isWarmthGuessed(store.site!) ? ', which are guessed from the latitude' : '' }}</template
      >.
    </p>
    <SpreadNotes />
    <StormNotes />
    <ShiftNotes />
    <MonthBars :values="months.map(month => month.rainMm)" label="Rain by month" :show="value => show(value, 'rain')" />
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <th scope="col"><span class="unseen">Figure</span></th>
            <th v-for="name in MONTH_NAMES" :key="name" scope="col">{{ name.slice(0, 3) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in ROWS" :key="row.field">
            <th scope="row">{{ row.name }}</th>
            <td v-for="(month, index) in climate.months" :key="index">
              <span v-if="recordText && (row.field === 'rainMm' || row.field === 'wetDays')" class="figure">{{
                show(month[row.field], row.kind)
              }}</span>
              <QuantityField
                v-else
                :label="`${row.name} in ${MONTH_NAMES[index]}`"
                :kind="row.kind"
                :value="month[row.field]"
                :set="setMonth(index, row.field)"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="moves">
      <button type="button" class="move" @click="readFile">Load a rain record</button
      ><button type="button" class="move" @click="asking = true">Ask the weather service</button>
    </div>
    <LazyRecordDialog v-if="reading" v-model="reading" :fetched="fetched" />
    <LazyWeatherDialog v-if="asking" v-model="asking" @take="useFetched" />
  </div>
</template>

<style scoped>
h2 {
  margin: 12px 0 4px;
}
p {
  line-height: 1.85;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  font-size: 13px;
}
th {
  font-weight: 400;
  color: var(--soft);
  text-align: left;
  padding: 2px 6px 2px 0;
  white-space: nowrap;
}
td {
  padding: 2px 3px;
}
</style>
