<script setup lang="ts">
/** A name that can be typed over. */
const props = defineProps<{ value: string; label: string; set: (value: string) => string | undefined }>()
const typed = ref(props.value)
watch(
  () => props.value,
  // What is half typed stays, also where another tab saves this very name.
  (now, before) => {
    if (typed.value === before) typed.value = now
  },
)
const input = useTemplateRef('input')
function commit(): void {
  // Whoever turns to another window has not left the field.
  if (document.activeElement === input.value) return
  const name = typed.value.trim()
  if (name && name !== props.value && !props.set(name)) return
  typed.value = props.value
}
</script>

<template>
  <input
    ref="input"
    v-model="typed"
    class="name"
    :aria-label="label"
    maxlength="80"
    autocomplete="off"
    :style="{ '--letters': typed.length }"
    @keydown.enter.prevent="($event.target as HTMLInputElement).blur()"
    @keydown.esc.stop="typed = value"
    @blur="commit"
  />
</template>

<style scoped>
.name {
  font: inherit;
  letter-spacing: inherit;
  color: inherit;
  background: transparent;
  border: 0;
  border-bottom: 1.5px dotted var(--hair);
  padding: 0 2px;
  margin-left: -2px;
  /* The margin to the left is not part of what its place is as wide as. */
  max-width: calc(100% + 2px);
  width: calc(var(--letters) * 1ch + 1ch);
  min-width: 4ch;
  field-sizing: content;
}
@supports (field-sizing: content) {
  .name {
    width: auto;
  }
}
.name:hover,
.name:focus {
  border-bottom-color: var(--oak);
  background: var(--field);
}
</style>
