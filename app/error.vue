<script setup lang="ts">
import type { NuxtError } from '#app'

/** What stands where a page would: an address that is none, or a page that failed. */
const props = defineProps<{ error: NuxtError }>()
const unknown = computed(() => props.error.statusCode === 404)
useHead({ title: 'Tall Cask' })
</script>

<template>
  <main class="lost">
    <h1>{{ unknown ? 'There is no such page' : 'This page could not be shown' }}</h1>
    <p v-if="unknown">The address may be mistyped, or old. Your sites are where they were.</p>
    <p v-else>
      {{ error.message || 'Something went wrong.' }} Nothing that was saved is lost; open the site again from the Yard.
    </p>
    <button type="button" class="plain" @click="clearError({ redirect: '/' })">To the Yard</button>
  </main>
</template>

<style scoped>
.lost {
  max-width: 560px;
  margin: 0 auto;
  padding: 64px 24px;
}
</style>
