<script setup lang="ts">
import { QUALITIES, QUALITY_WORDS } from '#core/catalog'
import { lineTo, hotMonths, moveOf, runsTo, tanksOf, type Use } from '#core/site'
import { monthNames } from '#core/review'

/** One use in words: how much, of what quality, when, whence, and what it gives up when water is short. */
const props = defineProps<{ use: Use, index: number }>()
const open = useSite()
const results = useResults()
const { litres } = useUnits()
const { nodeId } = useSelection()
const set = (...path: string[]) => (value: unknown) => open.make(moveOf('change', { path: ['uses', props.index, ...path], value }))
const qualities = QUALITIES.map(value => ({ value, name: QUALITY_WORDS[value] }))
const inMonths = computed(() => props.use.amount.months.flatMap((share, month) => share > 0 ? [month + 1] : []))
const setMonths = (months: number[]) => set('amount', 'months')(props.use.amount.months.map((share, month) => months.includes(month + 1) ? share || 1 : 0))
const year = computed(() => results.year?.uses.find(use => use.id === props.use.id))
const hot = computed(() => hotMonths(open.site!))
const tanks = computed(() => tanksOf(open.site!).map(tank => ({ value: tank.id, name: tank.name })))
/** Where it is drawn: the tap, and the pipe of its own that leads there. */
const place = computed(() => {
  const tap = open.site!.nodes.find(node => node.id === props.use.at)
  const run = runsTo(open.site!, props.use.at)[0]
  const parts = run?.parts ?? []
  const longest = parts.reduce((best, part, at) => part.kind === 'pipe' && part.lengthM > (best.lengthM ?? -1) ? { at, lengthM: part.lengthM } : best, { at: -1 } as { at: number, lengthM?: number })
  return tap && { tap, pipe: run && longest.lengthM !== undefined ? { run: open.site!.runs.indexOf(run), at: longest.at, lengthM: longest.lengthM } : undefined }
})
const setPipe = (lengthM: number) => place.value?.pipe && open.make(moveOf('change', { path: ['runs', place.value.pipe.run, 'parts', place.value.pipe.at, 'lengthM'], value: lengthM }))
const from = computed(() => lineTo(open.site!, props.use.at))
</script>

<template>
  <div class="use" role="group" :aria-label="use.name" :class="{ on: nodeId === use.at }" :data-use="use.id">
    <p>
      <b><NameField :value="use.name" label="Name of the use" :set="set('name')" /></b>
      takes <ChoiceField label="Quality" :value="use.quality" :choices="qualities" :set="set('quality')" />:
      <template v-if="use.amount.by === 'people'">
        <QuantityField label="People" kind="count" :value="use.amount.people" :set="set('amount', 'people')" /> people, <QuantityField label="Litres a person a day" kind="dailyVolume" :value="use.amount.litresPerPersonDay" :set="set('amount', 'litresPerPersonDay')" /> each
      </template>
      <template v-else-if="use.amount.by === 'habit'">
        <QuantityField label="People" kind="count" :value="use.amount.people" :set="set('amount', 'people')" /> people, <QuantityField label="Times a person a day" kind="count" :value="use.amount.timesPerPersonDay" :set="set('amount', 'timesPerPersonDay')" /> times a day each, <QuantityField label="Litres each time" kind="volume" :value="use.amount.litresEach" :set="set('amount', 'litresEach')" /> a time
      </template>
      <template v-else-if="use.amount.by === 'heads'">
        <QuantityField label="Head of animals" kind="count" :value="use.amount.heads" :set="set('amount', 'heads')" /> head, <QuantityField label="Litres a head a day" kind="dailyVolume" :value="use.amount.litresPerHeadDay" :set="set('amount', 'litresPerHeadDay')" /> each, <QuantityField label="Factor in hot months" kind="count" :value="use.amount.hotFactor ?? 1" :set="set('amount', 'hotFactor')" /> times as much when it is hot ({{ hot.length ? monthNames(hot) : 'no month here' }})
      </template>
      <template v-else-if="use.amount.by === 'day'">
        <QuantityField label="Litres a day" kind="dailyVolume" :value="use.amount.litresPerDay" :set="set('amount', 'litresPerDay')" />
      </template>
      <BedNotes v-else :use="use" :bed="use.amount" :index="index" />
      in <MonthsField :value="inMonths" :label="`Months of ${use.name}`" :set="setMonths" /><template v-if="tanks.length > 1 && from">, drawn from <ChoiceField label="Drawn from" :value="from" :choices="tanks" :set="tank => open.make(moveOf('drawFrom', { use: use.id, tank }))" /></template>.
    </p>
    <p class="small soft">
      <template v-if="place">Its tap stands at <QuantityField label="Height of the tap" kind="length" :value="place.tap.baseM" :set="baseM => open.make(moveOf('setHeight', { node: use.at, baseM }))" /><template v-if="place.pipe">, <QuantityField label="Pipe to the tap" kind="length" :value="place.pipe.lengthM" :set="setPipe" /> of pipe away</template>. </template>
      Served as number <QuantityField label="Priority" kind="count" :value="use.priority" :set="set('priority')" />.
      <template v-if="year"> {{ litres(year.askedL) }} asked in the shown year, {{ litres(year.metL) }} met<template v-if="year.rationedL > 0.5">, {{ litres(year.rationedL) }} given up by rationing</template>; short on {{ year.shortDays }} {{ year.shortDays === 1 ? 'day' : 'days' }}<template v-if="year.shortDays > 1">, {{ year.longestShortDays }} in a row at most</template>.</template>
      I can live with <QuantityField label="Short days I can live with" kind="count" empty="any number of" :value="use.acceptShortDays" :set="set('acceptShortDays')" /> short days a year<template v-if="use.acceptShortDays !== undefined"> (<button type="button" class="plain small" @click="set('acceptShortDays')(undefined)">any number</button>)</template>.
      <RationNotes :use="use" />{{ ' ' }}
      <button type="button" class="plain small" @click="open.make(moveOf('remove', { id: use.id }))">Take {{ use.name }} out</button>
    </p>
  </div>
</template>

<style scoped>
.use { padding: 2px 0 4px; border-bottom: 1px solid var(--hair); margin-bottom: 6px; line-height: 1.85; }
.use.on { background: color-mix(in srgb, var(--oak) 7%, transparent); }
.use p { margin: 0; }
</style>
