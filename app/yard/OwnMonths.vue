<script setup lang="ts">
import type { OwnMonthsTyped } from '~/yard/ownMonths'
import type { System } from '#core/units'

/** Where the place lies, and its twelve months: rain, and what else is known of them. */
defineProps<{ units: System }>()
const own = defineModel<OwnMonthsTyped>({ required: true })
const OWN_ROWS = [
  {
    field: 'rain' as const,
    name: 'Rain',
    label: 'Rain of your twelve months, January to December',
    metric: '88 66 70 58 62 68 70 78 76 92 96 98 (mm)',
    other: '3.5 2.6 2.8 2.3 2.4 2.7 2.8 3.1 3 3.6 3.8 3.9 (inches)',
  },
  {
    field: 'wetDays' as const,
    name: 'Wet days',
    label: 'Wet days of your twelve months',
    metric: '12 10 11 10 9 8 8 9 9 11 12 12',
    other: '12 10 11 10 9 8 8 9 9 11 12 12',
  },
  {
    field: 'lows' as const,
    name: 'Mean lows',
    label: 'Mean lows of your twelve months',
    metric: '2 2 4 6 9 12 14 14 11 8 5 3 (°C)',
    other: '36 36 39 43 48 54 57 57 52 46 41 37 (°F)',
  },
  {
    field: 'highs' as const,
    name: 'Mean highs',
    label: 'Mean highs of your twelve months',
    metric: '7 8 11 14 18 21 23 22 19 15 10 8 (°C)',
    other: '45 46 52 57 64 70 73 72 66 59 50 46 (°F)',
  },
]
</script>

<template>
  <div class="own">
    <p>
      At latitude
      <input v-model="own.latitude" class="typed" aria-label="Latitude in degrees, south negative" /> degrees,
      <input v-model="own.altitude" class="typed" aria-label="Altitude" placeholder="0" /> above the sea, January to
      December:
    </p>
    <label v-for="row in OWN_ROWS" :key="row.field"
      ><span>{{ row.name }}</span
      ><input
        v-model="own[row.field]"
        class="typed months"
        :aria-label="row.label"
        :placeholder="units === 'metric' ? row.metric : row.other"
    /></label>
    <p class="soft small">
      Rain is needed. What you leave out is guessed, temperatures from the latitude and wet days from the rain, and
      marked as a guess until you say otherwise.
    </p>
  </div>
</template>

<style scoped>
p {
  line-height: 2;
}
p.small {
  font-size: 14px;
  line-height: 1.5;
}
input.months {
  width: 100%;
}
label {
  display: grid;
  grid-template-columns: 90px 1fr;
  align-items: baseline;
  gap: 8px;
  margin: 4px 0;
}
</style>
