<script setup lang="ts">
import KeepingNote from './KeepingNote.vue'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'

/** Where this page's work is not kept, or not only here: why, and what to do. Beside it stands "saved". */
defineProps<{ remind: boolean }>()
const store = useSite()
const { exportSite } = useFiles()
</script>

<template>
  <KeepingNote v-if="store.trouble || store.saving === 'failed'" :autosave="store.here!"
    ><template #gone
  /></KeepingNote>
  <p v-else-if="store.holding === 'late'" class="clash" role="alert">
    This browser’s disk does not answer yet. All of it works in this tab alone, and is put on the disk as soon as that
    comes.
    <button type="button" class="plain" @click="exportSite()">Save it as a file</button>
  </p>
  <p v-else-if="!store.lasts" class="clash" role="alert">
    This browser lets the page keep nothing, as in a private window. All of it works, and is gone when the tab is
    closed: save a file before you leave.
    <button type="button" class="plain" @click="exportSite()">Save it as a file</button>
  </p>
  <p v-else-if="remind" class="clash calm" role="status">
    Saved here {{ store.unfiled }} times since it last left as a file. A file is the backup.
    <button type="button" class="plain" @click="exportSite()">Save it as a file</button>
  </p>
</template>
