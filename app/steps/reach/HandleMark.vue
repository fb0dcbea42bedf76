<script setup lang="ts">
/** A valve’s handle as it stands: along the pipe is open, across it shut; a dash where nothing is said. */
defineProps<{ open: boolean | undefined }>()
</script>

<template>
  <svg viewBox="-14 -11 28 22" width="34" height="26" aria-hidden="true">
    <path d="M-13 0 H13" class="pipe" />
    <line v-if="open === true" x1="-8" x2="8" y1="0" y2="0" class="handle" />
    <line v-else-if="open === false" x1="0" x2="0" y1="-8" y2="8" class="handle" />
  </svg>
</template>

<style scoped>
.pipe {
  stroke: var(--hair);
  stroke-width: 2;
}
.handle {
  stroke: var(--oak);
  stroke-width: 6;
  stroke-linecap: round;
}
</style>
