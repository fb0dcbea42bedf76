<script setup lang="ts">
import { nanoid } from 'nanoid'
import { dayToday, momentNow } from '~/fields/days'
import { dueFor } from './describe'
import ChoiceField from '~/fields/ChoiceField.vue'
import FilePick from '~/fields/FilePick.vue'
import { usePhotos } from '~/photos/usePhotos'
import { useSite } from '~/stores/site'
import { whyNot } from '#core/answers'
import { placesFor, readSpoken } from '#core/keep'
import { moveOf } from '#core/moves'
import { READING_KIND_IDS, READING_KINDS, type ReadingKind } from '#core/kinds'

/** Ten seconds in the rain: what is it, and what does it say. On a phone it stands under the thumb. */
const store = useSite()
const { add: keepPhoto, problem: photoProblem } = usePhotos()
/** What has a button of its own; all else is behind the last. */
type Of = 'level' | 'rain' | 'chore' | 'note' | 'other'
const BUTTONS: { id: Of; sign: string; words: string }[] = [
  { id: 'level', sign: '≈', words: 'Level' },
  { id: 'rain', sign: '⁘', words: 'Rain' },
  { id: 'chore', sign: '✓', words: 'Done' },
  { id: 'note', sign: '✎', words: 'Note' },
  { id: 'other', sign: '…', words: 'Other' },
]
const HINTS: Record<ReadingKind, string> = {
  level: '0.71 m, 28 in, half, 60 %, hollow above the third rib',
  rain: '12 mm',
  chore: 'a word about it, if you like',
  note: 'what you saw',
  meter: '12 340 L, as it stands',
  pressure: '2.8 bar, 40 psi',
  starts: '14',
  drop: '0.4 bar, 6 psi: before it less behind it',
  recovery: '4 L/min',
  standing: '0.2 m, a day after rain',
  carted: '1000 L',
  photo: 'what it shows, if you like',
}
const open = ref<Of>()
const other = ref<ReadingKind>('meter')
const kind = computed<ReadingKind>(() => (open.value === 'other' ? other.value : (open.value ?? 'level')))
const others = READING_KIND_IDS.filter(id => !BUTTONS.some(button => button.id === id)).map(id => ({
  value: id,
  name: READING_KINDS[id].name,
}))
/** What is half typed of each kind waits there while another is looked at. */
const drafts = reactive<Partial<Record<ReadingKind, string>>>({})
const text = computed({
  get: () => drafts[kind.value] ?? '',
  set: words => (drafts[kind.value] = words),
})
const day = ref(dayToday())
const problem = ref<string>()
const said = ref<string>()
const photo = shallowRef<File>()
const input = useTemplateRef<HTMLInputElement>('input')
/** Where it is read: of those that fit, the one that was chosen last. */
const places = computed(() =>
  kind.value === 'chore'
    ? dueFor(store.site!, dayToday()).map(({ id, what }) => ({ value: id, name: what }))
    : placesFor(store.site!, kind.value).map(({ id, name }) => ({ value: id, name })),
)
const chosen = reactive<Partial<Record<ReadingKind, string>>>({})
const subject = computed(() => {
  const { value: all } = places
  const last = chosen[kind.value]
  return (all.some(({ value }) => value === last) ? last : all[0]?.value) ?? ''
})
function choose(of: Of): void {
  open.value = open.value === of ? undefined : of
  day.value = dayToday()
  problem.value = said.value = undefined
  void nextTick(() => input.value?.focus())
}
async function take(): Promise<void> {
  const read = readSpoken(store.site!, { kind: kind.value, subject: subject.value, text: text.value }, store.system)
  if (!read.ok) return void (problem.value = whyNot(read))
  if (kind.value === 'photo' && !photo.value) return void (problem.value = 'Take or choose a photo first.')
  // What is read today is read now; of another day nobody says when.
  const at = day.value === dayToday() && kind.value === 'level' ? momentNow() : day.value
  const id = `log-${nanoid(10)}`
  problem.value = store.make(moveOf('logReading', { ...read.line, at, id }))
  if (problem.value) return
  if (photo.value) await keepPhoto(id, [photo.value])
  said.value = `Logged: ${READING_KINDS[kind.value].name} ${text.value}`.trim()
  text.value = ''
  open.value = photo.value = undefined
}
</script>

<template>
  <div class="quick" data-quick>
    <form v-if="open" @submit.prevent="take">
      <ChoiceField
        v-if="open === 'other'"
        label="What is logged"
        :value="other"
        :choices="others"
        :set="value => ((other = value), (problem = undefined))"
      />
      <ChoiceField
        v-if="kind === 'chore' || places.length > 1"
        :label="kind === 'chore' ? 'Which chore' : 'Which place'"
        :value="subject"
        :choices="places"
        :set="value => void (chosen[kind] = value)"
      />
      <input ref="input" v-model="text" type="text" :aria-label="`Log: ${kind}`" :placeholder="HINTS[kind]" />
      <span class="row">
        <label class="small">on <input v-model="day" type="date" :max="dayToday()" aria-label="On which day" /></label>
        <FilePick accept="image/*" @files="([file]) => (photo = file)">{{ photo ? photo.name : 'Photo' }}</FilePick>
        <button type="submit" class="move" data-take>Log it</button>
      </span>
      <p v-if="problem" role="alert" class="wrong small">{{ problem }}</p>
    </form>
    <p v-else-if="said" role="status" class="said small">
      {{ said }}. <button type="button" class="plain" @click="(store.undo(), (said = undefined))">Take it back</button>
    </p>
    <p v-if="photoProblem" role="alert" class="wrong small">{{ photoProblem }}</p>
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
.row :deep(.pick) {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  max-width: 120px;
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
    min-width: 60px;
    padding: 6px 4px;
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
  .row label {
    display: flex;
    align-items: center;
    gap: 6px;
  }
  .row input[type='date'] {
    width: 138px;
    font-size: 15px;
    padding: 10px 6px;
  }
  .row :deep(.move) {
    min-height: 44px;
    padding: 8px 12px;
    white-space: nowrap;
  }
}
</style>
