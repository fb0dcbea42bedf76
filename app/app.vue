<script setup lang="ts">
usePrefs()
</script>

<template>
  <NuxtPage />
</template>
