<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import type { Meaning } from '#core/network'

/** What the readings of a card mean. */
defineProps<{ meanings: Meaning[] }>()
const { phrase } = useUnits()
</script>

<template>
  <ul v-if="meanings.length" class="meanings" data-meanings>
    <li v-for="(meaning, at) in meanings" :key="at" :class="{ bad: !meaning.good }">
      <b>{{ meaning.good ? 'Good:' : 'Look:' }}</b> {{ phrase(meaning.words) }}
    </li>
  </ul>
  <p v-else class="soft small">Type what you read, and what it means stands here. It is kept with the site.</p>
</template>

<style scoped>
.meanings {
  margin: 6px 0;
  padding-left: 18px;
}
.bad b {
  color: var(--rust);
}
</style>
