<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import {
  END_FAMILIES,
  END_FAMILY_IDS,
  endFamily,
  isInch,
  sizeWords,
  type End,
  type EndFamilyId,
  type Sex,
} from '#core/catalog'

/** One end: its family, its size as it is called, and which side of the pair it is. */
const props = defineProps<{ value: End; label: string; set: (end: End) => unknown }>()
const families = END_FAMILY_IDS.map(value => ({ value, name: END_FAMILIES[value].name }))
const sizes = computed(() =>
  endFamily(props.value.family).sizes.map(({ size }) => ({
    value: size,
    name: sizeWords({ family: props.value.family, size }),
  })),
)
const sexes = computed(() =>
  (['male', 'female'] as const).map(value => ({ value, name: endFamily(props.value.family)[value] })),
)
function ofFamily(family: EndFamilyId): void {
  const row = endFamily(family)
  const same = row.sizes.find(({ size }) => size === props.value.size && isInch(family) === isInch(props.value.family))
  props.set({ family, size: (same ?? row.sizes[0]!).size, sex: props.value.sex })
}
</script>

<template>
  <span>
    <ChoiceField
      :label="`${label}: size`"
      :value="value.size"
      :choices="sizes"
      :set="size => set({ ...value, size })"
    />
    <ChoiceField :label="`${label}: family`" :value="value.family" :choices="families" :set="ofFamily" />,
    <ChoiceField
      :label="`${label}: side`"
      :value="value.sex"
      :choices="sexes"
      :set="(sex: Sex) => set({ ...value, sex })"
    />
  </span>
</template>
