<script setup lang="ts">
import NewVersionNote from '~/offline/NewVersionNote.vue'
import { keepApp } from '~/offline/useNewVersion'
import { usePrefs } from '~/stores/prefs'
usePrefs()
onMounted(keepApp)
</script>

<template>
  <NuxtPage />
  <NewVersionNote />
</template>
