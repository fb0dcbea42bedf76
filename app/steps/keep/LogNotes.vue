<script setup lang="ts">
import QuickLog from './QuickLog.vue'
import { dayWords } from './today'
import { useKeep } from './useKeep'
import PhotoStrip from '~/photos/PhotoStrip.vue'
import FilePick from '~/fields/FilePick.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'
import { counted } from '#core/words'
import { nameOf, runName, graphOf } from '#core/site'
import { moveOf } from '#core/moves'
import { choresOf } from '#core/keep'
import type { Kind } from '#core/units'
import { READING_KINDS, type LogReading } from '#core/kinds'

/** Everything that was written down, newest first: corrected, taken out, read from tables and handed on as one. */
const store = useSite()
const { saveAs } = useFiles()
const { today } = useKeep()
const shownCount = ref(40)
const lines = computed(() => [...(store.site!.log ?? [])].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0)))
const doubts = computed(() => new Map(today.value?.doubts))
const chores = computed(() => new Map(choresOf(store.site!).map(({ id, what }) => [id, what])))
const kindOf = ({ kind }: LogReading) => READING_KINDS[kind]
const unitOf = ({ kind }: LogReading) => (READING_KINDS[kind] as { kind?: Kind }).kind
function whereOf({ kind, subject }: LogReading): string {
  if (subject === undefined) return ''
  if (kind === 'chore') return chores.value.get(subject) ?? subject
  const run = graphOf(store.site!).run(subject)
  return run ? runName(store.site!, run) : nameOf(store.site!, subject)
}
const correct = (reading: string, change: { at?: string; value?: number }) =>
  store.make(moveOf('correctReading', { reading, ...change }))
function redate({ id, at }: LogReading, { target }: Event): void {
  const day = (target as HTMLInputElement).value
  if (day) correct(id, { at: day + at.slice(10) })
}
const told = ref<string[]>([])
async function readTable([file]: File[]): Promise<void> {
  const { readLog } = await import('#core/exchange')
  const { readings, problems } = readLog(await file!.text(), store.site!)
  const before = store.site!.log?.length ?? 0
  const problem = readings.length ? store.make(moveOf('logReadings', { readings })) : undefined
  told.value = [
    problem ?? `${counted(readings.length, 'line')} read, ${(store.site!.log?.length ?? 0) - before} of them new.`,
    ...problems,
  ]
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
      <button v-if="lines.length" type="button" class="plain" data-save="log" @click="saveTable">Save it as CSV</button>
    </p>
    <p v-for="words in told" :key="words" role="status" class="small">{{ words }}</p>
    <p v-if="!lines.length" class="soft">
      Nothing is written yet. One level a week and the rain are enough to learn what the roof gives and what you use.
    </p>
    <div v-else class="wide">
      <table>
        <tbody>
          <tr v-for="line in lines.slice(0, shownCount)" :key="line.id" :data-line="line.id">
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
              <span v-if="line.said && line.said !== String(line.value)" class="small">“{{ line.said }}”</span>
              <span v-if="line.source" class="small">{{ line.source }}</span>
              <span v-if="doubts.get(line.id)" class="wrong small">not believed: {{ doubts.get(line.id) }}</span>
            </td>
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
    <p v-if="lines.length > shownCount">
      <button type="button" class="plain" @click="shownCount += 200">
        {{ lines.length - shownCount }} older lines
      </button>
    </p>
    <PhotoStrip subject="log" label="The site" />
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
