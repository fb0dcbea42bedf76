<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { figuresOf, inputOf, rowOfFigure } from '~/fields/sumFigures'
import WorkedSum from '~/fields/WorkedSum.vue'
import { z } from 'zod'
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
const begins = computed(() => {
  const { shape: _shape, ...given } = example.value
  const told = Object.entries(properties.value).filter(([name]) => name !== 'shape')
  return figuresOf({ ...Object.fromEntries(told.map(([name, property]) => [name, property.default])), ...given })
})

const typed = reactive<Record<string, Record<string, number>>>({})
function keep(name: string, value: number): undefined {
  typed[picked.value] = { ...typed[picked.value], [name]: value }
}
const figures = computed(() =>
  begins.value.map(([name, value]) => [name, typed[picked.value]?.[name] ?? value] as const),
)
const input = computed((): Record<string, unknown> => {
  const { shape } = example.value
  const given = inputOf(figures.value.map(([name, value]) => [name, value]))
  return shape ? { shape, ...given } : given
})
const several = computed(() => begins.value.some(([name]) => name.includes('.1.')))
const rowAt = (name: string) => rowOfFigure(name, several.value)
const choices = SUMS.map(entry => ({ value: entry.name, name: entry.purpose }))
</script>

<template>
  <el-drawer v-model="shown" title="Sums" size="min(440px, 94vw)" append-to-body>
    <p class="soft small">The arithmetic behind the figures, by itself. Type in any unit.</p>
    <p><ChoiceField label="Which sum" :value="picked" :choices="choices" :set="name => (picked = name)" /></p>
    <p v-if="forms.length">
      Shape: <ChoiceField label="Shape" :value="form" :choices="forms" :set="value => (form = value)" />
    </p>
    <p v-for="[name, value] in figures" :key="`${picked}-${name}`" class="field">
      <span>{{ rowAt(name).words }}</span>
      <QuantityField
        :label="rowAt(name).words"
        :kind="rowAt(name).kind"
        :value="value"
        :set="typedIn => keep(name, typedIn)"
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
