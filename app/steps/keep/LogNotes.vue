<script setup lang="ts">
import { descending, quickselect } from 'd3-array'
import QuickLog from './QuickLog.vue'
import { dayWords } from '~/fields/days'
import { useKeep } from './useKeep'
import PhotoStrip from '~/photos/PhotoStrip.vue'
import { usePhotos } from '~/photos/usePhotos'
import ChoiceField from '~/fields/ChoiceField.vue'
import FilePick from '~/fields/FilePick.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { takeIn } from '~/db/album'
import { openAlbum } from '~/db/openRepository'
import { useFiles } from '~/stores/useFiles'
import { useLogging } from '~/stores/useLogging'
import { readLogOf } from '~/engine/logs'
import { useSite } from '~/stores/site'
import { counted } from '#core/words'
import { moveOf } from '#core/moves'
import { choresOf, placeName, sourceName } from '#core/keep'
import type { Kind } from '#core/units'
import { READING_KIND_IDS, READING_KINDS, type LogReading, type ReadingKind } from '#core/kinds'

/** Everything that was written down, newest first: corrected, taken out, read from tables and handed on as one. */
const store = useSite()
const { saveAs } = useFiles()
const { today } = useKeep()
const FEW = 40
const shownCount = ref(FEW)
const doubts = computed(() => new Map(today.value?.doubts))
/** Of a log that devices fill, what somebody looks for. */
type Shown = 'all' | 'hand' | 'doubted' | ReadingKind
const which = ref<Shown>('all')
const SHOWS: { value: Shown; name: string }[] = [
  { value: 'all', name: 'everything' },
  { value: 'hand', name: 'what was written by hand' },
  { value: 'doubted', name: 'what is not believed' },
  ...READING_KIND_IDS.map(id => ({ value: id, name: READING_KINDS[id].name })),
]
function isShown({ id, kind, source }: LogReading): boolean {
  if (which.value === 'all') return true
  if (which.value === 'hand') return source === undefined
  return which.value === 'doubted' ? doubts.value.has(id) : kind === which.value
}
/** How far a table is read and taken in. */
const share = ref<number>()
/** While a table comes in, the list stays as it was: it would be drawn anew for every few lines of it. */
const all = computed<readonly LogReading[]>(before =>
  share.value !== undefined && before ? before : (store.site!.log ?? []),
)
const found = computed(() => (which.value === 'all' ? all.value : all.value.filter(isShown)))
const newestFirst = (a: LogReading, b: LogReading) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0)
/** Of a log of many thousands the newest are picked out, and they alone are put in order. */
const lines = computed(() => {
  const moments = found.value.map(({ at }) => at)
  const count = shownCount.value
  if (count < moments.length) quickselect(moments, count, 0, moments.length - 1, descending)
  const oldest = moments[count] ?? ''
  return found.value
    .filter(({ at }) => at >= oldest)
    .sort(newestFirst)
    .slice(0, count)
})
watch(which, () => (shownCount.value = FEW))
const { photos } = usePhotos()
const withPhoto = computed(() => new Set(photos.value.map(({ subject }) => subject)))
/** Photos of the site, and of lines that have since been taken out. */
const loose = computed(() => {
  const there = new Set(all.value.map(({ id }) => id))
  return [...withPhoto.value].filter(subject => subject.startsWith('log-') && !there.has(subject))
})
const chores = computed(() => new Map(choresOf(store.site!).map(({ id, what }) => [id, what])))
const kindOf = ({ kind }: LogReading) => READING_KINDS[kind]
const unitOf = ({ kind }: LogReading) => (READING_KINDS[kind] as { kind?: Kind }).kind
function whereOf({ kind, subject }: LogReading): string {
  if (subject === undefined) return ''
  if (kind === 'chore') return chores.value.get(subject) ?? subject
  return placeName(store.site!, subject)
}
const correct = (reading: string, change: { at?: string; value?: number }) =>
  store.make(moveOf('correctReading', { reading, ...change }))
function redate({ id, at }: LogReading, { target }: Event): void {
  const day = (target as HTMLInputElement).value
  if (day) correct(id, { at: day + at.slice(10) })
}
const told = ref<string[]>([])
const readTable = async ([file]: File[]): Promise<void> => void (await readIn(file!, file!.name))
/** A table that was copied in a spreadsheet: its cells are parted by tabs. */
const pasted = ref<string>()
async function readPasted(): Promise<void> {
  if (await readIn(pasted.value ?? '', 'a table that was pasted')) pasted.value = undefined
}
/** Reads a table or a site's file into the log; true where any of it was read. What was not stays to be mended. */
async function readIn(text: string | Blob, from: string): Promise<boolean> {
  share.value = 0
  const { coming, told: taken } = useLogging(from, done => (share.value = done))
  try {
    const { count, photos = [], problems } = await readLogOf(toRaw(store.site!), text, coming)
    if (photos.length) await takeIn(await openAlbum(), store.site!.id, photos)
    const { count: fresh, problem } = taken()
    told.value = [problem ?? `${counted(count, 'line')} read, ${fresh} of them new.`, ...problems]
    return count > 0
  } catch (error) {
    told.value = [`It could not be read: ${error instanceof Error ? error.message : 'the thread stopped'}.`]
    return false
  } finally {
    share.value = undefined
  }
}
async function saveTable(): Promise<void> {
  const { logTable } = await import('#core/exchange')
  saveAs('log.csv', 'text/csv', logTable(store.site!))
}
</script>

