<script setup lang="ts">
import { useNewVersion } from './useNewVersion'
import { useSite } from '~/stores/site'

/** A newer version is here: told, and taken when the person says so, once all is saved. */
const waits = useNewVersion()
const store = useSite()
async function take(): Promise<void> {
  await store.flush()
  await waits.value?.()
}
</script>

<template>
  <p v-if="waits" class="newer" role="status">
    A newer Tall Cask is here.
    <button type="button" class="plain" @click="take">Take it</button>
    <button type="button" class="plain" @click="waits = undefined">Later</button>
  </p>
</template>

<style scoped>
.newer {
  position: fixed;
  left: 50%;
  top: 10px;
  transform: translateX(-50%);
  z-index: 40;
  display: flex;
  gap: 14px;
  padding: 6px 16px;
  margin: 0;
  background: var(--sheet);
  border: 1px solid var(--oak);
  border-radius: 3px;
}
</style>
