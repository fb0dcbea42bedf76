<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { parseQuantity } from '#core/units'

/**
 * Asks the simulated weather service for stations near a point and for one's daily record, and says what went wrong
 * when it fails.
 */
const shown = defineModel<boolean>({ required: true })
const emit = defineEmits<{ take: [{ name: string; text: string; endsOn: string }] }>()
const store = useSite()
const { show } = useUnits()

interface Station {
  id: string
  name: string
  altitudeM: number
  distanceKm: number
  climate: string
  from: string
  to: string
}
const latitude = ref(String(store.site!.place.latitudeDeg))
const longitude = ref('14.2')
const stations = shallowRef<Station[]>([])
const problem = ref<string>()
const busy = ref<string>()
let stopping: AbortController | undefined
const PATIENCE_MS = 20000

const OUTAGES = [
  { value: 'none', name: 'works' },
  { value: 'down', name: 'is down' },
  { value: 'slow', name: 'is slow' },
  { value: 'cut-off', name: 'breaks off half way' },
  { value: 'garbled', name: 'sends something else' },
]
const outage = ref('none')
onMounted(async () => {
  outage.value = await fetch('/api/devices/weather')
    .then(answer => answer.json())
    .then(
      (state: { outage: string }) => state.outage,
      () => 'none',
    )
})
async function setOutage(next: string): Promise<void> {
  outage.value = next
  await fetch('/api/devices/weather', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ outage: next }),
  }).catch(() => undefined)
}

/** The answer's text, or undefined with the reason said. */
async function ask(query: string, what: string): Promise<string | undefined> {
  stop()
  problem.value = undefined
  busy.value = what
  stopping = new AbortController()
  const patience = setTimeout(() => stopping?.abort('slow'), PATIENCE_MS)
  try {
    const answer = await fetch(`/api/weather?${query}`, { signal: stopping.signal })
    const text = await answer.text()
    if (answer.ok) return text
    problem.value =
      (JSON.parse(text) as { error?: { sentence: string }[] }).error?.[0]?.sentence ??
      `The weather service answered ${answer.status}.`
  } catch (error) {
    if (error === 'stopped') return undefined
    problem.value =
      error === 'slow'
        ? `The weather service did not answer within ${PATIENCE_MS / 1000} seconds.`
        : 'The weather service cannot be reached.'
  } finally {
    clearTimeout(patience)
    busy.value = undefined
  }
  return undefined
}
function stop(): void {
  stopping?.abort('stopped')
  busy.value = undefined
}
onScopeDispose(stop)

function degrees(text: string, most: number, name: string): number | undefined {
  const parsed = parseQuantity(text, 'angle', store.system)
  if (parsed.ok && Math.abs(parsed.value) <= most) return parsed.value
  problem.value =
    `${name}, “${text}”, must be a number of degrees from −${most} to ${most}; ${most === 90 ? 'south' : 'west'} ` +
    'is negative.'
  return undefined
}
async function find(): Promise<void> {
  const lat = degrees(latitude.value, 90, 'The latitude')
  const lon = lat === undefined ? undefined : degrees(longitude.value, 180, 'The longitude')
  if (lat === undefined || lon === undefined) return
  const text = await ask(`lat=${lat}&lon=${lon}`, 'Asking for stations')
  if (text === undefined) return
  try {
    stations.value = (JSON.parse(text) as { stations: Station[] }).stations
  } catch {
    problem.value = `The weather service sent something that is no list of stations: “${text.slice(0, 40)}”.`
  }
}
async function take(station: Station): Promise<void> {
  const text = await ask(`station=${station.id}&format=csv`, `Asking for the record of ${station.name}`)
  if (text === undefined) return
  if (!text.startsWith('date,'))
    problem.value =
      `The weather service sent something that is no record: “${text.slice(0, 40)}”. Ask again later, or load a ` +
      'record from a file.'
  else
    emit('take', {
      name: `${station.name}, ${station.from.slice(0, 4)} to ${station.to.slice(0, 4)}`,
      text,
      endsOn: station.to,
    })
}
</script>

<template>
  <el-dialog v-model="shown" title="Ask the weather service" width="min(600px, 96vw)" append-to-body>
    <p>
      Stations near latitude <input v-model="latitude" class="typed" aria-label="Latitude of the place" /> and longitude
      <input v-model="longitude" class="typed" aria-label="Longitude of the place" />:
      <button type="button" class="move" :disabled="Boolean(busy)" @click="find">Find stations</button>
    </p>
    <p v-if="busy" role="status" class="soft">
      {{ busy }} … <button type="button" class="plain" @click="stop">Stop</button>
    </p>
    <p v-if="problem" role="alert" class="problem quote">{{ problem }} Nothing was changed.</p>
    <ul v-if="stations.length" class="stations">
      <li v-for="station in stations" :key="station.id">
        <button type="button" class="plain" :disabled="Boolean(busy)" @click="take(station)">{{ station.name }}</button>
        <span class="soft small"
          >{{ station.distanceKm }} km away, {{ show(station.altitudeM, 'length') }} up, {{ station.climate }},
          {{ station.from.slice(0, 4) }} to {{ station.to.slice(0, 4) }}</span
        >
      </li>
    </ul>
    <p class="soft small">
      This service is a stand-in that ships with the app; its stations are made up and no request leaves this machine.
      It <ChoiceField label="How the service does" :value="outage" :choices="OUTAGES" :set="setOutage" />, so that
      failing can be tried.
    </p>
    <template #footer><el-button @click="shown = false">Close</el-button></template>
  </el-dialog>
</template>

<style scoped>
input {
  width: 5.5em;
}
.stations {
  padding-left: 0;
  list-style: none;
}
.stations li {
  padding: 3px 0;
  border-bottom: 1px solid var(--hair);
}
</style>
