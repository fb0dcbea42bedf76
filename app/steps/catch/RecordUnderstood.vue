<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import { useUnits } from '~/fields/useUnits'
import { groupDigits } from '#core/units'
import {
  RAIN_UNITS,
  type DateOrder,
  type GapFill,
  type RainUnit,
  type RecordChoices,
  type RecordReading,
} from '#core/climate'

/** How a record was understood, each reading to be put right, and what it holds. */
const props = defineProps<{ reading: RecordReading }>()
const emit = defineEmits<{ choose: [RecordChoices] }>()
const choose = (change: RecordChoices) => emit('choose', change)
const { show } = useUnits()

const columnChoices = computed(() => {
  const width = Math.max(
    props.reading.header.length,
    props.reading.columns.rain + 1,
    ...props.reading.columns.date.map(column => column + 1),
  )
  return Array.from({ length: width }, (_, value) => ({
    value,
    name: props.reading.header[value] || `column ${value + 1}`,
  }))
})
const UNIT_CHOICES = (Object.keys(RAIN_UNITS) as RainUnit[]).map(value => ({ value, name: value }))
const ORDERS: { value: DateOrder; name: string }[] = [
  { value: 'ymd', name: 'year, month, day' },
  { value: 'dmy', name: 'day, month, year' },
  { value: 'mdy', name: 'month, day, year' },
]
const GAPS: { value: GapFill; name: string }[] = [
  { value: 'other-years', name: 'with the same date of the nearest year' },
  { value: 'dry', name: 'as days without rain' },
]
const LINES = [
  { value: 'days' as const, name: 'the rain of one day' },
  { value: 'sums' as const, name: 'the sum of several days' },
]
const counts = computed(() => {
  const found = props.reading
  const counted = (count: number, one: string, many: string) =>
    count ? [`${groupDigits(count, 0)} ${count === 1 ? one : many}`] : []
  return [
    ...counted(found.lines === 'sums' ? 0 : found.missingDays, 'day has no figure', 'days have no figure'),
    ...counted(found.flagged, 'line is marked as missing', 'lines are marked as missing'),
    ...counted(found.below, 'line is below nothing', 'lines are below nothing'),
    ...counted(found.trace, 'trace is taken as dry', 'traces are taken as dry'),
    ...counted(
      found.duplicates,
      'day stands twice, its later line counts',
      'days stand twice, their later lines count',
    ),
    ...counted(found.unreadableCount, 'line cannot be read', 'lines cannot be read'),
  ]
})
</script>

<template>
  <div>
    <p class="understood">
      Days are in
      <ChoiceField
        v-if="reading.columns.date.length === 1"
        label="Date column"
        :value="reading.columns.date[0]!"
        :choices="columnChoices"
        :set="column => choose({ columns: { date: [column] } })"
      /><template v-else>three columns</template>, written
      <ChoiceField
        label="Order of the date"
        :value="reading.order"
        :choices="ORDERS"
        :set="order => choose({ order })"
      />; rain in
      <ChoiceField
        label="Rain column"
        :value="reading.columns.rain"
        :choices="columnChoices"
        :set="rain => choose({ columns: { rain } })"
      />
      as
      <ChoiceField
        label="Unit of the rain"
        :value="reading.unit"
        :choices="UNIT_CHOICES"
        :set="unit => choose({ unit })"
      />. Each line is
      <ChoiceField
        label="What a line holds"
        :value="reading.lines"
        :choices="LINES"
        :set="lines => choose({ lines })"
      />.
      <template v-if="reading.lines === 'sums'">
        The plan takes the mean of each month; wet days and temperatures stay as they are.
      </template>
      <template v-else>
        Gaps are filled
        <ChoiceField
          label="How gaps are filled"
          :value="reading.gaps"
          :choices="GAPS"
          :set="gaps => choose({ gaps })"
        />.
      </template>
    </p>
    <p>
      <b class="figure">{{ groupDigits(reading.days, 0) }} days</b>, {{ reading.start }} to {{ reading.end
      }}<template v-if="reading.summed"> (several lines a day added up)</template>:
      {{ show(reading.yearlyMm, 'rain') }} a year; the wettest {{ reading.lines === 'sums' ? 'line' : 'day' }},
      {{ reading.wettest.date }}, had {{ show(reading.wettest.rainMm, 'rain') }}.
      <template v-if="reading.months[0]!.tMinC !== undefined">Temperatures were found too.</template>
    </p>
    <p v-if="counts.length" class="small">{{ counts.join(' · ') }}</p>
    <ul v-if="reading.unreadable.length" class="small lines">
      <li v-for="line in reading.unreadable" :key="line.line">
        Line {{ line.line }}, “{{ line.text }}”: {{ line.why }}.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.understood {
  line-height: 1.9;
}
.lines {
  max-height: 120px;
  overflow-y: auto;
  padding-left: 18px;
}
</style>
