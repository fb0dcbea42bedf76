<script setup lang="ts">
import { useChangeMark } from '~/fields/useChangeMark'
const props = defineProps<{ name: string; value: string; note: string }>()
const marked = useChangeMark(() => props.value)
</script>

<template>
  <div class="row">
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
