<script setup lang="ts">
import { breakPlaceName } from './book'
import { askedOf, type ReadingPrompt } from './readingWords'
import { useCauses } from './useCauses'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { runName } from '#core/site'
import { handValves } from '#core/network'
import { sum } from 'd3-array'
import {
  FAULTS,
  readingPlaces,
  PROBES,
  type Fault,
  type FaultId,
  type FaultRow,
  type ProbeKind,
  type ReadingPlace,
} from '#core/plant'

/** Something is broken and not said: readings cost minutes, and then it is named. Three grades. */
const store = useSite()
const { hide, read, reveal, way: quickestWay, progress, failure } = useCauses()
const { show } = useUnits()
const GRADES = [
  { value: 1, name: 'grade 1: one of four' },
  { value: 2, name: 'grade 2: anything' },
  { value: 3, name: 'grade 3: anything, and where' },
]
const grade = ref(1)
const kinds = shallowRef<FaultId[]>()
const offered = shallowRef<FaultId[]>([])
const taken = shallowRef<{ place: ReadingPlace; turned: string; words: string; value: string | undefined }[]>([])
const named = ref<FaultId>()
const where = ref<string>()
const debrief = shallowRef<{ right: boolean; fault: Fault | undefined }>()
/** The quickest way to it, once it is worked out. */
const way = shallowRef<string[]>()
/** A valve that is turned for a reading: a test, which costs the way there and back. */
const AS_IT_STANDS = ''
const TURN_MINUTES = 5
const turned = ref(AS_IT_STANDS)
const valves = computed(() => handValves(store.site!))
const turns = computed(() => [
  { value: AS_IT_STANDS, name: 'the valves as they stand' },
  ...valves.value.map(({ run, valve }) => ({
    value: valve.id,
    name: `the valve in “${runName(store.site!, run)}” ${valve.open ? 'shut' : 'open'}`,
  })),
])
const places = computed(() =>
  readingPlaces(store.site!).filter(
    ({ id }) => !taken.value.some(each => each.place.id === id && each.turned === turned.value),
  ),
)
const minutesOf = (place: ReadingPlace, turn: string) =>
  PROBES[place.kind].minutes + (turn === AS_IT_STANDS ? 0 : TURN_MINUTES)
const minutes = computed(() => sum(taken.value, each => minutesOf(each.place, each.turned)))
const asked = (place: ReadingPlace) => askedOf(store.site!, place)

async function start(): Promise<void> {
  debrief.value = named.value = where.value = way.value = undefined
  taken.value = []
  turned.value = AS_IT_STANDS
  kinds.value = await hide()
  if (!kinds.value?.length) return
  const fault = await reveal()
  if (failure.value) return
  // One of four: the true one among three others, in no order of its own.
  const others = kinds.value.filter(kind => kind !== fault?.fault).sort(() => Math.random() - 0.5)
  const some = fault ? [fault.fault, ...others.slice(0, 3)] : others
  offered.value = (grade.value === 1 ? some : kinds.value).toSorted()
  named.value = offered.value[0]
}
async function take(place: ReadingPlace): Promise<void> {
  const [reading, turn] = [asked(place), turned.value]
  const valve = valves.value.find(each => each.valve.id === turn)?.valve
  const words = valve ? `${reading.words}, with ${turns.value.find(each => each.value === turn)!.name}` : reading.words
  // It stands there at once, so that pressing twice takes it once.
  const line = { place, turned: turn, words, value: undefined }
  taken.value = [...taken.value, line]
  const value = await read(place.id, valve && { part: valve.id, open: !valve.open })
  const told = value === undefined ? [] : [{ ...line, value: saidOf(reading, value, place.kind) }]
  taken.value = taken.value.flatMap(each => (each === line ? told : [each]))
}
function saidOf({ kind, written }: ReadingPrompt, value: number, of: ProbeKind): string {
  if (kind === 'yes') return value ? 'yes' : 'no'
  if (of === 'can' && value < 0.002) return 'it never fills'
  return kind === 'count' ? String(Math.round(written(value))) : show(written(value), kind)
}
const placesOf = computed(() => {
  const row: FaultRow | undefined = named.value && FAULTS[named.value]
  return row ? row.places(store.site!) : []
})
async function nameIt(): Promise<void> {
  const fault = await reveal()
  if (failure.value) return
  const at = where.value ?? placesOf.value[0]
  const right = fault?.fault === named.value && (grade.value < 3 || fault?.at === at)
  debrief.value = { right, fault }
  way.value = await quickestWay()
}
const wayMinutes = computed(() =>
  sum(way.value ?? [], id => PROBES[readingPlaces(store.site!).find(place => place.id === id)!.kind].minutes),
)
const wayWords = computed(() =>
  (way.value ?? []).map(id => asked(readingPlaces(store.site!).find(place => place.id === id)!).words),
)
</script>

