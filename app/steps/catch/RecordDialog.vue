<script setup lang="ts">
import FilePick from '~/fields/FilePick.vue'
import RecordUnderstood from '~/steps/catch/RecordUnderstood.vue'
import { useSite } from '~/stores/site'
import { proxy, transfer } from 'comlink'
import { threadOf, type Face } from '~/engine/thread'
import { moveOf } from '#core/moves'
import type { Climate } from '#core/site'
import type { RecordChoices, RecordReading } from '#core/climate'

/** A rain record from a file: what was understood, with counts, to be corrected before it counts. */
const shown = defineModel<boolean>({ required: true })
/** A record that the weather service sent: read as a file is, and held against the day it should end on. */
const props = defineProps<{ fetched?: { name: string; text: string; endsOn: string } }>()
const store = useSite()

const fileName = ref('')
const choices = shallowRef<RecordChoices>({})
const reading = shallowRef<RecordReading>()
const problems = ref<{ sentence: string }[]>([])
const busy = ref(false)
const share = ref(0)
const howFar = computed(() => (busy.value ? `reading… ${Math.round(share.value * 100)} %` : ''))
const thread = threadOf()
const asked = <Answer,>(question: (record: Face['record']) => Promise<Answer>): Promise<Answer> =>
  thread.use(undefined, [], face => question(face.record))
function stop(): void {
  thread.stop()
  busy.value = false
  fileName.value = ''
}
onScopeDispose(() => thread.stop())

const MOST_MB = 40
function begin(name: string): void {
  fileName.value = name
  choices.value = {}
  reading.value = undefined
  problems.value = []
}
async function load(file: File | undefined): Promise<void> {
  if (!file) return
  begin(file.name)
  if (file.size > MOST_MB * 1e6) {
    problems.value = [
      {
        sentence:
          `${file.name} is ${Math.round(file.size / 1e6)} MB; a century of days is under 5. Choose the table of ` +
          'daily rain alone.',
      },
    ]
    return
  }
  busy.value = true
  const bytes = await file.arrayBuffer()
  await asked(record => record.load(transfer(bytes, [bytes])))
  await read()
}
onMounted(async () => {
  if (!props.fetched) return
  begin(props.fetched.name)
  busy.value = true
  const bytes = new TextEncoder().encode(props.fetched.text).buffer as ArrayBuffer
  await asked(record => record.load(bytes))
  await read()
})
/** A record that ends years before the station's own says that the service broke off. */
const brokenOff = computed(() =>
  props.fetched && reading.value && reading.value.end < props.fetched.endsOn
    ? `The service broke off: the record should run to ${props.fetched.endsOn}, and what came ends on ` +
      `${reading.value.end}. Ask again, or use what there is.`
    : undefined,
)
async function read(): Promise<void> {
  busy.value = true
  share.value = 0
  try {
    const answer = await asked(async record =>
      record.read(
        choices.value,
        proxy(told => (share.value = told)),
      ),
    )
    problems.value = answer.ok ? [] : answer.problems
    if (answer.ok) reading.value = answer
    else if (!Object.keys(choices.value).length) reading.value = undefined
  } catch {
    problems.value = [{ sentence: 'This file could not be read as a table.' }]
  }
  busy.value = false
}
const choose = (change: RecordChoices) => {
  const columns = { ...choices.value.columns, ...change.columns }
  choices.value = { ...choices.value, ...change, columns }
  void read()
}
const asks = computed(() => reading.value?.questions ?? [])
/** The climate with the record's days, or, where its lines are sums, with their months. */
function climateOf(found: RecordReading, before: Climate): Climate {
  const source = `${props.fetched ? 'weather service, station' : 'record'} ${fileName.value}`.slice(0, 200)
  if (found.lines === 'sums') {
    const { daily: _daily, runOn: _runOn, standIn: _standIn, ...rest } = before
    const months = before.months.map((month, index) => ({ ...month, rainMm: found.months[index]!.rainMm }))
    return { ...rest, months, source }
  }
  const months = before.months.map((month, index) => {
    const { rainMm, wetDays, tMinC, tMaxC } = found.months[index]!
    return { ...month, rainMm, wetDays, tMinC: tMinC ?? month.tMinC, tMaxC: tMaxC ?? month.tMaxC }
  })
  return { ...before, months, daily: { start: found.start, rainMm: found.rainMm }, source }
}

function take(): void {
  const climate = climateOf(reading.value!, store.site!.climate)
  const problem = store.make(moveOf('setClimate', { climate }))
  if (problem) problems.value = [{ sentence: problem }]
  else shown.value = false
}
</script>

<template>
  <el-dialog v-model="shown" title="Load a rain record" width="min(640px, 96vw)" append-to-body>
    <p v-if="fetched">
      The record of {{ fetched.name }}, as the weather service sent it.
      <span class="soft">{{ howFar }}</span>
    </p>
    <p v-if="brokenOff" role="alert" class="question quote">{{ brokenOff }}</p>
    <p v-if="!fetched">
      Any table with a date and a rain column: CSV or text, with whatever separator. Minimum and maximum temperatures
      are taken too where they stand in it. The file stays on this machine.
    </p>
    <p v-if="!fetched">
      <FilePick accept=".csv,.txt,.tsv,.dat,text/*" @files="load($event[0])">Choose a file</FilePick>
      <span class="soft file">{{ howFar || fileName }}</span>
      <button v-if="busy" type="button" class="plain" @click="stop">Stop</button>
    </p>
    <div v-if="problems.length" role="alert" class="problems quote">
      <p v-for="(problem, index) in problems.slice(0, 12)" :key="index">{{ problem.sentence }}</p>
      <p class="soft">Nothing was changed.</p>
    </div>
    <template v-if="reading">
      <div v-for="question in asks" :key="question.about" class="question quote" role="alert">
        {{ question.sentence }}
        <span class="moves"
          ><button
            v-for="answer in question.answers"
            :key="answer.name"
            type="button"
            class="move"
            @click="choose(answer.choice)"
          >
            {{ answer.name }}
          </button></span
        >
      </div>
      <RecordUnderstood :reading="reading" @choose="choose" />
    </template>
    <template #footer>
      <el-button @click="shown = false">Leave it</el-button>
      <el-button type="primary" :disabled="!reading || asks.length > 0 || busy || problems.length > 0" @click="take"
        >Use this record</el-button
      >
    </template>
  </el-dialog>
</template>

<style scoped>
.file {
  margin-left: 8px;
}
.question {
  border-left-color: var(--straw);
}
</style>
