<script setup lang="ts">
/** A computed figure. Pressed, it opens the arithmetic behind it, in place. */
defineProps<{ name: string; input: Record<string, unknown> }>()
const open = ref(false)
const LazyWorkedSum = defineAsyncComponent(() => import('~/fields/WorkedSum.vue'))
</script>

<template>
  <span class="sum">
    <button type="button" :aria-expanded="open" title="Show the arithmetic" @click="open = !open"><slot /></button>
    <LazyWorkedSum v-if="open" :name="name" :input="input" />
  </span>
</template>

<style scoped>
button {
  font: inherit;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  background: none;
  border: 0;
  padding: 0 1px;
  color: var(--ink);
  cursor: pointer;
  text-decoration: underline dotted var(--soft);
  text-underline-offset: 3px;
}
button:hover {
  text-decoration-color: var(--oak);
  color: var(--oak);
}
</style>
