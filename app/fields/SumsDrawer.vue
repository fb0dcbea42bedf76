<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import WorkedSum from '~/fields/WorkedSum.vue'
import { z } from 'zod'
import { fieldRow } from '#core/units'
import { SUMS } from '#core/sums'

/** Every worked sum, with fields of its own: type figures in any unit and read the working. */
const shown = defineModel<boolean>({ required: true })
const picked = ref('roof-yield')
const sum = computed(() => SUMS.find(candidate => candidate.name === picked.value)!)
/** Which of its examples a sum begins with: one for each form that its input may have. */
const form = ref(0)
const example = computed(() => sum.value.examples[form.value] ?? sum.value.examples[0])
watch(picked, () => (form.value = 0))
const forms = computed(() =>
  sum.value.examples.length < 2
    ? []
    : sum.value.examples.map(({ shape }, value) => ({ value, name: String(shape).replace('-', ' ') })),
)

interface Schema {
  properties?: Record<string, { default?: number; const?: string }>
  oneOf?: Schema[]
}
const properties = computed(() => {
  const whole = z.toJSONSchema(sum.value.input, { io: 'input', unrepresentable: 'any' }) as Schema
  const own = whole.oneOf?.find(({ properties }) => properties?.shape?.const === example.value.shape)
  return (own ?? whole).properties ?? {}
})
/** Emitters are a list; here one kind of them is enough to see the sum at work. */
const emitter = computed(() => (example.value.emitters as Record<string, number>[] | undefined)?.[0])
const begins = computed((): [name: string, value: number][] => [
  ...Object.entries(emitter.value ?? {}),
  ...Object.entries(properties.value)
    .filter(([name]) => name !== 'shape' && name !== 'emitters')
    .map(([name, property]): [string, number] => [name, (example.value[name] as number) ?? property.default]),
])

const typed = reactive<Record<string, Record<string, number>>>({})
function keep(name: string, value: number): undefined {
  typed[picked.value] = { ...typed[picked.value], [name]: value }
}
const figures = computed(() =>
  Object.fromEntries(begins.value.map(([name, value]) => [name, typed[picked.value]?.[name] ?? value])),
)
const input = computed((): Record<string, unknown> => {
  const { shape } = example.value
  if (!emitter.value) return shape ? { shape, ...figures.value } : figures.value
  const { count, litresPerHour, ...rest } = figures.value
  return { ...rest, emitters: [{ count, litresPerHour }] }
})
const choices = SUMS.map(entry => ({ value: entry.name, name: entry.purpose }))
const label = (name: string) => fieldRow(name).words
</script>

<template>
  <el-drawer v-model="shown" title="Sums" size="min(440px, 94vw)" append-to-body>
    <p class="soft small">The arithmetic behind the figures, by itself. Type in any unit.</p>
    <p><ChoiceField label="Which sum" :value="picked" :choices="choices" :set="name => (picked = name)" /></p>
    <p v-if="forms.length">
      Shape: <ChoiceField label="Shape" :value="form" :choices="forms" :set="value => (form = value)" />
    </p>
    <p v-for="[name] in begins" :key="`${picked}-${name}`" class="field">
      <span>{{ label(name) }}</span>
      <QuantityField
        :label="label(name)"
        :kind="fieldRow(name).kind"
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
