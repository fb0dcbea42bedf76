<script setup lang="ts">
import { BED_SOIL_IDS, BED_SOILS, MULCH_IDS, MULCHES } from '#core/catalog'
import { MONTH_NAMES } from '#core/climate'
import { bedNeedInput, bedNeeds, dripPlan, moveOf, type Amount, type Use } from '#core/site'

/** A bed or trees: what the weather asks of it, and the drip that waters it by the clock. */
const props = defineProps<{ use: Use, bed: Extract<Amount, { by: 'bed' }>, index: number }>()
const open = useSite()
const { litres, show, span } = useUnits()
const set = (...path: (string | number)[]) => (value: unknown) => open.make(moveOf('change', { path: ['uses', props.index, 'amount', ...path], value }))
const needs = computed(() => bedNeeds(open.site!, props.bed))
const peak = computed(() => needs.value.indexOf(Math.max(...needs.value)))
const plan = computed(() => props.bed.drip && dripPlan(props.bed.drip))
const sumInput = computed(() => ({ emitters: props.bed.drip!.emitters.map(({ count, litresPerHour }) => ({ count, litresPerHour })), minutesPerRun: props.bed.drip!.minutesPerRun, runsPerWeek: props.bed.drip!.runsPerWeek }))
const meets = computed(() => plan.value && needs.value[peak.value]! > 0 ? plan.value.litresPerDay / needs.value[peak.value]! : 0)
const soils = BED_SOIL_IDS.map(value => ({ value, name: BED_SOILS[value].name }))
const mulches = MULCH_IDS.map(value => ({ value, name: MULCHES[value].name }))
</script>

<template>
  <span>
    <QuantityField label="Area of the bed" kind="area" :value="bed.areaM2" :set="set('areaM2')" /> of <ChoiceField label="Soil" :value="bed.soil ?? 'loam'" :choices="soils" :set="set('soil')" />, <ChoiceField label="Mulch" :value="bed.mulch ?? 'bare'" :choices="mulches" :set="set('mulch')" />, with a crop factor of <QuantityField label="Crop factor" kind="count" :value="bed.cropCoefficient" :set="set('cropCoefficient')" />,
    asks <SumFigure name="garden-need" :input="{ ...bedNeedInput(open.site!, bed, peak + 1) }">{{ litres(needs[peak]!) }} a day</SumFigure> in {{ MONTH_NAMES[peak] }}<template v-if="!bed.drip"> and is watered as it needs (<button type="button" class="plain" @click="open.make(moveOf('fitDrip', { use: use.id }))">drip it by the clock</button>)</template><template v-else>.
      <span v-for="(kind, at) in bed.drip.emitters" :key="at">{{ at ? ' and ' : '' }}<QuantityField :label="`Drippers${at ? ` ${at + 1}` : ''}`" kind="count" :value="kind.count" :set="set('drip', 'emitters', at, 'count')" /> drippers of <QuantityField :label="`Flow of a dripper${at ? ` ${at + 1}` : ''}`" kind="hourFlow" :value="kind.litresPerHour" :set="set('drip', 'emitters', at, 'litresPerHour')" /></span>
      in <QuantityField label="Zones" kind="count" :value="bed.drip.zones" :set="set('drip', 'zones')" /> {{ bed.drip.zones === 1 ? 'zone' : 'zones, one after the other' }} run <QuantityField label="Minutes a run" kind="count" :value="bed.drip.minutesPerRun" :set="set('drip', 'minutesPerRun')" /> minutes, <QuantityField label="Runs a week" kind="count" :value="bed.drip.runsPerWeek" :set="set('drip', 'runsPerWeek')" /> times a week: <SumFigure name="drip-zone" :input="sumInput">{{ litres(plan!.litresPerDay) }} a day</SumFigure>,
      <b :class="{ wrong: meets < 0.9 }">{{ show(meets, 'share') }} of what it needs</b> then. Each zone draws {{ show(plan!.zoneLph, 'hourFlow') }}; pump, timer and filter give <QuantityField label="Flow the line can give" kind="hourFlow" empty="nobody knows what" :value="bed.drip.mostLph" :set="mostLph => open.make(moveOf('fitDrip', { use: use.id, mostLph }))" />. A watering lasts {{ span(plan!.hoursPerRun) }} (<button type="button" class="plain" @click="open.make(moveOf('fitDrip', { use: use.id }))">run it as the bed needs</button>, <button type="button" class="plain" @click="open.make(moveOf('fitDrip', { use: use.id, off: true }))">no drip</button>). Watered
    </template>
  </span>
</template>

<style scoped>
.wrong { color: var(--rust); }
</style>
