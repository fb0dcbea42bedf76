<script setup lang="ts">
import DueRow from './DueRow.vue'
import OddCard from './OddCard.vue'
import QuickLog from './QuickLog.vue'
import RunDryCard from './RunDryCard.vue'
import TankCard from './TankCard.vue'
import { dayToday } from '~/fields/days'
import { dueFor, SOON_DAYS } from './describe'
import { useKeep } from './useKeep'
import WeekCard from './WeekCard.vue'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { useSite } from '~/stores/site'

/** One page with coffee in hand: what is in each tank, when it runs short, what is due, and what looks odd. */
const store = useSite()
const { today, current, failure, again } = useKeep()
const due = computed(() => dueFor(store.site!, dayToday()))
const soon = computed(() => due.value.filter(({ inDays }) => inDays <= SOON_DAYS))
const MOST_DUE = 4
/** A page with coffee in hand is short: of a large site the other tanks are asked for. */
const FEW_HELD = 12
const mostHeld = ref(FEW_HELD)
const now = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', weekday: 'long' })
</script>

<template>
  <section data-notes="today">
    <h2>
      Today <small class="soft">{{ now }}</small>
    </h2>
    <QuickLog />
    <AnswerFailure :failure="failure" what="What the log says" :again="again" />
    <p v-if="!today && !failure" class="soft">Reading the log …</p>
    <div v-if="today" class="cards" :class="{ waiting: !current }">
      <TankCard v-for="held in today.held.slice(0, mostHeld)" :key="held.id" :held="held" :odd="today.odd" />
      <p v-if="today.held.length > mostHeld" class="small">
        {{ today.held.length - mostHeld }} other groups of tanks ·
        <button type="button" class="plain small" @click="mostHeld += FEW_HELD">Show more</button>
      </p>
      <RunDryCard v-if="today.held.length" :today="today" />
      <OddCard v-for="odd in today.odd" :key="`${odd.kind} ${odd.subject}`" :odd="odd" />
      <article class="card" data-due>
        <h3>Due</h3>
        <DueRow v-for="chore in soon.slice(0, MOST_DUE)" :key="chore.id" :chore="chore" />
        <p v-if="!soon.length" class="soft">
          Nothing in the next fortnight<template v-if="due[0]">; then: {{ due[0].what.toLowerCase() }}</template
          >.
        </p>
        <p v-if="soon.length > MOST_DUE" class="soft small">and {{ soon.length - MOST_DUE }} more, at Chores</p>
      </article>
      <WeekCard :today="today" />
    </div>
  </section>
</template>

<style scoped>
h2 small {
  font: 400 14px var(--text);
}
.cards {
  columns: 2 300px;
  column-gap: 16px;
  margin-top: 12px;
}
.cards.waiting {
  opacity: 0.6;
}
.cards :deep(.card) {
  break-inside: avoid;
  background: var(--sheet);
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 10px 14px 12px;
  margin: 0 0 12px;
}
.cards :deep(.card h3) {
  font-size: 15px;
  margin: 0 0 8px;
}
.cards :deep(.card.look) {
  border-left: 3px solid var(--straw);
}
.cards :deep(.card.odd) {
  border-left: 6px double var(--rust);
}
@media (max-width: 700px) {
  section {
    padding-bottom: 84px;
  }
}
</style>
