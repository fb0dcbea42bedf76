<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import FilePick from '~/fields/FilePick.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { wrap, type Remote } from 'comlink'
import type { RecordWorker } from '~/workers/record.worker'
import { groupDigits } from '#core/units'
import { moveOf } from '#core/moves'
import {
  RAIN_UNITS,
  type DateOrder,
  type GapFill,
  type RainUnit,
  type RecordChoices,
  type RecordReading,
} from '#core/climate'

/** A rain record from a file: what was understood, with counts, to be corrected before it counts. */
const shown = defineModel<boolean>({ required: true })
/** A record that the weather service sent: read as a file is, and held against the day it should end on. */
const props = defineProps<{ fetched?: { name: string; text: string; endsOn: string } }>()
const store = useSite()
const { show } = useUnits()

const fileName = ref('')
const choices = ref<RecordChoices>({})
const reading = shallowRef<RecordReading>()
const problems = ref<{ sentence: string }[]>([])
const busy = ref(false)
let worker: Worker
let face: Remote<RecordWorker>
function start(): void {
  worker = new Worker(new URL('../../workers/record.worker.ts', import.meta.url), { type: 'module' })
  face = wrap<RecordWorker>(worker)
}
function stop(): void {
  worker.terminate()
  start()
  busy.value = false
  fileName.value = ''
}
start()
onScopeDispose(() => worker.terminate())

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
  await face.load(await file.arrayBuffer())
  await read()
}
onMounted(async () => {
  if (!props.fetched) return
  begin(props.fetched.name)
  busy.value = true
  await face.load(new TextEncoder().encode(props.fetched.text).buffer as ArrayBuffer)
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
  try {
    const answer = await face.read(toRaw(choices.value))
    problems.value = answer.ok ? [] : answer.problems
    if (answer.ok) reading.value = answer
    else if (!Object.keys(choices.value).length) reading.value = undefined
  } catch {
    problems.value = [{ sentence: 'This file could not be read as a table.' }]
  }
  busy.value = false
}
const choose = (change: RecordChoices) => {
  choices.value = { ...choices.value, ...change }
  void read()
}
const columnChoices = computed(() => {
  const width = Math.max(
    reading.value?.header.length ?? 0,
    (reading.value?.columns.rain ?? 0) + 1,
    ...(reading.value?.columns.date ?? [0]).map(column => column + 1),
  )
  return Array.from({ length: width }, (_, value) => ({
    value,
    name: reading.value?.header[value] || `column ${value + 1}`,
  }))
})
const UNIT_CHOICES = (Object.keys(RAIN_UNITS) as RainUnit[]).map(value => ({ value, name: value }))
const ORDERS: { value: DateOrder; name: string }[] = [
  { value: 'ymd', name: 'year, month, day' },
  { value: 'dmy', name: 'day, month, year' },
  { value: 'mdy', name: 'month, day, year' },
]
const GAPS: { value: GapFill; name: string }[] = [
  { value: 'other-years', name: 'with the same date of the nearest year' },
  { value: 'dry', name: 'as days without rain' },
]
const UNIT_ANSWERS: { name: string; choice: RecordChoices }[] = (Object.keys(RAIN_UNITS) as RainUnit[]).map(unit => ({
  name: `It is ${unit}`,
  choice: { unit },
}))
const ORDER_ANSWERS: { name: string; choice: RecordChoices }[] = [
  { name: 'The day comes first', choice: { order: 'dmy' } },
  { name: 'The month comes first', choice: { order: 'mdy' } },
]
const asks = computed(() => reading.value?.questions ?? [])
const counts = computed(() => {
  const found = reading.value
  if (!found) return []
  const counted = (count: number, one: string, many: string) =>
    count ? [`${groupDigits(count, 0)} ${count === 1 ? one : many}`] : []
  return [
    ...counted(found.missingDays, 'day has no figure', 'days have no figure'),
    ...counted(found.flagged, 'line is marked as missing', 'lines are marked as missing'),
    ...counted(found.trace, 'trace is taken as dry', 'traces are taken as dry'),
    ...counted(
      found.duplicates,
      'day stands twice, its later line counts',
      'days stand twice, their later lines count',
    ),
    ...counted(found.unreadableCount, 'line cannot be read', 'lines cannot be read'),
  ]
})

function take(): void {
  const found = reading.value!
  const before = store.site!.climate
  const months = before.months.map((month, index) => {
    const { rainMm, wetDays, tMinC, tMaxC } = found.months[index]!
    return { ...month, rainMm, wetDays, tMinC: tMinC ?? month.tMinC, tMaxC: tMaxC ?? month.tMaxC }
  })
  const problem = store.make(
    moveOf('setClimate', {
      climate: {
        ...before,
        months,
        daily: { start: found.start, rainMm: found.rainMm },
        source: `${props.fetched ? 'weather service, station' : 'record'} ${fileName.value}`.slice(0, 200),
      },
    }),
  )
  if (problem) problems.value = [{ sentence: problem }]
  else shown.value = false
}
</script>

<template>
  <el-dialog v-model="shown" title="Load a rain record" width="min(640px, 96vw)" append-to-body>
    <p v-if="fetched">
      The record of {{ fetched.name }}, as the weather service sent it.
      <span class="soft">{{ busy ? 'reading…' : '' }}</span>
    </p>
    <p v-if="brokenOff" role="alert" class="question quote">{{ brokenOff }}</p>
    <p v-if="!fetched">
      Any table with a date and a rain column: CSV or text, with whatever separator. Minimum and maximum temperatures
      are taken too where they stand in it. The file stays on this machine.
    </p>
    <p v-if="!fetched">
      <FilePick accept=".csv,.txt,.tsv,.dat,text/*" @files="load($event[0])">Choose a file</FilePick>
      <span class="soft">{{ busy ? 'reading…' : fileName }}</span>
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
            v-for="answer in question.about === 'unit' ? UNIT_ANSWERS : ORDER_ANSWERS"
            :key="answer.name"
            type="button"
            class="move"
            @click="choose(answer.choice)"
          >
            {{ answer.name }}
          </button></span
        >
      </div>
      <p class="understood">
        Days are in
        <ChoiceField
          v-if="reading.columns.date.length === 1"
          label="Date column"
          :value="reading.columns.date[0]!"
          :choices="columnChoices"
          :set="column => choose({ columns: { ...choices.columns, date: [column] } })"
        /><template v-else>three columns</template>, written
        <ChoiceField
          label="Order of the date"
          :value="reading.order"
          :choices="ORDERS"
          :set="order => choose({ order })"
        />; rain in
        <ChoiceField
          label="Rain column"
          :value="reading.columns.rain"
          :choices="columnChoices"
          :set="rain => choose({ columns: { ...choices.columns, rain } })"
        />
        as
        <ChoiceField
          label="Unit of the rain"
          :value="reading.unit"
          :choices="UNIT_CHOICES"
          :set="unit => choose({ unit })"
        />. Gaps are filled
        <ChoiceField
          label="How gaps are filled"
          :value="reading.gaps"
          :choices="GAPS"
          :set="gaps => choose({ gaps })"
        />.
      </p>
      <p>
        <b class="figure">{{ groupDigits(reading.days, 0) }} days</b>, {{ reading.start }} to {{ reading.end
        }}<template v-if="reading.summed"> (several lines a day added up)</template>:
        {{ show(reading.yearlyMm, 'rain') }} a year; the wettest day, {{ reading.wettest.date }}, had
        {{ show(reading.wettest.rainMm, 'rain') }}.
        <template v-if="reading.months[0]!.tMinC !== undefined">Temperatures were found too.</template>
      </p>
      <p v-if="counts.length" class="small">{{ counts.join(' · ') }}</p>
      <ul v-if="reading.unreadable.length" class="small lines">
        <li v-for="line in reading.unreadable" :key="line.line">
          Line {{ line.line }}, “{{ line.text }}”: {{ line.why }}.
        </li>
      </ul>
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
.question {
  border-left-color: var(--straw);
}
.understood {
  line-height: 1.9;
}
.lines {
  max-height: 120px;
  overflow-y: auto;
  padding-left: 18px;
}
</style>
