<script setup lang="ts">
import { MONTH_NAMES } from '#core/units'

/** Twelve letters, each a month that is on or off. */
const props = defineProps<{ value: number[]; label: string; set: (months: number[]) => unknown }>()
const toggle = (month: number) =>
  props.set(
    props.value.includes(month)
      ? props.value.filter(other => other !== month)
      : [...props.value, month].sort((a, b) => a - b),
  )
</script>

<template>
  <span class="months" role="group" :aria-label="label">
    <button
      v-for="(name, index) in MONTH_NAMES"
      :key="name"
      type="button"
      :aria-pressed="value.includes(index + 1)"
      :aria-label="name"
      :title="name"
      @click="toggle(index + 1)"
    >
      {{ name[0] }}
    </button>
  </span>
</template>

<style scoped>
.months {
  display: inline-flex;
  gap: 1px;
  vertical-align: baseline;
}
button {
  width: 21px;
  height: 22px;
  border: 0;
  border-bottom: 2px solid var(--hair);
  background: transparent;
  color: var(--soft);
  font-size: 13px;
  padding: 0;
  cursor: pointer;
  border-radius: 2px 2px 0 0;
}
button[aria-pressed='true'] {
  background: var(--field);
  color: var(--ink);
  font-weight: 650;
  border-bottom-color: var(--oak);
}
@media (max-width: 700px) {
  button {
    width: 26px;
    height: 32px;
  }
}
</style>
