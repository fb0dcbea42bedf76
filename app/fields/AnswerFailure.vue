<script setup lang="ts">
/** Told where a figure would stand: it could not be worked out, why, and the press that asks again. */
defineProps<{ failure: string | undefined; what: string; again: () => unknown }>()
</script>

<template>
  <p v-if="failure" role="alert" class="failure small">
    {{ what }} could not be worked out: {{ failure }}.
    <button type="button" class="plain small" @click="again">Try again</button>
  </p>
</template>

<style scoped>
.failure {
  color: var(--rust);
}
</style>
