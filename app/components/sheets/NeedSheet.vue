<script setup lang="ts">
import { QUALITIES, QUALITY_WORDS, USE_PRESET_IDS, USE_PRESETS, type UsePresetId } from '#core/catalog'
import { MONTH_NAMES } from '#core/climate'
import { bedNeedInput, litresPerDay, moveOf, type Use } from '#core/site'

/** What the water is for. */
const open = useSite()
const results = useResults()
const { litres } = useUnits()
const { nodeId } = useSelection()
const uses = computed(() => open.site!.uses.map((use, index) => ({ use, index, byMonth: litresPerDay(open.site!, use) })))
const totals = computed(() => MONTH_NAMES.map((_, month) => uses.value.reduce((sum, { byMonth }) => sum + byMonth[month]!, 0)))
const set = (index: number, ...path: string[]) => (value: unknown) => open.make(moveOf('change', { path: ['uses', index, ...path], value }))
const adding = ref<UsePresetId>('beds')
const presets = USE_PRESET_IDS.map(id => ({ value: id, name: USE_PRESETS[id].name }))
const qualities = QUALITIES.map(value => ({ value, name: QUALITY_WORDS[value] }))
const peak = (byMonth: number[]) => byMonth.indexOf(Math.max(...byMonth))
const inMonths = (use: Use) => use.amount.months.flatMap((share, month) => share > 0 ? [month + 1] : [])
const setMonths = (index: number, use: Use) => (months: number[]) => set(index, 'amount', 'months')(use.amount.months.map((share, month) => months.includes(month + 1) ? share || 1 : 0))
const yearOf = (id: string) => results.year?.uses.find(use => use.id === id)
const add = () => open.make(moveOf('addUse', { preset: adding.value }))
</script>

<template>
  <div>
    <h2>What the water is for</h2>
    <p v-if="!uses.length" class="soft">Nothing draws water yet. Say what it is for, and the year shows whether it lasts.</p>
    <div v-for="{ use, index, byMonth } in uses" :key="use.id" class="use" :class="{ on: nodeId === use.at }">
      <p>
        <b><NameField :value="use.name" label="Name of the use" :set="set(index, 'name')" /></b>
        takes <ChoiceField label="Quality" :value="use.quality" :choices="qualities" :set="set(index, 'quality')" />:
        <template v-if="use.amount.by === 'people'">
          <QuantityField label="People" kind="count" :value="use.amount.people" :set="set(index, 'amount', 'people')" /> people, <QuantityField label="Litres a person a day" kind="dailyVolume" :value="use.amount.litresPerPersonDay" :set="set(index, 'amount', 'litresPerPersonDay')" /> each
        </template>
        <template v-else-if="use.amount.by === 'heads'">
          <QuantityField label="Head of animals" kind="count" :value="use.amount.heads" :set="set(index, 'amount', 'heads')" /> head, <QuantityField label="Litres a head a day" kind="dailyVolume" :value="use.amount.litresPerHeadDay" :set="set(index, 'amount', 'litresPerHeadDay')" /> each
        </template>
        <template v-else-if="use.amount.by === 'day'">
          <QuantityField label="Litres a day" kind="dailyVolume" :value="use.amount.litresPerDay" :set="set(index, 'amount', 'litresPerDay')" />
        </template>
        <template v-else>
          <QuantityField label="Area of the bed" kind="area" :value="use.amount.areaM2" :set="set(index, 'amount', 'areaM2')" /> with a crop factor of <QuantityField label="Crop factor" kind="count" :value="use.amount.cropCoefficient" :set="set(index, 'amount', 'cropCoefficient')" />,
          which asks <SumFigure name="garden-need" :input="{ ...bedNeedInput(open.site!, use.amount, peak(byMonth) + 1) }">{{ litres(byMonth[peak(byMonth)]!) }} a day</SumFigure> in {{ MONTH_NAMES[peak(byMonth)] }}
        </template>
        in <MonthsField :value="inMonths(use)" :label="`Months of ${use.name}`" :set="setMonths(index, use)" />
      </p>
      <p class="small soft">
        Served as number <QuantityField label="Priority" kind="count" :value="use.priority" :set="set(index, 'priority')" />.
        <template v-if="yearOf(use.id)"> {{ litres(yearOf(use.id)!.askedL) }} asked in the shown year, {{ litres(yearOf(use.id)!.metL) }} met; short on {{ yearOf(use.id)!.shortDays }} days, {{ yearOf(use.id)!.longestShortDays }} in a row at most.</template>{{ ' ' }}
        <button type="button" class="plain small" @click="open.make(moveOf('remove', { id: use.id }))">Take out</button>
      </p>
    </div>
    <div class="moves">
      <ChoiceField label="Kind of use to add" :value="adding" :choices="presets" :set="id => adding = id" />
      <button type="button" class="move" @click="add">Add this use</button>
    </div>
    <template v-if="uses.length">
      <h2>Litres a day, by month</h2>
      <MonthBars :values="totals" label="Asked a day" :show="litres" />
      <p class="small soft">The amounts are starting points from the catalog; habits differ. A month with a meter beats them. How many taps run at once decides the pump, not this total.</p>
    </template>
  </div>
</template>

<style scoped>
.use { padding: 2px 0 4px; border-bottom: 1px solid var(--hair); margin-bottom: 6px; line-height: 1.85; }
.use.on { background: color-mix(in srgb, var(--oak) 7%, transparent); }
.use p { margin: 0; }
h2 { margin: 10px 0 4px; }
h2:first-child { margin-top: 0; }
</style>
