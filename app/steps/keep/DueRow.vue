<script setup lang="ts">
import { dayToday, dayWords, daysAfter } from '~/fields/days'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import type { DueChore } from '#core/keep'

/** A chore that is due: ticked when it is done, put off, or said never to come here. */
const props = defineProps<{ chore: DueChore; whole?: boolean }>()
const store = useSite()
const done = () => store.make(moveOf('logReading', { at: dayToday(), kind: 'chore', subject: props.chore.id }))
const WEEK_DAYS = 7
const putOff = () => store.make(moveOf('putChore', { chore: props.chore.id, until: daysAfter(WEEK_DAYS) }))
const never = () => store.make(moveOf('putChore', { chore: props.chore.id, never: true }))
const how = computed(() => {
  const { minutes, tools, last } = props.chore
  const takes = [`${minutes[0]} to ${minutes[1]} minutes`, ...tools].join(', ')
  return `${takes}${last ? `; last ${dayWords(last)}` : ''}.`
})
/** How it comes round. */
const round = computed(() => {
  const { comes } = props.chore
  if (comes.by === 'season') return 'By the season.'
  const every = comes.months === 1 ? 'Every month' : comes.months === 12 ? 'Every year' : `Every ${comes.months} months`
  return comes.by === 'months' ? `${every}.` : `${every}, ${comes.words}.`
})
const when = computed(() => {
  const { inDays, due } = props.chore
  if (inDays < 0) return `${-inDays} ${inDays === -1 ? 'day' : 'days'} late`
  return inDays < WEEK_DAYS ? 'this week' : dayWords(due)
})
</script>

<template>
  <div class="due" :data-chore="chore.id" :class="{ late: chore.inDays < 0 }">
    <button type="button" class="tick" role="checkbox" aria-checked="false" :aria-label="chore.what" @click="done">
      ☐
    </button>
    <div>
      {{ chore.what }}
      <p class="soft small">
        {{ how }}
        <template v-if="whole">
          {{ round }} {{ chore.why }} Done: {{ chore.done }} Left: {{ chore.skipping }}
          <b v-if="chore.caution">{{ chore.caution }}</b>
        </template>
        <button type="button" class="plain" @click="putOff">In a week</button>
        <template v-if="whole"> · <button type="button" class="plain" @click="never">Never here</button></template>
      </p>
    </div>
    <span class="when small">{{ when }}</span>
  </div>
</template>

<style scoped>
.due {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 4px;
  padding: 6px 0;
  border-top: 1px solid var(--hair);
  break-inside: avoid;
}
.tick {
  background: none;
  border: 0;
  padding: 0;
  font-size: 19px;
  line-height: 1.1;
  color: var(--oak);
  cursor: pointer;
  align-self: start;
}
p {
  margin: 0;
}
.when {
  color: var(--soft);
  white-space: nowrap;
}
.late .when {
  color: var(--rust);
  font-weight: 600;
}
@media (max-width: 700px) {
  .tick {
    font-size: 26px;
    min-height: 44px;
    min-width: 34px;
  }
  .due {
    grid-template-columns: 42px minmax(0, 1fr) auto;
  }
}
</style>
