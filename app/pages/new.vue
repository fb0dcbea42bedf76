<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import { whyNot } from '#core/answers'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useYard } from '~/stores/yard'
import { parseQuantity, showQuantity, type Kind, type System } from '#core/units'
import type { Site } from '#core/site'
import { newSite, standInClimate } from '#core/moves'
import {
  CLIMATE_IDS,
  CLIMATES,
  ROOFING,
  ROOFING_IDS,
  type ClimateId,
  type RoofingId,
  type UsePresetId,
} from '#core/catalog'

/** A new site asks three things, where, what roof, what for, and stands. */
const yard = useYard()
const name = ref('')
const units = ref<System>('metric')
const climate = ref<ClimateId | 'own'>('wet-town')
const ownRain = ref('')
const ownLatitude = ref('45')
const roof = reactive({ length: '8 m', width: '6 m', material: 'steel' as RoofingId })
const purpose = ref<'garden' | 'house' | 'workshop' | 'animals'>('garden')
const count = ref('20 m²')
const problem = ref<string>()
useHead({ title: 'New site · Tall Cask' })

const PURPOSES: Record<
  typeof purpose.value,
  { name: string; asks: string; kind: Kind; first: number; uses: UsePresetId[] }
> = {
  garden: { name: 'a garden', asks: 'beds of', kind: 'area', first: 20, uses: ['beds'] },
  house: {
    name: 'a household',
    asks: 'how many people',
    kind: 'count',
    first: 3,
    uses: ['kitchen', 'shower', 'flush'],
  },
  workshop: { name: 'a workshop', asks: 'how many people', kind: 'count', first: 3, uses: ['basin', 'washdown'] },
  animals: { name: 'animals', asks: 'how many cattle', kind: 'count', first: 4, uses: ['cattle'] },
}
const asking = computed(() => PURPOSES[purpose.value])
const climates = [...choicesOf(CLIMATE_IDS, CLIMATES), { value: 'own' as const, name: 'my own twelve months' }]
const UNITS = [
  { value: 'metric' as const, name: 'metres and litres' },
  { value: 'us' as const, name: 'feet and US gallons' },
  { value: 'imperial' as const, name: 'feet and imperial gallons' },
]

/** Figures already typed are shown again in the new units, so that none changes its meaning. */
function setUnits(next: System): void {
  const again = (text: string, kind: Kind) => {
    const parsed = parseQuantity(text, kind, units.value)
    return parsed.ok ? showQuantity(parsed.value, kind, next).text : text
  }
  roof.length = again(roof.length, 'length')
  roof.width = again(roof.width, 'length')
  count.value = again(count.value, asking.value.kind)
  units.value = next
}
function setPurpose(next: typeof purpose.value): void {
  purpose.value = next
  count.value = showQuantity(PURPOSES[next].first, PURPOSES[next].kind, units.value).text
}

const placeOf = (id: ClimateId) => ({
  latitudeDeg: CLIMATES[id].latitudeDeg,
  altitudeM: CLIMATES[id].altitudeM,
  frostDepthM: CLIMATES[id].frostDepthM,
})

/** Twelve figures, parted by blanks, semicolons or new lines, in mm or inches by the site's units. */
function ownMonths(): Site['climate'] | string {
  const figures = ownRain.value.split(/[\s;]+|,\s+/).filter(Boolean)
  if (figures.length !== 12)
    return (
      `Your months: twelve figures are needed, January to December; there ${figures.length === 1 ? 'is' : 'are'} ` +
      `${figures.length}.`
    )
  const rain = figures.map(figure => parseQuantity(figure, 'rain', units.value))
  const wrong = rain.findIndex(parsed => !parsed.ok || parsed.value < 0 || parsed.value > 3000)
  if (wrong >= 0) return `Your months: the ${wrong + 1}. figure, “${figures[wrong]}”, is not a month’s rain.`
  const base = standInClimate('wet-town')
  const { burst: _burst, ...rest } = base
  return {
    ...rest,
    storm: { minutes: 5 },
    source: 'own months',
    months: base.months.map((month, index) => {
      const parsed = rain[index]!
      const rainMm = parsed.ok ? parsed.value : 0
      return { ...month, rainMm, wetDays: Math.min(25, Math.max(rainMm > 0 ? 1 : 0, Math.round(rainMm / 7))) }
    }),
  }
}

