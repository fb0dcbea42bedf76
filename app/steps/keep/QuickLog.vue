<script setup lang="ts">
import { dayToday, momentNow } from './today'
import { dueFor } from './told'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { whyNot } from '#core/answers'
import { readLevel } from '#core/keep'
import { moveOf } from '#core/moves'
import { parseQuantity } from '#core/units'
import { tanksOf } from '#core/site'
import type { LogReading } from '#core/kinds'

/** Ten seconds in the rain: what is it, and what does it say. On a phone it stands under the thumb. */
const store = useSite()
type Of = 'level' | 'rain' | 'chore' | 'note'
const BUTTONS: { id: Of; sign: string; words: string }[] = [
  { id: 'level', sign: '≈', words: 'Level' },
  { id: 'rain', sign: '⁘', words: 'Rain' },
  { id: 'chore', sign: '✓', words: 'Done' },
  { id: 'note', sign: '✎', words: 'Note' },
]
const open = ref<Of>()
/** What is half typed of each kind waits there while another is looked at. */
const drafts = reactive<Record<Of, string>>({ level: '', rain: '', chore: '', note: '' })
const text = computed({
  get: () => drafts[open.value ?? 'level'],
  set: words => (drafts[open.value ?? 'level'] = words),
})
const day = ref(dayToday())
const problem = ref<string>()
const said = ref<string>()
const input = useTemplateRef<HTMLInputElement>('input')
const tanks = computed(() => tanksOf(store.site!).map(({ id, name }) => ({ value: id, name })))
const tankId = ref(tanks.value[0]?.value ?? '')
const chores = computed(() => dueFor(store.site!, dayToday()).map(({ id, what }) => ({ value: id, name: what })))
const choreId = ref('')
function choose(of: Of): void {
  open.value = open.value === of ? undefined : of
  day.value = dayToday()
  problem.value = said.value = undefined
  choreId.value = chores.value[0]?.value ?? ''
  void nextTick(() => input.value?.focus())
}
const HINT: Record<Of, string> = {
  level: '0.71 m, 28 in, half, 60 %, hollow above the third rib',
  rain: '12 mm',
  chore: 'a word about it, if you like',
  note: 'what you saw',
}
/** A line as it was typed, or why it cannot be read. */
function lineOf(of: Of): Omit<LogReading, 'id' | 'at'> | string {
  if (of === 'chore') return { kind: 'chore', subject: choreId.value, ...(text.value ? { note: text.value } : {}) }
  if (!text.value.trim()) return 'Type what it says.'
  if (of === 'note') return { kind: 'note', note: text.value.trim() }
  if (of === 'rain') {
    const read = parseQuantity(text.value, 'rain', store.system)
    if (!read.ok) return whyNot(read)
    return read.value < 0
      ? 'Rain falls down: type 0 or more.'
      : { kind: 'rain', value: read.value, said: text.value.trim() }
  }
  const tank = tanksOf(store.site!).find(({ id }) => id === tankId.value)
  if (!tank) return 'There is no tank to read yet.'
  const read = readLevel(store.site!, tank, text.value, store.system)
  if (!read.ok) return whyNot(read)
  const { value, by, said: words } = read
  return { kind: 'level', subject: tank.id, value, said: words, ...(by ? { by } : {}) }
}
function take(): void {
  const line = lineOf(open.value!)
  if (typeof line === 'string') return void (problem.value = line)
  // What is read today is read now; of another day nobody says when.
  const at = day.value === dayToday() && line.kind === 'level' ? momentNow() : day.value
  problem.value = store.make(moveOf('logReading', { ...line, at }))
  if (problem.value) return
  said.value = `Logged: ${BUTTONS.find(({ id }) => id === open.value)!.words.toLowerCase()} ${text.value}`.trim()
  text.value = ''
  open.value = undefined
}
</script>

<template>
  <div class="quick" data-quick>
    <form v-if="open" @submit.prevent="take">
      <ChoiceField
        v-if="open === 'level' && tanks.length > 1"
        label="Which tank"
        :value="tankId"
        :choices="tanks"
        :set="value => void (tankId = value)"
      />
      <ChoiceField
        v-if="open === 'chore'"
        label="Which chore"
        :value="choreId"
        :choices="chores"
        :set="value => void (choreId = value)"
      />
      <input ref="input" v-model="text" type="text" :aria-label="`Log: ${open}`" :placeholder="HINT[open]" />
      <span class="row">
        <label class="small">on <input v-model="day" type="date" :max="dayToday()" aria-label="On which day" /></label>
        <button type="submit" class="move" data-take>Log it</button>
      </span>
      <p v-if="problem" role="alert" class="wrong small">{{ problem }}</p>
    </form>
    <p v-else-if="said" role="status" class="said small">
      {{ said }}. <button type="button" class="plain" @click="(store.undo(), (said = undefined))">Take it back</button>
    </p>
    <div class="buttons">
      <button
        v-for="{ id, sign, words } in BUTTONS"
        :key="id"
        type="button"
        :aria-expanded="open === id"
        :data-quick-of="id"
        @click="choose(id)"
      >
        <span aria-hidden="true">{{ sign }}</span>
        {{ words }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  gap: 8px;
}
.buttons button {
  display: flex;
  gap: 6px;
  align-items: center;
  border: 1px solid var(--hair);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--oak);
  font-weight: 600;
  padding: 6px 14px;
  cursor: pointer;
}
.buttons button[aria-expanded='true'] {
  border-color: var(--oak);
}
form {
  display: grid;
  gap: 8px;
  max-width: 460px;
  margin: 0 0 10px;
}
input {
  font: inherit;
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 7px 9px;
}
.row {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
}
.said {
  margin: 0 0 8px;
}
@media (max-width: 700px) {
  .quick {
    position: fixed;
    left: 0;
    right: 0;
    bottom: 0;
    z-index: 20;
    background: var(--sheet);
    border-top: 1px solid var(--hair);
    padding: 8px 12px calc(8px + env(safe-area-inset-bottom));
  }
  .buttons {
    justify-content: space-around;
  }
  .buttons button {
    flex-direction: column;
    gap: 0;
    border: 0;
    min-height: 52px;
    min-width: 68px;
    background: none;
    line-height: 1.2;
  }
  .buttons span {
    font-size: 20px;
  }
  input {
    font-size: 17px;
    padding: 10px;
  }
  .move {
    min-height: 44px;
    padding: 4px 22px;
  }
}
</style>
