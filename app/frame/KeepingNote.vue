<script setup lang="ts">
import { useFiles } from '~/stores/useFiles'
import type { Autosave } from '~/stores/autosave'

/** Why a site is not kept, where it is not: what stands where, and the ways out. */
const props = defineProps<{ autosave: Autosave }>()
const emit = defineEmits<{ letGo: [] }>()
const { exportSite } = useFiles()
const trouble = computed(() => props.autosave.trouble.value)
const failed = computed(() => props.autosave.saving.value === 'failed')
</script>

<template>
  <p v-if="trouble === 'elsewhere'" class="clash" role="alert">
    <b>Not saved:</b> another tab changed this site while you were working here. Nothing is saved from this tab until
    you choose.
    <button type="button" class="plain" @click="autosave.keepOurs()">Keep this tab’s</button>
    <button type="button" class="plain" @click="autosave.takeTheirs()">Take the other tab’s</button>
    <button type="button" class="plain" @click="exportSite(autosave)">Save this tab’s as a file</button>
  </p>
  <p v-else-if="trouble === 'gone'" class="clash" role="alert">
    <b>Not saved:</b> this site was taken out of the Yard in another tab. It is whole in this tab, with all its history.
    <button type="button" class="plain" @click="autosave.putBack()">Put it back</button>
    <button type="button" class="plain" @click="exportSite(autosave)">Save it as a file</button>
    <slot name="gone"><button type="button" class="plain" @click="emit('letGo')">Let it go</button></slot>
  </p>
  <p v-else-if="failed" class="clash" role="alert">
    <b>Not saved:</b>
    <template v-if="trouble === 'full'"> this browser has no room left on the disk.</template>
    <template v-else-if="trouble === 'unfit'">
      something of the last changes cannot be written down ({{ autosave.cause.value }}). Undo the last step, and tell
      who runs this page.
    </template>
    <template v-else> this browser refuses to write just now ({{ autosave.cause.value }}).</template>
    Your last changes are in this tab alone. It is tried again by itself; a file is safe at once.
    <button type="button" class="plain" @click="autosave.flush()">Try again now</button>
    <button type="button" class="plain" @click="exportSite(autosave)">Save it as a file</button>
  </p>
</template>
