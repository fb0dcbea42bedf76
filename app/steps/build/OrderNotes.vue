<script setup lang="ts">
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import ListPdf from '~/steps/ListPdf.vue'
import { usePrint } from '~/print/printNotes'
import { buildFor, monthNow, planFor, taskMoved } from './describe'
import { isLarge } from '~/engine/large'
import { dayToday } from '~/fields/days'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { group } from 'd3-array'
import { whyNot } from '#core/answers'
import { moveOf } from '#core/moves'
import { fitsInto, WORKS, type Planned } from '#core/build'

/** The order of work by days: ticked as it is done, put sooner or later as far as the graph allows. */
const store = useSite()
const problem = ref<string>()
const people = ref(2)
const hoursADay = ref(6)
const COUNTS = [1, 2, 3, 4].map(value => ({ value, name: value === 1 ? 'one person' : `${value} people` }))
const HOURS = [2, 4, 6, 8].map(value => ({ value, name: `${value} hours a day` }))
const crew = computed(() => ({ people: people.value, hoursADay: hoursADay.value }))
const plan = computed(() => planFor(store.site!, crew.value, monthNow()) ?? buildFor(store.site!)!.plan)
const whats = computed(() => new Map(plan.value.map(({ id, what }) => [id, what])))
const byDay = computed(() => [...group(plan.value, ({ day }) => day)])
const taskOf = ({ id }: Planned) => id
const dayOf = ([day]: [number, Planned[]]) => String(day)
const firstDay = computed(() => byDay.value.find(([day]) => day > 0)?.[0])
const weekend = computed(() => fitsInto(plan.value, crew.value))
const tick = (task: Planned) =>
  (problem.value = store.make(moveOf('tickTask', { task: task.id, ...(task.done ? {} : { on: dayToday() }) })))
const noteOn = (task: Planned, note: string) =>
  (problem.value = store.make(
    moveOf('tickTask', { task: task.id, on: task.done?.on ?? dayToday(), ...(note ? { note } : {}) }),
  ))
const waits = ({ waitsFor: [first] }: Planned) => first && whats.value.get(first)
const minutes = ([least, most]: [number, number]) =>
  most < 90 ? `${least} to ${most} min` : `${Math.round(least / 30) / 2} to ${Math.round(most / 30) / 2} h`

async function put(id: string, before: string | undefined): Promise<void> {
  const { id: siteId } = store.site!
  const moved = await taskMoved(store.site!, id, before)
  // Another site may have been opened while a large one was worked out.
  if (store.site?.id !== siteId) return
  if (!moved.ok) {
    problem.value = whyNot(moved)
    return
  }
  const stood = place(id)
  problem.value = store.make(moveOf('orderTasks', { order: moved.order }))
  // The order of a large site is worked out anew meanwhile.
  if (!problem.value && place(id) === stood && !isLarge(store.site!))
    problem.value = 'It comes on the first day that has room for it, once what it waits for has cured.'
}
const place = (id: string) => plan.value.findIndex(task => task.id === id)
async function shift(id: string, by: -1 | 1): Promise<void> {
  const ids = plan.value.map(task => task.id)
  const at = ids.indexOf(id)
  if (at + by < 0 || at + by >= ids.length) return
  await put(id, by < 0 ? ids[at - 1] : ids[at + 2])
  void nextTick(() => document.querySelector<HTMLElement>(`[data-task="${CSS.escape(id)}"]`)?.focus())
}
const dragged = ref<string>()
function drop(before: string): void {
  if (dragged.value && dragged.value !== before) void put(dragged.value, before)
  dragged.value = undefined
}
const print = usePrint()
const content = async () => (await import('./report/work')).order({ site: store.site! }, plan.value)
</script>