async function begin(): Promise<void> {
  const read = {
    length: parseQuantity(roof.length, 'length', units.value),
    width: parseQuantity(roof.width, 'length', units.value),
    count: parseQuantity(count.value, asking.value.kind, units.value),
  }
  for (const [field, parsed] of [
    ['The roof’s length', read.length],
    ['The roof’s width', read.width],
    [`For ${asking.value.name}`, read.count],
  ] as const) {
    if (!parsed.ok) return void (problem.value = `${field}: ${whyNot(parsed)}`)
    if (parsed.value <= 0) return void (problem.value = `${field} must be more than nothing.`)
  }
  if (!read.length.ok || !read.width.ok || !read.count.ok) return
  const own = climate.value === 'own' ? ownMonths() : standInClimate(climate.value)
  if (typeof own === 'string') return void (problem.value = own)
  const place =
    climate.value === 'own'
      ? { latitudeDeg: Number(ownLatitude.value.replace(',', '.')), altitudeM: 0, frostDepthM: 0.5 }
      : placeOf(climate.value)
  if (!(Math.abs(place.latitudeDeg) <= 90))
    return void (problem.value =
      `The latitude, “${ownLatitude.value}”, must be a number from −90 to 90; south of the equator it is ` +
      'negative.')
  const amount = read.count.value
  const made = newSite({
    id: yard.freshSiteId(),
    name: name.value.trim() || 'New site',
    units: units.value,
    climate: own,
    place,
    roof: { name: 'Main roof', lengthM: read.length.value, widthM: read.width.value, material: roof.material },
    uses: asking.value.uses.map(preset => ({ preset, count: preset === 'washdown' ? 1 : amount })),
  })
  if (!made.ok) return void (problem.value = whyNot(made))
  const id = await yard.add(made.site, { now: Date.now() })
  await navigateTo(`/site/${id}/store`)
}
const materials = choicesOf(ROOFING_IDS, ROOFING)
const purposes = (Object.keys(PURPOSES) as (typeof purpose.value)[]).map(value => ({
  value,
  name: PURPOSES[value].name,
}))
</script>

<template>
  <main class="new">
    <NuxtLink to="/" class="small">The Yard</NuxtLink>
    <h1>A new site</h1>
    <form @submit.prevent="begin">
      <p>
        It is called
        <input v-model="name" aria-label="Name of the site" placeholder="New site" maxlength="80" class="wide" />,
        measured in <ChoiceField label="Units" :value="units" :choices="UNITS" :set="setUnits" />.
      </p>
      <h2>1 · Where?</h2>
      <p>
        The weather is that of a
        <ChoiceField label="Climate" :value="climate" :choices="climates" :set="value => (climate = value)" />.
        <span v-if="climate !== 'own'" class="soft small"
          >{{
            showQuantity(
              CLIMATES[climate].rainMm.reduce((sum, rain) => sum + rain, 0),
              'rain',
              units,
            ).text
          }}
          of rain a year, made up. Your own record can be loaded afterwards, at Catch.</span
        >
      </p>
      <p v-if="climate === 'own'">
        At latitude <input v-model="ownLatitude" aria-label="Latitude in degrees, south negative" /> degrees, the rain
        of each month is
        <input
          v-model="ownRain"
          class="months"
          aria-label="Rain of your twelve months, January to December"
          :placeholder="
            units === 'metric'
              ? '88 66 70 58 62 68 70 78 76 92 96 98 (mm, January to December)'
              : '3.5 2.6 2.8 … (inches, January to December)'
          "
        /><span class="soft small"> Temperatures of a temperate town are put beside it; type your own at Catch.</span>
      </p>
      <h2>2 · What roof?</h2>
      <p>
        A roof of
        <ChoiceField
          label="Roofing"
          :value="roof.material"
          :choices="materials"
          :set="value => (roof.material = value)"
        />, <input v-model="roof.length" aria-label="Length of the roof" /> by
        <input v-model="roof.width" aria-label="Width of the roof" />, seen from above with its eaves.
      </p>
      <h2>3 · What for?</h2>
      <p>
        For <ChoiceField label="What for" :value="purpose" :choices="purposes" :set="setPurpose" />: {{ asking.asks }}
        <input v-model="count" :aria-label="asking.asks" />
      </p>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <button type="submit" class="move begin">Set it up</button>
      <p class="soft small">
        Two joined tanks, a first flush, an overflow and a tap will stand at once. Everything can be changed.
      </p>
    </form>
  </main>
</template>

<style scoped>
.new {
  max-width: 720px;
  margin: 0 auto;
  padding: 32px 24px;
}
h1 {
  font-size: 26px;
  margin: 6px 0 12px;
}
h2 {
  margin: 20px 0 4px;
  font-size: 18px;
}
form p {
  line-height: 2;
  font-size: 16px;
}
input {
  font: inherit;
  font-weight: 600;
  color: var(--ink);
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  border-radius: 2px 2px 0 0;
  padding: 1px 6px 0;
  width: 7em;
  line-height: 1.4;
}
input.wide {
  width: 14em;
}
input.months {
  width: 100%;
}
.begin {
  background: var(--oak);
  color: var(--oak-ink);
  padding: 8px 20px;
  margin: 10px 0;
  font-size: 16px;
}
.begin:hover {
  background: color-mix(in srgb, var(--oak) 88%, var(--ink));
}
.problem {
  border-left: 3px solid var(--rust);
  padding-left: 10px;
}
</style>
