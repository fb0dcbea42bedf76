<script setup lang="ts">
import { MONTH_NAMES } from '#core/units'

/** Twelve figures as bars with their numbers. */
const props = defineProps<{ values: number[]; label: string; show: (value: number) => string; over?: number[] }>()
const most = computed(() => Math.max(1e-9, ...props.values))
</script>

<template>
  <ol class="bars" :aria-label="label">
    <li v-for="(value, month) in values" :key="month" :title="`${MONTH_NAMES[month]}: ${show(value)}`">
      <span class="bar" :style="{ height: `${Math.round((44 * value) / most)}px` }" />
      <span class="figure small">{{ show(value) }}</span>
      <span class="soft small">{{ MONTH_NAMES[month]!.slice(0, 3) }}</span>
    </li>
  </ol>
</template>

<style scoped>
.bars {
  display: grid;
  grid-template-columns: repeat(12, minmax(0, 1fr));
  gap: 4px;
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
  max-width: 860px;
}
li {
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
  align-items: center;
  text-align: center;
  line-height: 1.25;
  min-height: 82px;
}
.bar {
  width: 70%;
  background: var(--water-deep);
  border-radius: 2px 2px 0 0;
  margin-bottom: 2px;
  min-height: 1px;
}
.small {
  font-size: 12.5px;
}
@media (max-width: 700px) {
  .bars {
    grid-template-columns: repeat(6, 1fr);
  }
}
</style>
