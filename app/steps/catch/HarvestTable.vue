<script setup lang="ts">
import MonthBars from '~/charts/MonthBars.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { MONTH_NAMES } from '#core/units'
import { lossSchool, roofMonthL, weatherMonths } from '#core/site'
import { LOSS_SCHOOL_IDS, LOSS_SCHOOLS } from '#core/catalog'

/** What the roofs give month by month, by each school of loss, beside the bars of the one the plan uses. */
const store = useSite()
const { litres, show } = useUnits()
const site = computed(() => store.site!)
const used = computed(() => lossSchool(site.value))
const rows = computed(() =>
  weatherMonths(site.value).map(({ rainMm }, month) => ({
    name: MONTH_NAMES[month]!,
    rainMm,
    litres: LOSS_SCHOOL_IDS.map(school => roofMonthL(site.value, month + 1, undefined, school)),
  })),
)
const totals = computed(() => LOSS_SCHOOL_IDS.map((_, at) => rows.value.reduce((sum, row) => sum + row.litres[at]!, 0)))
const bars = computed(() => rows.value.map(row => row.litres[LOSS_SCHOOL_IDS.indexOf(used.value)]!))
</script>

<template>
  <h2>Month by month</h2>
  <MonthBars :values="bars" label="What the roofs give by month" :show="litres" />
  <div class="scroll">
    <table class="compare harvest">
      <thead>
        <tr>
          <th scope="col">Mean month</th>
          <th scope="col">Rain</th>
          <th v-for="school in LOSS_SCHOOL_IDS" :key="school" scope="col" :class="{ on: school === used }">
            {{ LOSS_SCHOOLS[school].short }}
          </th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.name">
          <th scope="row">{{ row.name }}</th>
          <td class="figure">{{ show(row.rainMm, 'rain') }}</td>
          <td
            v-for="(amount, at) in row.litres"
            :key="LOSS_SCHOOL_IDS[at]"
            class="figure"
            :class="{ on: LOSS_SCHOOL_IDS[at] === used }"
          >
            {{ litres(amount) }}
          </td>
        </tr>
        <tr>
          <th scope="row">The year</th>
          <td class="figure">
            {{
              show(
                rows.reduce((sum, row) => sum + row.rainMm, 0),
                'rain',
              )
            }}
          </td>
          <td v-for="(amount, at) in totals" :key="LOSS_SCHOOL_IDS[at]" class="figure">{{ litres(amount) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
td {
  text-align: right;
}
td.on {
  background: none;
  font-weight: 600;
}
tr:last-child > * {
  font-weight: 600;
}
</style>
