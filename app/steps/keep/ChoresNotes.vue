<script setup lang="ts">
import DueRow from './DueRow.vue'
import YearCard from './YearCard.vue'
import { dayToday } from '~/fields/days'
import { dueFor } from './describe'
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import ListPdf from '~/steps/ListPdf.vue'
import { usePrint } from '~/print/printNotes'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'
import { whyNot } from '#core/answers'
import { moveOf } from '#core/moves'
import { choresOf } from '#core/keep'

/** Every chore that this system's own parts bring, by when it comes; as a calendar, and as a card for the shed door. */
const store = useSite()
const { saveAs } = useFiles()
const due = computed(() => dueFor(store.site!, dayToday()))
const [WEEK, SEASON] = [7, 92]
const groups = computed(() => [
  { id: 'now', title: 'Now and this week', chores: due.value.filter(({ inDays }) => inDays <= WEEK) },
  { id: 'season', title: 'This season', chores: due.value.filter(({ inDays }) => inDays > WEEK && inDays <= SEASON) },
  { id: 'later', title: 'Later', chores: due.value.filter(({ inDays }) => inDays > SEASON) },
])
const never = computed(() => {
  const ids = new Set(store.site!.chores?.flatMap(each => (each.never ? [each.id] : [])))
  return choresOf(store.site!).filter(({ id }) => ids.has(id))
})
const problem = ref<string>()
async function saveCalendar(): Promise<void> {
  const { choreCalendar } = await import('#core/exchange')
  const made = choreCalendar(store.site!, due.value, dayToday())
  problem.value = made.ok ? undefined : whyNot(made)
  if (made.ok) saveAs('chores.ics', 'text/calendar', made.text)
}
const idOf = ({ id }: { id: string }) => id
const print = usePrint()
const content = async () => (await import('./yearCardPaper')).yearCardPaper(store.site!, dayToday())
</script>

<template>
  <section data-notes="chores" class="printed">
    <h2 class="unprinted">Chores</h2>
    <p class="unprinted">
      From the parts that stand here, by their interval, season or reading ·
      <button type="button" class="plain" data-save="ics" @click="saveCalendar">Save as a calendar</button> ·
      <button type="button" class="plain" @click="print">Print the year’s card</button> ·
      <ListPdf kind="The year’s chores" file="year-card" :content="content" />
    </p>
    <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
    <div class="unprinted">
      <FoldGroup
        v-for="{ id, title, chores } in groups"
        :id="`keep-chores-${id}`"
        :key="id"
        :title="title"
        :summary="chores.length === 1 ? 'one' : String(chores.length)"
        :open="id === 'now'"
      >
        <LongList v-slot="{ item: chore }" :items="chores" :key-of="idOf"><DueRow :chore="chore" whole /></LongList>
        <p v-if="!chores.length" class="soft">Nothing.</p>
      </FoldGroup>
    </div>
    <FoldGroup id="keep-year-card" title="The year’s card" summary="for the shed door">
      <YearCard />
    </FoldGroup>
    <p v-if="never.length" class="small unprinted">
      Never here:
      <template v-for="(chore, at) in never" :key="chore.id"
        >{{ at ? '; ' : '' }}{{ chore.what }}
        <button type="button" class="plain" @click="store.make(moveOf('putChore', { chore: chore.id }))">
          after all
        </button></template
      >.
    </p>
  </section>
</template>
