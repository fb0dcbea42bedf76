<script setup lang="ts">
import { useYearName } from '~/stores/useYearName'
import ThingField from '~/fields/ThingField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import MonthsField from '~/fields/MonthsField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import BedNotes from '~/steps/need/BedNotes.vue'
import UseSources from '~/steps/need/UseSources.vue'
import RationNotes from '~/steps/need/RationNotes.vue'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { counted, monthNames } from '#core/words'
import { graphOf, hotMonths, runsTo, type Use } from '#core/site'
import { moveOf, setField } from '#core/moves'
import { QUALITIES, QUALITY_WORDS } from '#core/catalog'

/** One use in words: how much, of what quality, when, whence, and what it gives up when water is short. */
const props = defineProps<{ use: Use }>()
const store = useSite()
const results = useResults()
const { number: yearName } = useYearName()
const { litres } = useUnits()
const { nodeId } = useSelection()
const set = useThing('use', () => props.use.id)
const qualities = QUALITIES.map(value => ({ value, name: QUALITY_WORDS[value] }))
/** Days of the time that an amount is spoken of by. */
const PER_DAYS = { day: 1, week: 7, month: 365.25 / 12 }
const PER = [
  { value: 'day' as const, name: 'a day' },
  { value: 'week' as const, name: 'a week' },
  { value: 'month' as const, name: 'a month' },
]
const perDays = computed(() => (props.use.amount.by === 'day' ? PER_DAYS[props.use.amount.per ?? 'day'] : 1))
const setAmount = (litres: number) => set('amount.litresPerDay')(litres / perDays.value)
const inMonths = computed(() => props.use.amount.months.flatMap((share, month) => (share > 0 ? [month + 1] : [])))
const setMonths = (months: number[]) =>
  set('amount.months')(props.use.amount.months.map((share, month) => (months.includes(month + 1) ? share || 1 : 0)))
const year = computed(() => results.year?.uses.find(use => use.id === props.use.id))
const hot = computed(() => hotMonths(store.site!))
/** Where it is drawn: the tap, and the pipe of its own that leads there. */
const place = computed(() => {
  const tap = graphOf(store.site!).node(props.use.at)
  const run = runsTo(store.site!, props.use.at)[0]
  const parts = run?.parts ?? []
  const pipes = parts.filter(part => part.kind === 'pipe').sort((a, b) => b.lengthM - a.lengthM)
  return tap && { tap, pipe: pipes[0] }
})
const setPipe = (lengthM: number) =>
  place.value?.pipe && store.make(setField('part', place.value.pipe.id, 'lengthM', lengthM))
</script>

<template>
  <div class="use" role="group" :aria-label="use.name" :class="{ on: nodeId === use.at }" :data-use="use.id">
    <p>
      <b><NameField :value="use.name" label="Name of the use" :set="set('name')" /></b>
      takes <ChoiceField label="Quality" :value="use.quality" :choices="qualities" :set="set('quality')" />:
      <template v-if="use.amount.by === 'people'">
        <ThingField :id="use.id" of="use" name="amount.people" label="People" /> people,
        <ThingField :id="use.id" of="use" name="amount.litresPerPersonDay" label="Litres a person a day" />
        each
      </template>
      <template v-else-if="use.amount.by === 'habit'">
        <ThingField :id="use.id" of="use" name="amount.people" label="People" /> people,
        <ThingField :id="use.id" of="use" name="amount.timesPerPersonDay" label="Times a person a day" />
        times a day each,
        <ThingField :id="use.id" of="use" name="amount.litresEach" label="Litres each time" />
        a time
      </template>
      <template v-else-if="use.amount.by === 'heads'">
        <ThingField :id="use.id" of="use" name="amount.heads" label="Head of animals" />
        head,
        <ThingField :id="use.id" of="use" name="amount.litresPerHeadDay" label="Litres a head a day" />
        each,
        <QuantityField
          label="Factor in hot months"
          kind="count"
          :value="use.amount.hotFactor ?? 1"
          :set="set('amount.hotFactor')"
        />
        times as much when it is hot ({{ hot.length ? monthNames(hot) : 'no month here' }})
      </template>
      <template v-else-if="use.amount.by === 'day'">
        <QuantityField label="Amount" kind="volume" :value="use.amount.litresPerDay * perDays" :set="setAmount" />
        <ChoiceField label="In what time" :value="use.amount.per ?? 'day'" :choices="PER" :set="set('amount.per')" />
      </template>
      <BedNotes v-else :use="use" :bed="use.amount" />
      in <MonthsField :value="inMonths" :label="`Months of ${use.name}`" :set="setMonths" /><UseSources :use="use" />.
    </p>
    <p class="small soft">
      <template v-if="place"
        >Its tap stands at
        <QuantityField
          label="Height of the tap"
          kind="length"
          :value="place.tap.baseM"
          :set="baseM => store.make(moveOf('setHeight', { node: use.at, baseM }))"
        /><template v-if="place.pipe"
          >, <QuantityField label="Pipe to the tap" kind="length" :value="place.pipe.lengthM" :set="setPipe" /> of pipe
          away</template
        >.
      </template>
      Served as number <ThingField :id="use.id" of="use" name="priority" label="Priority" />.
      <template v-if="year">
        {{ litres(year.askedL) }} asked in {{ yearName(results.yearIndex, results.year!) }},
        {{ litres(year.metL) }} met<template v-if="year.rationedL > 0.5"
          >, {{ litres(year.rationedL) }} given up by rationing</template
        >; short on {{ counted(year.shortDays, 'day')
        }}<template v-if="year.shortDays > 1">, {{ year.longestShortDays }} in a row at most</template>.</template
      >
      I can live with
      <ThingField
        :id="use.id"
        of="use"
        name="acceptShortDays"
        label="Short days I can live with"
        empty="an unsaid number of"
      />
      short days a year<template v-if="use.acceptShortDays !== undefined">
        (<button type="button" class="plain small" @click="set('acceptShortDays')(undefined)">say no number</button
        >)</template
      >. <RationNotes :use="use" />{{ ' ' }}
      <button type="button" class="plain small" @click="store.make(moveOf('remove', { id: use.id }))">
        Take {{ use.name }} out
      </button>
    </p>
  </div>
</template>

<style scoped>
.use {
  padding: 2px 0 4px;
  border-bottom: 1px solid var(--hair);
  margin-bottom: 6px;
  line-height: 1.85;
}
.use.on {
  background: color-mix(in srgb, var(--oak) 7%, transparent);
}
.use p {
  margin: 0;
}
</style>
