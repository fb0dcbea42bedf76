<script setup lang="ts">
import { eventSentence } from './book'
import { clockText, useTry } from './useTry'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'

/** The book of what happened, newest first. */
const store = useSite()
const { events, clockS } = useTry()
const { show } = useUnits()
const MOST = 60
const lines = computed(() =>
  events.value
    .slice(-MOST)
    .toReversed()
    .map((event, at) => ({
      key: `${events.value.length - at}`,
      at: clockText(event.atS, clockS.value),
      words: eventSentence(store.site!, event, events.value, show),
      what: event.what,
    })),
)
</script>

<template>
  <div class="book">
    <h3>The book</h3>
    <ol v-if="lines.length" aria-live="polite">
      <li v-for="{ key, at, words, what } in lines" :key="key" :data-event="what">
        <time>{{ at }}</time> <span>{{ words }}</span>
      </li>
    </ol>
    <p v-else class="soft small">Nothing has happened yet.</p>
  </div>
</template>

<style scoped>
h3 {
  margin: 0 0 4px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  max-height: 300px;
  overflow-y: auto;
  font-size: 13.5px;
}
li {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px;
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
}
time {
  font: 12.5px var(--mono);
  color: var(--soft);
}
</style>
