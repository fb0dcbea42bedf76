<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ThingField from '~/fields/ThingField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { MONTH_NAMES } from '#core/units'
import { bedNeedInput, bedNeeds, dripPlan, isDripShut, rootM, type Amount, type Use, dripInput } from '#core/site'
import { monthNames } from '#core/words'
import { moveOf, setField } from '#core/moves'
import { BED_SOIL_IDS, BED_SOILS, CROP_IDS, CROPS, type CropId, MULCH_IDS, MULCHES } from '#core/catalog'

/** A bed or trees: what the weather asks of it, and the drip that waters it by the clock. */
const props = defineProps<{ use: Use; bed: Extract<Amount, { by: 'bed' }> }>()
const store = useSite()
const results = useResults()
const { litres, show, span } = useUnits()
const ofUse = useThing('use', () => props.use.id)
const set = (field: string) => ofUse(`amount.${field}`)
const setEmitter = (id: string, field: string) => (value: unknown) => store.make(setField('emitter', id, field, value))
const needs = computed(() => bedNeeds(store.site!, props.bed))
/** What its soil asked day by day, in the mean of each month; of a dripped bed the rule of thumb is the measure. */
const asks = computed(() => results.outlook?.asks.find(({ id }) => id === props.use.id))
const months = computed(() => (!props.bed.drip && asks.value?.litresPerDay) || needs.value)
const peak = computed(() => months.value.indexOf(Math.max(...months.value)))
const plan = computed(() => props.bed.drip && dripPlan(props.bed.drip))
const sumInput = computed(() => ({ ...dripInput(props.bed.drip!) }))
const meets = computed(() =>
  plan.value && needs.value[peak.value]! > 0 ? plan.value.litresPerDay / needs.value[peak.value]! : 0,
)
const soils = choicesOf(BED_SOIL_IDS, BED_SOILS)
const mulches = choicesOf(MULCH_IDS, MULCHES)
const crops = [{ value: 'unsaid' as const, name: 'something' }, ...choicesOf(CROP_IDS, CROPS)]
/** A crop brings its factor and its roots; both can be told otherwise. */
function setCrop(crop: CropId | 'unsaid'): string | undefined {
  if (crop === 'unsaid') return set('crop')(undefined)
  const { cropCoefficient, rootM } = CROPS[crop]
  return store.makeAll(
    Object.entries({ crop, cropCoefficient, rootM }).map(([field, value]) =>
      setField('use', props.use.id, `amount.${field}`, value),
    ),
    `${props.use.name}: ${CROPS[crop].name}`,
  )
}
/** Months in which nothing grows, and what a timer does in them. */
const cold = computed(() => MONTH_NAMES.flatMap((_, month) => (isDripShut(store.site!, {}, month) ? [month + 1] : [])))
const inCold = [
  { value: false, name: 'is shut' },
  { value: true, name: 'runs on' },
]
const shelters = [
  { value: false, name: 'open to the rain' },
  { value: true, name: 'under glass or a roof' },
]
</script>

<template>
  <span>
    <ThingField :id="use.id" of="use" name="amount.areaM2" label="Area of the bed" /> of
    <ChoiceField label="Crop" :value="bed.crop ?? 'unsaid'" :choices="crops" :set="setCrop" /> in
    <ChoiceField label="Soil" :value="bed.soil ?? 'loam'" :choices="soils" :set="set('soil')" />,
    <ChoiceField label="Mulch" :value="bed.mulch ?? 'bare'" :choices="mulches" :set="set('mulch')" />,
    <ChoiceField label="Rain on the bed" :value="bed.sheltered ?? false" :choices="shelters" :set="set('sheltered')" />,
    with roots to <QuantityField label="Depth of the roots" kind="length" :value="rootM(bed)" :set="set('rootM')" /> and
    a crop factor of <ThingField :id="use.id" of="use" name="amount.cropCoefficient" label="Crop factor" />
    <template v-if="!bed.drip && asks"
      >, asks as its soil dries: <b class="figure">{{ litres(months[peak]!) }} a day</b> in the mean
      {{ MONTH_NAMES[peak] }}, {{ litres(asks.mostL) }} on the thirstiest day. The month’s rule of thumb says
      <SumFigure name="garden-need" :input="{ ...bedNeedInput(store.site!, bed, peak + 1) }"
        >{{ litres(needs[peak]!) }} a day</SumFigure
      ></template
    ><template v-else>
      asks
      <SumFigure name="garden-need" :input="{ ...bedNeedInput(store.site!, bed, peak + 1) }"
        >{{ litres(needs[peak]!) }} a day</SumFigure
      >
      in {{ MONTH_NAMES[peak] }}</template
    ><template v-if="!bed.drip"
      >. It is watered as it needs (<button
        type="button"
        class="plain"
        @click="store.make(moveOf('fitDrip', { use: use.id }))"
      >
        drip it by the clock</button
      >)</template
    ><template v-else
      >.
      <span v-for="(kind, at) in bed.drip.emitters" :key="kind.id"
        >{{ at ? ' and ' : ''
        }}<QuantityField
          :label="`Drippers${at ? ` ${at + 1}` : ''}`"
          kind="count"
          :value="kind.count"
          :set="setEmitter(kind.id, 'count')" />
        drippers of
        <QuantityField
          :label="`Flow of a dripper${at ? ` ${at + 1}` : ''}`"
          kind="hourFlow"
          :value="kind.litresPerHour"
          :set="setEmitter(kind.id, 'litresPerHour')"
      /></span>
      in <ThingField :id="use.id" of="use" name="amount.drip.zones" label="Zones" />
      {{ bed.drip.zones === 1 ? 'zone' : 'zones, one after the other' }} run
      <ThingField :id="use.id" of="use" name="amount.drip.minutesPerRun" label="Minutes a run" />
      minutes,
      <ThingField :id="use.id" of="use" name="amount.drip.runsPerWeek" label="Runs a week" />
      times a week: <SumFigure name="drip-zone" :input="sumInput">{{ litres(plan!.litresPerDay) }} a day</SumFigure>,
      <b :class="{ wrong: meets < 0.9 }">{{ show(meets, 'share') }} of what it needs</b> then. Each zone draws
      {{ show(plan!.zoneLph, 'hourFlow') }}; pump, timer and filter give
      <QuantityField
        label="Flow the line can give"
        kind="hourFlow"
        empty="nobody knows what"
        :value="bed.drip.mostLph"
        :set="mostLph => store.make(moveOf('fitDrip', { use: use.id, mostLph }))"
      />.<template v-if="cold.length">
        In {{ monthNames(cold) }} its timer
        <ChoiceField
          label="Timer in the cold"
          :value="bed.drip.runsInCold ?? false"
          :choices="inCold"
          :set="runs => set('drip.runsInCold')(runs || undefined)"
        />.</template
      >
      A watering lasts {{ span(plan!.hoursPerRun) }} (<button
        type="button"
        class="plain"
        @click="store.make(moveOf('fitDrip', { use: use.id }))"
      >
        run it as the bed needs</button
      >,
      <button type="button" class="plain" @click="store.make(moveOf('fitDrip', { use: use.id, off: true }))">
        no drip</button
      >). Watered
    </template>
  </span>
</template>

<style scoped>
.wrong {
  color: var(--rust);
}
</style>
