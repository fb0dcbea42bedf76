<script setup lang="ts">
import NewVersionNote from '~/offline/NewVersionNote.vue'
import { useSite } from '~/stores/site'
import { useEventListener } from '@vueuse/core'
import { usePrefs } from '~/stores/prefs'
usePrefs()
const store = useSite()
useEventListener(window, 'beforeunload', event => {
  if (store.wouldLose) event.preventDefault()
})
</script>

<template>
  <NuxtPage />
  <NewVersionNote />
</template>
