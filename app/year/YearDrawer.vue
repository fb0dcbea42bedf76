<script setup lang="ts">
import { counted } from '#core/words'
import { useUnits } from '~/fields/useUnits'
import { useFiles } from '~/stores/useFiles'
import { useResults } from '~/stores/results'
import { useYearName } from '~/stores/useYearName'
/** The open chart of the year, with its figures and its uses. The chart itself is loaded when first opened. */
const shown = defineModel<boolean>({ required: true })
const results = useResults()
const { litres, show } = useUnits()
const { name: yearName } = useYearName()
const { exportDays } = useFiles()
const LazyChart = defineAsyncComponent(() => import('~/year/YearChart.vue'))

const title = computed(() => {
  const { year, outlook } = results
  if (!year || !outlook) return 'The year'
  const name = yearName(results.yearIndex, year)
  return name[0]!.toUpperCase() + name.slice(1)
})
const sources = computed(() => {
  const { year } = results
  if (!year) return []
  return [
    { name: 'Off the roofs, into chambers and tanks', litres: year.caughtL },
    { name: 'First flush kept from the tanks', litres: -year.flushedL },
    { name: 'From wells', litres: year.wellL },
    { name: 'From the main', litres: year.mainL },
    { name: `Carted, ${year.loads} loads`, litres: year.cartL },
    { name: 'Used', litres: -year.metL },
    { name: 'Spilled', litres: -year.spilledL },
  ].filter(row => Math.abs(row.litres) > 0.5)
})
const change = computed(() => sources.value.reduce((sum, row) => sum + row.litres, 0))
</script>

<template>
  <el-drawer v-model="shown" direction="btt" size="82%" :title="title" append-to-body>
    <div v-if="results.outlook && results.year" class="open-year">
      <p>
        {{ show(results.year.rainMm, 'rain') }} of rain; asked {{ litres(results.year.askedL) }}, met
        {{ litres(results.year.metL) }}: <b>{{ counted(results.year.shortDays, 'day') }} short</b>, at most
        {{ results.year.longestShortDays }} in a row<template v-if="results.year.rationedDays"
          >; rationed on {{ counted(results.year.rationedDays, 'day') }}, {{ litres(results.year.rationedL) }} given
          up</template
        >. The longest spell without rain lasted {{ counted(results.year.longestDryDays, 'day') }}.
        <template v-if="results.outlook.made"
          >The weather is made up from the climate’s monthly figures; load a record at Catch for real years.</template
        >
      </p>
      <LazyChart class="chart" />
      <div class="tables">
        <el-table :data="results.year.uses" size="small" empty-text="Nothing is used yet.">
          <el-table-column prop="name" label="Use" min-width="130" />
          <el-table-column label="Asked" align="right"
            ><template #default="{ row }">{{ litres(row.askedL) }}</template></el-table-column
          >
          <el-table-column label="Met" align="right"
            ><template #default="{ row }">{{ litres(row.metL) }}</template></el-table-column
          >
          <el-table-column prop="shortDays" label="Days short" align="right" />
          <el-table-column prop="longestShortDays" label="In a row" align="right" />
        </el-table>
        <el-table :data="[...sources, { name: 'Change of what is held', litres: change }]" size="small">
          <el-table-column prop="name" label="Where the water came from and went" min-width="210" />
          <el-table-column label="A year" align="right"
            ><template #default="{ row }"
              >{{ row.litres < 0 ? '−' : '' }}{{ litres(Math.abs(row.litres)) }}</template
            ></el-table-column
          >
        </el-table>
      </div>
      <button type="button" class="move" @click="exportDays">Save these days as CSV</button>
    </div>
  </el-drawer>
</template>

<style scoped>
.open-year {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.chart {
  height: 40vh;
  min-height: 240px;
}
.tables {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(320px, 1fr));
  gap: 24px;
}
.move {
  align-self: flex-start;
}
</style>