<template>
  <section data-notes="log">
    <h2>The log</h2>
    <QuickLog />
    <p class="small files">
      <FilePick accept=".csv,.txt,.json,text/csv" @files="readTable">Read a table or a site file</FilePick>
      <button type="button" class="plain" data-paste @click="pasted = pasted === undefined ? '' : undefined">
        Paste one
      </button>
      <button v-if="all.length" type="button" class="plain" data-save="log" @click="saveTable">Save it as CSV</button>
    </p>
    <form v-if="pasted !== undefined" class="paste" @submit.prevent="readPasted">
      <textarea
        v-model="pasted"
        rows="5"
        aria-label="A table, its first line the names of its columns"
        placeholder="date, rain [mm], level [m]"
      />
      <button type="submit" class="move">Read it</button>
    </form>
    <p v-if="share !== undefined" class="small" role="status" data-reading>
      Reading: <progress :value="share" max="1">{{ Math.round(share * 100) }} %</progress>
    </p>
    <p v-for="words in told" :key="words" role="status" class="small">{{ words }}</p>
    <p v-if="!all.length" class="soft">
      Nothing is written yet. One level a week and the rain are enough to learn what the roof gives and what you use.
    </p>
    <p v-else class="small">
      Shown is
      <ChoiceField label="What is shown of the log" :value="which" :choices="SHOWS" :set="of => void (which = of)" />
      · {{ counted(found.length, 'line') }}
    </p>
    <div v-if="lines.length" class="wide">
      <table>
        <tbody>
          <tr v-for="line in lines" :key="line.id" :data-line="line.id">
            <td>
              <label :title="dayWords(line.at.slice(0, 10))">
                <input
                  type="date"
                  :value="line.at.slice(0, 10)"
                  :aria-label="`Day of ${kindOf(line).name}`"
                  @change="redate(line, $event)"
                />
              </label>
            </td>
            <td>{{ kindOf(line).name }}</td>
            <td>
              <QuantityField
                v-if="unitOf(line) && line.value !== undefined"
                :label="`${kindOf(line).name} of ${line.at}`"
                :kind="unitOf(line)!"
                :value="line.value"
                :set="value => correct(line.id, { value })"
              />
              {{ line.note }}
            </td>
            <td class="soft">
              {{ whereOf(line) }}
              <span v-if="line.said && line.source" class="small">(its clock said {{ line.said.slice(0, 16) }})</span>
              <span v-else-if="line.said" class="small">“{{ line.said }}”</span>
              <span v-if="line.source" class="small"
                >by the {{ sourceName(store.site!, line.source) }} {{ line.at.slice(11) }}</span
              >
              <span v-if="doubts.get(line.id)" class="wrong small">not believed: {{ doubts.get(line.id) }}</span>
            </td>
            <td v-if="withPhoto.has(line.id)" class="picture">
              <PhotoStrip :subject="line.id" :label="kindOf(line).name" shown />
            </td>
            <td v-else />
            <td class="out">
              <button
                type="button"
                class="plain small"
                :aria-label="`Take ${kindOf(line).name} of ${line.at} out`"
                @click="store.make(moveOf('dropReading', { reading: line.id }))"
              >
                take out
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="found.length > shownCount">
      <button type="button" class="plain" @click="shownCount += 200">
        {{ found.length - shownCount }} older lines
      </button>
    </p>
    <PhotoStrip subject="log" label="The site" />
    <template v-if="loose.length">
      <p class="soft small">Of lines that were taken out:</p>
      <PhotoStrip v-for="subject in loose" :key="subject" :subject="subject" label="A line" shown />
    </template>
  </section>
</template>

<style scoped>
.files {
  display: flex;
  gap: 14px;
  align-items: center;
  margin: 10px 0;
}
.out {
  white-space: nowrap;
}
.paste {
  display: grid;
  gap: 8px;
  justify-items: start;
  max-width: 560px;
}
textarea {
  width: 100%;
  font: 14px var(--mono);
  color: var(--ink);
  background: var(--paper);
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 7px 9px;
}
input[type='date'] {
  font: inherit;
  color: inherit;
  background: none;
  border: 0;
  width: 128px;
}
@media (max-width: 700px) {
  section {
    padding-bottom: 84px;
  }
}
</style>
