<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'

/** The height at which an overflow's line ends. */
const props = defineProps<{ outfall: NodeOf<'outfall'> }>()
const store = useSite()
const set = (baseM: number) => store.make(moveOf('setHeight', { node: props.outfall.id, baseM }))
</script>

<template>
  <QuantityField label="Height of the outfall" kind="length" :value="outfall.baseM" :set="set" />
</template>
