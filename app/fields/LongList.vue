<script setup lang="ts" generic="Item">
import ListBlock from './ListBlock.vue'
import { usePrinting } from '~/print/printNotes'
import { fewAtATime } from '~/stores/fewAtATime'
import { inBlocks } from '~/stores/inBlocks'

/**
 * What is as long as the site is large: it comes a few things at a time, and each few are drawn by themselves. On
 * paper they are all there at once.
 */
const props = withDefaults(defineProps<{ items: readonly Item[]; keyOf: (item: Item) => string; few?: number }>(), {
  few: 12,
})
defineSlots<{ default: (props: { item: Item }) => unknown }>()
const printing = usePrinting()
const shown = fewAtATime(
  () => props.items,
  props.keyOf,
  () => (printing.value ? Infinity : props.few),
)
const blocks = computed<Item[][]>(before => inBlocks(shown.value, props.few, before))
</script>

<template>
  <ListBlock v-for="(block, at) in blocks" :key="at" v-slot="{ item }" :items="block" :key-of="keyOf">
    <slot :item="item" />
  </ListBlock>
</template>
