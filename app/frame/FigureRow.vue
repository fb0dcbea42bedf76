<script setup lang="ts">
import { useChangeMark } from '~/fields/useChangeMark'
/** A figure of the Margin; one that is still being worked out is seen as such, once that takes longer than a blink. */
const props = defineProps<{ name: string; value: string; note: string; waiting?: boolean }>()
const marked = useChangeMark(() => props.value)
</script>

<template>
  <div class="row" :class="{ waiting }">
    <dt>{{ name }}</dt>
    <dd class="figure" :class="{ marked }" :data-figure="name">{{ value }}</dd>
    <dd class="note">{{ note }}</dd>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
  border-bottom: 1px solid var(--hair);
  padding: 3px 0 4px;
  column-gap: 8px;
}
/* Only what takes longer than a blink is seen to. */
.waiting .figure,
.waiting .note {
  opacity: 0.5;
  transition: opacity 0.2s 0.4s;
}
dt {
  color: var(--soft);
  font-size: 14px;
}
dd {
  margin: 0;
}
.figure {
  font-size: 19px;
  border-radius: 3px;
  padding: 0 3px;
  margin-right: -3px;
  white-space: nowrap;
}
.marked {
  background: color-mix(in srgb, var(--oak) 18%, transparent);
}
.note {
  grid-column: 1 / 3;
  color: var(--soft);
  font-size: 13px;
  margin-top: -2px;
  line-height: 1.35;
}
</style>