<template>
  <section data-notes="order" class="printed">
    <h2>The order of work</h2>
    <p class="unprinted">
      For
      <ChoiceField label="People" :value="people" :choices="COUNTS" :set="value => void (people = value)" />,
      <ChoiceField label="Hours a day" :value="hoursADay" :choices="HOURS" :set="value => void (hoursADay = value)" />
      · <ListPdf kind="The order of work" file="order" :content="content" /> ·
      <button type="button" class="plain" @click="print">Print it</button
      ><template v-if="store.site!.build?.order">
        ·
        <button type="button" class="plain" @click="store.make(moveOf('orderTasks', { order: [] }))">
          The usual order again
        </button></template
      >
    </p>
    <p v-if="weekend.length" data-weekend>
      In one day of it fit {{ weekend.length }}:
      {{
        weekend
          .map(({ what }) => what)
          .slice(0, 3)
          .join('; ')
      }}{{ weekend.length > 3 ? '; …' : '' }}
    </p>
    <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
    <LongList v-slot="{ item: [day, tasks] }" :items="byDay" :key-of="dayOf">
      <FoldGroup
        :id="`build-day-${day}`"
        :title="day ? `Day ${day}` : 'Done'"
        :summary="tasks.length === 1 ? 'one task' : `${tasks.length} tasks`"
        :open="day === firstDay"
      >
        <ul>
          <LongList v-slot="{ item: task }" :items="tasks" :key-of="taskOf">
            <li
              :data-task="task.id"
              :class="{ done: task.done, waits: !task.done && task.waitsFor.length }"
              tabindex="0"
              draggable="true"
              @dragstart="dragged = task.id"
              @dragend="dragged = undefined"
              @dragover.prevent
              @drop.prevent="drop(task.id)"
              @keydown.alt.up.prevent="shift(task.id, -1)"
              @keydown.alt.down.prevent="shift(task.id, 1)"
            >
              <button
                type="button"
                class="tick"
                role="checkbox"
                :aria-checked="Boolean(task.done)"
                :aria-label="task.what"
                @click="tick(task)"
              >
                {{ task.done ? '☑' : '☐' }}
              </button>
              <div>
                {{ task.what }}
                <span class="soft small"
                  >· {{ task.done ? `done ${task.done.on}` : minutes(task.minutes)
                  }}{{ task.people > 1 ? `, ${task.people} people` : ''
                  }}{{ WORKS[task.work].who === 'anybody' ? '' : `, ${WORKS[task.work].who}`
                  }}{{
                    task.curesH
                      ? `, then ${task.curesH >= 48 ? `${task.curesH / 24} days` : `${task.curesH} h`} to cure`
                      : ''
                  }}{{ task.weather ? `, ${task.weather} weather` : '' }}</span
                >
                <details
                  v-if="task.cautions.length || task.tools.length || task.waitsFor.length || task.done"
                  class="small"
                >
                  <summary>{{ task.done ? 'Note' : 'With what' }}</summary>
                  <span v-if="waits(task)">Waits for: {{ waits(task) }}. </span>
                  <span v-if="task.tools.length">Tools: {{ task.tools.join(', ') }}. </span>
                  <span v-for="caution in task.cautions" :key="caution" class="caution">{{ caution }} </span>
                  <input
                    v-if="task.done"
                    type="text"
                    :value="task.done.note"
                    :aria-label="`Note on: ${task.what}`"
                    maxlength="300"
                    placeholder="a note"
                    @change="noteOn(task, ($event.target as HTMLInputElement).value.trim())"
                  />
                </details>
              </div>
            </li>
          </LongList>
        </ul>
      </FoldGroup>
    </LongList>
    <p class="soft small unprinted">
      Drag a task, or <kbd>Alt</kbd> with ↑ and ↓, to do it sooner or later; it goes no further than what it waits for.
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
}
h3 {
  margin: 8px 0 2px;
}
li {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr);
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
  line-height: 1.45;
  cursor: grab;
}
.done {
  color: var(--soft);
}
.tick {
  background: none;
  border: 0;
  padding: 0;
  color: var(--oak);
  font-size: 18px;
  line-height: 1.2;
  cursor: pointer;
  align-self: start;
}
.done .tick {
  color: var(--moss);
}
.waits .tick {
  color: var(--soft);
}
details {
  display: inline;
  margin-left: 6px;
}
details[open] {
  display: block;
  margin: 0;
}
summary {
  color: var(--oak);
  cursor: pointer;
  display: inline;
}
.caution {
  color: var(--rust);
}
input {
  font: inherit;
  color: inherit;
  background: var(--field);
  border: 0;
  border-bottom: 1px solid var(--oak);
  padding: 1px 6px;
  width: min(320px, 100%);
}
</style>
