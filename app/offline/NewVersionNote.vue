<script setup lang="ts">
import { useNewVersion, type Newer } from './useNewVersion'

/** A newer version is here: each tab is asked, and none loads anew before all of it is saved. */
const { newer, waitsFor, take, later, lookOut } = useNewVersion()
onMounted(lookOut)
const WORDS: Record<Newer, string> = {
  waits: 'A newer Tall Cask is here.',
  server: 'A newer Tall Cask is on the server.',
  taken: 'A newer Tall Cask was taken in another tab; this one goes on as it was.',
  away: 'A piece of this page did not come, and the server does not answer. What stands open works on.',
  needed: 'A newer Tall Cask is on the server, and pieces of this one are gone. It loads as soon as all is saved.',
}
</script>

<template>
  <div v-if="newer" class="newer" role="status" :data-newer="newer">
    {{ WORDS[newer] }}
    <button v-if="newer !== 'away'" type="button" class="plain" @click="take">
      {{ newer === 'waits' ? 'Take it' : 'Load it' }}
    </button>
    <button v-if="newer !== 'needed'" type="button" class="plain" @click="later">Later</button>
    <p v-if="waitsFor" class="small wrong">{{ waitsFor }}</p>
  </div>
</template>

<style scoped>
.newer {
  position: fixed;
  left: 50%;
  top: 10px;
  transform: translateX(-50%);
  z-index: 40;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 6px 16px;
  max-width: min(620px, 94vw);
  background: var(--sheet);
  border: 1px solid var(--oak);
  border-radius: 3px;
}
p {
  flex-basis: 100%;
  margin: 0;
}
</style>
