<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import type { Meaning } from '#core/network'

/** A guided card: its steps, and what the readings typed in them mean. */
defineProps<{ id: string; title: string; meanings: Meaning[] }>()
const { phrase } = useUnits()
</script>

<template>
  <section class="card" :data-card="id">
    <h3>Card: {{ title }}</h3>
    <ol>
      <slot />
    </ol>
    <ul v-if="meanings.length" class="meanings" data-meanings>
      <li v-for="(meaning, at) in meanings" :key="at" :class="{ bad: !meaning.good }">
        <b>{{ meaning.good ? 'Good:' : 'Look:' }}</b> {{ phrase(meaning.words) }}
      </li>
    </ul>
    <p v-else class="soft small">Type what you read, and what it means stands here. It is kept with the site.</p>
  </section>
</template>

<style scoped>
.card {
  border-left: 3px solid var(--oak);
  padding-left: 12px;
  margin: 12px 0;
}
h3 {
  margin: 0 0 4px;
}
ol {
  line-height: 1.85;
}
.meanings {
  margin: 6px 0;
  padding-left: 18px;
}
.bad b {
  color: var(--rust);
}
</style>
