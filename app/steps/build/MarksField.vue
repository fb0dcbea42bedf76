<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import type { Kind } from '#core/units'

/** A few places of one sort, typed one after another, each of which can be taken out again. */
const props = defineProps<{
  label: string
  kind: Kind
  values: readonly number[]
  set: (values: number[]) => string | undefined
}>()
const { show } = useUnits()
const add = (value: number) => props.set([...new Set([...props.values, value])].sort((a, b) => a - b))
const without = (value: number) => props.set(props.values.filter(each => each !== value))
</script>

<template>
  <span>
    {{ label }} at
    <template v-for="value in values" :key="value">
      {{ show(value, kind)
      }}<button type="button" class="plain" :aria-label="`No ${label} at ${show(value, kind)}`" @click="without(value)">
        ×</button
      >,
    </template>
    <QuantityField
      :label="`Add ${label}`"
      :kind="kind"
      :value="undefined"
      :empty="values.length ? 'another' : 'none said'"
      :set="add"
    />
  </span>
</template>
