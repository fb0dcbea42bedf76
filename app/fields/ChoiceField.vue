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
const shown = computed(() => props.choices.find(({ value }) => value === props.value)?.name ?? '')
/**
 * The list is made when somebody first asks for it: there may be a hundred others, there are many such words, and each
 * list that is made has the whole page laid out for it.
 */
const asked = ref(false)
const choice = useTemplateRef('choice')
async function ask(): Promise<void> {
  asked.value = true
  await nextTick()
  const wrapper = choice.value?.querySelector<HTMLElement>('.el-select__wrapper')
  choice.value?.querySelector('input')?.focus()
  wrapper?.click()
}
</script>

<template>
  <span ref="choice" class="choice">
    <!-- As wide as its words: they lie under it, unseen, and give it their width. -->
    <span class="words" aria-hidden="true">{{ shown }}</span>
    <button
      v-if="!asked"
      type="button"
      class="unopened"
      role="combobox"
      aria-haspopup="listbox"
      aria-expanded="false"
      :aria-label="label"
      @click="ask"
      @keydown.down.prevent="ask"
      @keydown.up.prevent="ask"
    >
      <span>{{ shown }}</span>
      <svg viewBox="0 0 12 12" aria-hidden="true"><path d="M2 4l4 4 4-4" /></svg>
    </button>
    <el-select
      v-else
      :model-value="value"
      :aria-label="label"
      :fit-input-width="false"
      @update:model-value="choose($event as Choice)"
      @blur="problem = undefined"
    >
      <el-option v-for="each in choices" :key="String(each.value)" :value="each.value" :label="each.name" />
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
.unopened {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 2px;
  overflow: hidden;
  height: 25px;
  padding: 0 4px;
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  border-radius: 2px 2px 0 0;
  font: inherit;
  font-weight: 450;
  color: var(--ink);
  text-align: left;
  white-space: nowrap;
  cursor: pointer;
}
.unopened:hover {
  background: color-mix(in srgb, var(--oak) 16%, var(--field));
}
.unopened:focus-visible {
  outline: 2px solid var(--oak);
  outline-offset: -2px;
}
.unopened span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.unopened svg {
  flex: none;
  width: 12px;
  fill: none;
  stroke: var(--oak);
  stroke-width: 1.2;
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
