<script setup lang="ts" generic="Choice extends string | number | boolean">
/** One of a few words in a sentence. */
const props = defineProps<{
  value: Choice
  label: string
  choices: { value: Choice; name: string }[]
  set: (value: Choice) => unknown
}>()
const shown = computed(() => props.choices.find(choice => choice.value === props.value)?.name ?? '')
</script>

<template>
  <el-select
    class="choice"
    :model-value="value"
    :aria-label="label"
    :fit-input-width="false"
    :style="{ width: `calc(${shown.length}ch * 0.79 + 34px)` }"
    @update:model-value="set($event as Choice)"
  >
    <el-option v-for="choice in choices" :key="String(choice.value)" :value="choice.value" :label="choice.name" />
  </el-select>
</template>

<style scoped>
.choice {
  vertical-align: -7px;
  max-width: 100%;
  overflow: hidden;
  height: 25px;
}
.choice :deep(.el-select__wrapper) {
  background: var(--field);
  box-shadow: none;
  border-bottom: 2px solid var(--oak);
  border-radius: 2px 2px 0 0;
  min-height: 0;
  height: 25px;
  padding: 0 4px;
  gap: 2px;
  font-size: inherit;
}
.choice :deep(.el-select__wrapper:hover) {
  background: color-mix(in srgb, var(--oak) 16%, var(--field));
  box-shadow: none;
}
.choice :deep(.el-select__wrapper.is-focused) {
  outline: 2px solid var(--oak);
  outline-offset: -2px;
  box-shadow: none;
}
.choice :deep(.el-select__placeholder) {
  color: var(--ink);
  font-weight: 450;
}
.choice :deep(.el-select__caret) {
  color: var(--oak);
  font-size: 12px;
}
</style>
