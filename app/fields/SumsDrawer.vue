<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import WorkedSum from '~/fields/WorkedSum.vue'
import { z } from 'zod'
import type { Kind } from '#core/units'
import { SUMS } from '#core/sums'

/** Every worked sum, with fields of its own: type figures in any unit and read the working. */
const shown = defineModel<boolean>({ required: true })
const picked = ref('roof-yield')
const sum = computed(() => SUMS.find(candidate => candidate.name === picked.value)!)
const shape = ref('upright-cylinder')

interface Property {
  default?: number
  type?: string
  const?: string
}
interface Schema {
  properties?: Record<string, Property>
  oneOf?: Schema[]
  anyOf?: Schema[]
}
const schema = computed(() => {
  const whole = z.toJSONSchema(sum.value.input, { io: 'input', unrepresentable: 'any' }) as Schema
  const forms = whole.oneOf ?? whole.anyOf
  return forms ? forms.find(form => form.properties?.shape?.const === shape.value)! : whole
})
const hasShape = computed(() => Boolean(schema.value.properties?.shape))
/** Emitters are a list; here one kind of them is enough to see the sum at work. */
const EMITTER: [string, Property][] = [
  ['count', {}],
  ['litresPerHour', {}],
]
const fields = computed(() =>
  Object.entries(schema.value.properties ?? {})
    .filter(([name]) => name !== 'shape')
    .flatMap((entry): [string, Property][] => (entry[0] === 'emitters' ? EMITTER : [entry])),
)

/** A first figure for each field, so that every sum opens worked. */
const FIRST: Record<string, number> = {
  planAreaM2: 60,
  rainMm: 12,
  runoffCoefficient: 0.9,
  depthMm: 0.8,
  volumeL: 1000,
  innerDiameterMm: 104,
  heightM: 2,
  orificeMm: 1.5,
  intensityMmPerH: 75,
  diameterM: 1.9,
  lengthM: 2,
  widthM: 1,
  levelM: 0.8,
  emptyMassKg: 60,
  contactAreaM2: 1.2,
  headM: 3,
  latitudeDeg: 40,
  month: 7,
  tMinC: 15,
  tMaxC: 29,
  areaM2: 20,
  cropCoefficient: 0.9,
  slope: 0.003,
  fillShare: 0.33,
  stormMm: 30,
  stormHours: 2,
  infiltrationMPerS: 2e-5,
  wettedAreaM2: 6,
  voidShare: 0.4,
  fiveYearMmPerH: 60,
  returnYears: 10,
  minutes: 5,
  runoffMm: 5,
  keptMm: 0.8,
  flowLps: 1,
  planAreaAM2: 2.8,
  planAreaBM2: 2.8,
  levelDifferenceM: 0.5,
  fromLevelM: 1.5,
  toLevelM: 0.1,
  massKg: 1100,
  posts: 4,
  footingAreaM2: 0.09,
  count: 40,
  litresPerHour: 2,
  minutesPerRun: 30,
  runsPerWeek: 3,
}
const KINDS: [RegExp, Kind][] = [
  [/M2$/, 'area'],
  [/Mm$/, 'bore'],
  [/MmPerH$/, 'intensity'],
  [/M$/, 'length'],
  [/L$/, 'volume'],
  [/C$/, 'temperature'],
  [/Kg$/, 'mass'],
  [/Lps$/, 'flow'],
  [/Share$/, 'share'],
]
const kindOf = (name: string): Kind =>
  ['rainMm', 'wettingLossMm', 'stormMm', 'runoffMm', 'keptMm'].includes(name) ||
  (name === 'depthMm' && picked.value === 'first-flush-volume')
    ? 'rain'
    : (KINDS.find(([pattern]) => pattern.test(name))?.[1] ?? 'count')
const label = (name: string) =>
  name
    .replace(/(MmPerH|PerDay|M2|Mm|M|L|C|Kg|Deg)$/, '')
    .replace(/([A-Z])/g, ' $1')
    .toLowerCase()
    .replace(/^t (min|max)$/, 'mean $1imum temperature')
    .trim()

const typed = reactive<Record<string, Record<string, number>>>({})
function keep(name: string, value: number): undefined {
  typed[picked.value] = { ...typed[picked.value], [name]: value }
}
const figures = computed(() =>
  Object.fromEntries(
    fields.value.map(([name, property]) => [name, typed[picked.value]?.[name] ?? property.default ?? FIRST[name] ?? 1]),
  ),
)
const input = computed((): Record<string, unknown> => {
  const { count, litresPerHour, ...rest } = figures.value
  const whole =
    'emitters' in (schema.value.properties ?? {}) ? { ...rest, emitters: [{ count, litresPerHour }] } : figures.value
  return hasShape.value ? { shape: shape.value, ...whole } : whole
})
const SHAPES = ['upright-cylinder', 'lying-cylinder', 'box'].map(value => ({ value, name: value.replace('-', ' ') }))
const choices = SUMS.map(entry => ({ value: entry.name, name: entry.purpose }))
</script>

<template>
  <el-drawer v-model="shown" title="Sums" size="min(440px, 94vw)" append-to-body>
    <p class="soft small">The arithmetic behind the figures, by itself. Type in any unit.</p>
    <p><ChoiceField label="Which sum" :value="picked" :choices="choices" :set="name => (picked = name)" /></p>
    <p v-if="hasShape">
      Shape: <ChoiceField label="Shape" :value="shape" :choices="SHAPES" :set="value => (shape = value)" />
    </p>
    <p v-for="[name] in fields" :key="`${picked}-${name}`" class="field">
      <span>{{ label(name) }}</span>
      <QuantityField
        :label="label(name)"
        :kind="kindOf(name)"
        :value="figures[name]"
        :set="value => keep(name, value)"
      />
    </p>
    <WorkedSum :name="picked" :input="input" />
  </el-drawer>
</template>

<style scoped>
.field {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 12px;
  margin: 0 0 6px;
}
</style>
