<script setup lang="ts" generic="Choice extends string | number | boolean">
import { useSite } from '~/stores/site'

/** One of a few words in a sentence. */
const props = defineProps<{
  value: Choice
  label: string
  choices: { value: Choice; name: string }[]
  set: (value: Choice) => unknown
}>()
const store = useSite()
const problem = ref<string>()
/** What is chosen is taken, or the words stay as they were and say why. */
function choose(value: Choice): void {
  store.problem = undefined
  props.set(value)
  problem.value = store.problem
}
const chosen = computed(() => props.choices.filter(choice => choice.value === props.value))
const shown = computed(() => chosen.value[0]?.name ?? '')
/** The others are made when somebody first asks for them: there may be a hundred, and there are many such words. */
const asked = ref(false)
const offered = computed(() => (asked.value ? props.choices : chosen.value))
</script>

<template>
  <span class="choice">
    <!-- As wide as its words: they lie under it, unseen, and give it their width. -->
    <span class="words" aria-hidden="true">{{ shown }}</span>
    <el-select
      :model-value="value"
      :aria-label="label"
      :fit-input-width="false"
      @visible-change="asked ||= $event"
      @update:model-value="choose($event as Choice)"
      @blur="problem = undefined"
    >
      <el-option v-for="choice in offered" :key="String(choice.value)" :value="choice.value" :label="choice.name" />
    </el-select>
    <span v-if="problem" role="alert" class="problem">{{ problem }}</span>
  </span>
</template>

<style scoped>
.choice {
  display: inline-grid;
  vertical-align: baseline;
  max-width: 100%;
  height: 25px;
  position: relative;
}
.problem {
  position: absolute;
  z-index: 3;
  top: 100%;
  left: 0;
  width: max-content;
  max-width: min(320px, 80vw);
  padding: 3px 8px 4px;
  background: var(--sheet);
  border-left: 3px solid var(--rust);
  color: var(--rust);
  font-size: 13.5px;
  line-height: 1.4;
}
.choice > * {
  grid-area: 1 / 1;
  min-width: 0;
}
.words {
  visibility: hidden;
  white-space: nowrap;
  overflow: hidden;
  padding-right: 26px;
  line-height: 25px;
  font-weight: 450;
}
.choice :deep(.el-select__wrapper) {
  overflow: hidden;
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