<template>
  <section data-notes="find">
    <h2>Find the fault</h2>
    <p class="begin">
      <ChoiceField label="Grade" :value="grade" :choices="GRADES" :set="value => void (grade = value)" />
      <button type="button" class="move" :disabled="progress !== undefined" @click="start">
        Break something unseen
      </button>
      <progress v-if="progress !== undefined" :value="progress || undefined" aria-label="How far" />
      <span v-if="failure" role="alert" class="wrong">{{ failure }}</span>
    </p>
    <p v-if="kinds && !kinds.length">Nothing stands here that could break and be noticed.</p>
    <div v-else-if="kinds" class="hunt">
      <div>
        <h3>Read, {{ minutes }} minutes so far</h3>
        <ul>
          <li v-for="({ place, words, value }, at) in taken" :key="at" :data-read="place.id">
            {{ words }}: <b>{{ value ?? '…' }}</b>
          </li>
        </ul>
        <p v-if="!debrief && valves.length" class="small">
          With
          <ChoiceField
            label="Valve turned for it"
            :value="turned"
            :choices="turns"
            :set="value => void (turned = value)"
          />
        </p>
        <ul v-if="!debrief">
          <li v-for="place in places" :key="place.id">
            <button type="button" class="plain" :data-take="place.id" @click="take(place)">
              {{ asked(place).words }}
            </button>
            <span class="soft small"> · {{ minutesOf(place, turned) }} min</span>
          </li>
        </ul>
      </div>
      <div>
        <h3>Name it</h3>
        <p v-if="!debrief && named">
          <ChoiceField
            label="What it is"
            :value="named"
            :choices="offered.map(value => ({ value, name: FAULTS[value].name }))"
            :set="value => ((named = value), (where = undefined))"
          />
          <template v-if="grade === 3 && placesOf.length">
            at
            <ChoiceField
              label="Where it is"
              :value="where ?? placesOf[0]!"
              :choices="placesOf.map(value => ({ value, name: breakPlaceName(store.site!, value) }))"
              :set="value => void (where = value)"
            />
          </template>
          <button type="button" class="move" @click="nameIt">That is it</button>
        </p>
        <template v-if="debrief">
          <p role="status" data-debrief>
            <b :class="debrief.right ? 'right' : 'wrong'">{{ debrief.right ? 'Found.' : 'Not that.' }}</b>
            It was {{ debrief.fault ? FAULTS[debrief.fault.fault].name : 'nothing'
            }}<template v-if="debrief.fault"
              >, at {{ breakPlaceName(store.site!, debrief.fault.at) }}:
              {{ FAULTS[debrief.fault.fault].noticed }}</template
            >.
          </p>
          <p>
            <template v-if="way?.length"
              >Quickest, in {{ wayMinutes }} minutes: {{ wayWords.join('; then ') }}.
            </template>
            <template v-else-if="progress !== undefined">The quickest way to it is being looked for … </template>
            {{ minutes ? `You took ${minutes}.` : 'You guessed.' }}
          </p>
        </template>
      </div>
    </div>
  </section>
</template>

<style scoped>
.begin {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 12px;
  align-items: center;
}
.hunt {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 20px;
}
h3 {
  margin: 4px 0;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  font-size: 14px;
}
li {
  padding: 2px 0;
}
.right {
  color: var(--moss);
}
@media (max-width: 700px) {
  .hunt {
    grid-template-columns: 1fr;
  }
}
</style>
