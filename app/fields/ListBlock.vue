<script setup lang="ts" generic="Item">
/** A few things of a long list, drawn anew by themselves. */
defineProps<{ items: readonly Item[]; keyOf: (item: Item) => string }>()
defineSlots<{ default: (props: { item: Item }) => unknown }>()
</script>

<template>
  <template v-for="item in items" :key="keyOf(item)"><slot :item="item" /></template>
</template>
