<script setup lang="ts">
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'
import { useEventListener } from '@vueuse/core'

/** Where this page's work is not kept, or not only here: why, and what to do. Beside it stands "saved". */
defineProps<{ remind: boolean }>()
const store = useSite()
const { exportSite } = useFiles()

/** What would be lost if the page were closed now. */
const wouldLose = computed(
  () =>
    store.saving === 'failed' ||
    (store.trouble !== undefined && store.saving === 'unsaved') ||
    (!store.lasts && store.unfiled > 0),
)
useEventListener(window, 'beforeunload', event => {
  if (wouldLose.value) event.preventDefault()
})
</script>

<template>
  <p v-if="store.trouble === 'elsewhere'" class="clash" role="alert">
    Another tab changed this site while you were working here. Nothing is saved from this tab until you choose.
    <button type="button" class="plain" @click="store.takeTheirs()">Take the other tab’s</button>
    <button type="button" class="plain" @click="store.keepOurs()">Keep this tab’s</button>
  </p>
  <p v-else-if="store.trouble === 'gone'" class="clash" role="alert">
    This site was taken out of the Yard in another tab. Nothing is saved from here; it is whole in this tab, with all
    its history.
    <button type="button" class="plain" @click="store.putBack()">Put it back</button>
    <button type="button" class="plain" @click="exportSite">Save it as a file</button>
  </p>
  <p v-else-if="store.saving === 'failed'" class="clash" role="alert">
    <b>Not saved:</b>
    {{
      store.trouble === 'full'
        ? 'this browser has no room left on the disk.'
        : 'this browser refuses to write just now.'
    }}
    Your last changes are in this tab alone. It is tried again by itself; a file is safe at once.
    <button type="button" class="plain" @click="exportSite">Save it as a file</button>
    <button type="button" class="plain" @click="store.flush()">Try again now</button>
  </p>
  <p v-else-if="!store.lasts" class="clash" role="alert">
    This browser lets the page keep nothing, as in a private window. All of it works, and is gone when the tab is
    closed: save a file before you leave.
    <button type="button" class="plain" @click="exportSite">Save it as a file</button>
  </p>
  <p v-else-if="remind" class="clash calm" role="status">
    Saved here {{ store.unfiled }} times since it last left as a file. A file is the backup.
    <button type="button" class="plain" @click="exportSite">Save it as a file</button>
  </p>
</template>

<style scoped>
.clash {
  flex-basis: 100%;
  margin: 0 0 4px;
  border-left: 4px solid var(--rust);
  padding: 2px 10px;
  font-size: 14px;
}
.clash button {
  margin-left: 8px;
}
.calm {
  border-left-color: var(--straw);
}
</style>
