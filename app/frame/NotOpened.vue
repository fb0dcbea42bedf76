<script setup lang="ts">
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'
import type { NotOpened } from '~/stores/useOpenSites'

/** A site that was not opened: why, and what can be done. */
defineProps<{ why: NotOpened }>()
const store = useSite()
const { exportAsItIs } = useFiles()
</script>

<template>
  <main class="lost">
    <template v-if="why.because === 'unsound'">
      <h1>This site cannot be worked with</h1>
      <p v-for="{ path, sentence } in why.problems" :key="path + sentence" role="alert">
        {{ sentence }} <small v-if="path" class="soft">{{ path }}</small>
      </p>
      <p>Nothing of it was changed. Its file can be mended in any editor of text, and opened in the Yard.</p>
      <button v-if="why.site" type="button" class="move" @click="exportAsItIs(why.site.name, why.site)">
        Save it as a file
      </button>
    </template>
    <template v-else-if="store.holding === 'late'">
      <h1>This browser’s disk does not answer yet</h1>
      <p>The site may lie there; it opens as soon as that comes.</p>
    </template>
    <template v-else>
      <h1>There is no such site in this browser</h1>
      <p>It may have been taken out, or it lies in another browser. A site file brings it here.</p>
    </template>
    <NuxtLink to="/">To the Yard</NuxtLink>
  </main>
</template>

<style scoped>
.lost {
  max-width: 560px;
  margin: 18vh auto;
  padding: 0 20px;
}
.move {
  margin: 0 16px 0 0;
}
</style>
