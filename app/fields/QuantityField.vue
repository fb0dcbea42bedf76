<script setup lang="ts">
import { whyNot } from '#core/answers'
import { useChangeMark } from '~/fields/useChangeMark'
import { useUnits } from '~/fields/useUnits'
import { parseQuantity, type Kind } from '#core/units'

/**
 * A figure in a sentence that can be typed over, in any unit. Wrong text stays where it is, says why, and changes
 * nothing.
 */
const props = defineProps<{
  value: number | undefined
  kind: Kind
  label: string
  set: (value: number) => string | undefined
  empty?: string
}>()

const { show, system } = useUnits()
const shown = computed(() => (props.value === undefined ? (props.empty ?? '') : show(props.value, props.kind)))
const typed = ref(shown.value)
const editing = ref(false)
const problem = ref<string>()
const id = useId()
const input = useTemplateRef('input')
const marked = useChangeMark(() => props.value)

// What is half typed stays, also where another tab saves this very field.
watch(shown, (now, before) => {
  if (!editing.value || (typed.value === before && !problem.value)) typed.value = now
})

function commit(): void {
  if (typed.value.trim() === shown.value) return settle()
  const parsed = parseQuantity(typed.value, props.kind, system.value)
  problem.value = parsed.ok ? props.set(parsed.value) : whyNot(parsed)
  if (!problem.value) settle()
}
function settle(): void {
  problem.value = undefined
  typed.value = shown.value
}
function leave(): void {
  // Whoever turns to another window has not left the field: what is half typed waits there.
  if (document.activeElement === input.value) return
  commit()
  editing.value = Boolean(problem.value)
}
function giveUp(): void {
  settle()
  input.value?.select()
}
</script>

<template>
  <span class="quantity" :class="{ wrong: problem, marked }">
    <input
      ref="input"
      v-model="typed"
      :aria-label="label"
      :aria-invalid="Boolean(problem)"
      :aria-describedby="problem ? id : undefined"
      autocomplete="off"
      spellcheck="false"
      inputmode="text"
      :style="{ '--letters': typed.length }"
      @focus="
        editing = true
        ;($event.target as HTMLInputElement).select()
      "
      @keydown.enter.prevent="commit"
      @keydown.esc.stop="giveUp"
      @blur="leave"
    />
    <span v-if="problem" :id="id" class="problem" role="alert"
      >{{ problem }}
      <button type="button" class="plain" @mousedown.prevent="giveUp">Keep {{ shown || 'it empty' }}</button></span
    >
  </span>
</template>

<style scoped>
.quantity {
  display: inline-block;
  vertical-align: baseline;
}
input {
  font: inherit;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
  color: var(--ink);
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  border-radius: 2px 2px 0 0;
  padding: 1px 4px 0;
  line-height: 1.4;
  max-width: 100%;
  width: calc(var(--letters) * 1ch + 1ch);
  min-width: 3ch;
  field-sizing: content;
}
@supports (field-sizing: content) {
  input {
    width: auto;
  }
}
input:hover {
  background: color-mix(in srgb, var(--oak) 16%, var(--field));
}
.marked input {
  background: color-mix(in srgb, var(--oak) 22%, var(--field));
}
.wrong input {
  border-bottom-color: var(--rust);
  background: color-mix(in srgb, var(--rust) 12%, var(--sheet));
}
.problem {
  display: block;
  color: var(--rust);
  font-size: 13.5px;
  line-height: 1.4;
  max-width: 46ch;
  padding: 2px 0 4px;
}
</style>
