<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import { whyNot } from '#core/answers'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useYard } from '~/stores/yard'
import OwnMonths from '~/yard/OwnMonths.vue'
import { NOTHING_TYPED, readOwnMonths, type OwnMonthsTyped } from '~/yard/ownMonths'
import { MONTH_NAMES, parseQuantity, showQuantity, type Kind, type Parsed, type System } from '#core/units'
import { monthsAcross, newSite, standInClimate } from '#core/moves'
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
const own = ref<OwnMonthsTyped>({ ...NOTHING_TYPED })
/** Where the water comes from: a roof, or only what is brought from outside. */
const whence = ref<'roof' | 'main' | 'well' | 'cart'>('roof')
const WHENCES = [
  { value: 'roof' as const, name: 'A roof' },
  { value: 'main' as const, name: 'No roof: a main' },
  { value: 'well' as const, name: 'No roof: a well' },
  { value: 'cart' as const, name: 'No roof: water carted in' },
]
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

/** On which side of the equator it is, where that is not as the climate has it. */
const side = ref<'north' | 'south'>()
const SIDES = [
  { value: 'north' as const, name: 'north' },
  { value: 'south' as const, name: 'south' },
]
const sideOf = (latitudeDeg: number) => (latitudeDeg < 0 ? 'south' : 'north')
/** The climate and the place that were chosen; none where somebody has months of their own. */
const standIn = computed(() => {
  if (climate.value === 'own') return undefined
  const { latitudeDeg, altitudeM } = CLIMATES[climate.value]
  const chosen = standInClimate(climate.value)
  const across = side.value !== undefined && side.value !== sideOf(latitudeDeg)
  return {
    climate: across ? { ...chosen, months: monthsAcross(chosen.months) } : chosen,
    place: { latitudeDeg: across ? -latitudeDeg : latitudeDeg, altitudeM },
  }
})
const rains = computed(() => standIn.value?.climate.months.map(({ rainMm }) => rainMm) ?? [])
const monthOf = (mm: number) => MONTH_NAMES[rains.value.indexOf(mm)]

const valueOf = (parsed: Parsed) => (parsed.ok ? parsed.value : 0)
async function begin(): Promise<void> {
  const read = {
    length: parseQuantity(roof.length, 'length', units.value),
    width: parseQuantity(roof.width, 'length', units.value),
    count: parseQuantity(count.value, asking.value.kind, units.value),
  }
  for (const [field, parsed] of [
    ...(whence.value === 'roof'
      ? ([
          ['The roof’s length', read.length],
          ['The roof’s width', read.width],
        ] as const)
      : []),
    [`For ${asking.value.name}`, read.count],
  ] as const) {
    if (!parsed.ok) return void (problem.value = `${field}: ${whyNot(parsed)}`)
    if (parsed.value <= 0) return void (problem.value = `${field} must be more than nothing.`)
  }
  if (!read.count.ok || (whence.value === 'roof' && !(read.length.ok && read.width.ok))) return
  const told = climate.value === 'own' ? readOwnMonths(own.value, units.value) : standIn.value!
  if (typeof told === 'string') return void (problem.value = told)
  const amount = read.count.value
  const made = newSite({
    id: yard.freshSiteId(),
    name: name.value.trim() || 'New site',
    units: units.value,
    climate: told.climate,
    place: told.place,
    ...(whence.value === 'roof'
      ? {
          roof: {
            name: 'Main roof',
            lengthM: valueOf(read.length),
            widthM: valueOf(read.width),
            material: roof.material,
          },
        }
      : { source: whence.value }),
    uses: asking.value.uses.map(preset => ({ preset, count: preset === 'washdown' ? 1 : amount })),
  })
  if (!made.ok) return void (problem.value = whyNot(made))
  const id = await yard.add(made.site, { now: Date.now() }).catch(() => undefined)
  if (id === undefined)
    return void (problem.value =
      'The site was not kept: this browser has no room, or refuses to write. Make room, and set it up again.')
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
        <input
          v-model="name"
          aria-label="Name of the site"
          placeholder="New site"
          maxlength="80"
          class="typed wide"
          @keydown.enter.prevent
        />, measured in <ChoiceField label="Units" :value="units" :choices="UNITS" :set="setUnits" />.
      </p>
      <h2>1 · Where?</h2>
      <p>
        The weather is {{ climate === 'own' ? '' : 'that of a' }}
        <ChoiceField label="Climate" :value="climate" :choices="climates" :set="value => (climate = value)" />.
        <template v-if="standIn">
          It lies
          <ChoiceField
            label="Side of the equator"
            :value="sideOf(standIn.place.latitudeDeg)"
            :choices="SIDES"
            :set="value => (side = value)"
          />
          of the equator, wettest in {{ monthOf(Math.max(...rains)) }}, driest in {{ monthOf(Math.min(...rains)) }}.
          <span class="soft small"
            >{{
              showQuantity(
                rains.reduce((sum, rain) => sum + rain, 0),
                'rain',
                units,
              ).text
            }}
            of rain a year, made up. Your own record can be loaded afterwards, at Catch.</span
          >
        </template>
      </p>
      <OwnMonths v-if="climate === 'own'" v-model="own" :units="units" />
      <h2>2 · What brings the water?</h2>
      <p>
        <ChoiceField
          label="What brings the water"
          :value="whence"
          :choices="WHENCES"
          :set="value => (whence = value)"
        />
        <template v-if="whence === 'roof'">
          of
          <ChoiceField
            label="Roofing"
            :value="roof.material"
            :choices="materials"
            :set="value => (roof.material = value)"
          />, <input v-model="roof.length" class="typed" aria-label="Length of the roof" /> by
          <input v-model="roof.width" class="typed" aria-label="Width of the roof" />, seen from above with its eaves.
        </template>
        <template v-else-if="whence === 'main'">
          that keeps two tanks nearly full, for when it fails. How it fails is said at Store.</template
        >
        <template v-else-if="whence === 'well'"> that tops two tanks up as they fall.</template>
        <template v-else> by the load, once two tanks stand low.</template>
      </p>
      <h2>3 · What for?</h2>
      <p>
        For <ChoiceField label="What for" :value="purpose" :choices="purposes" :set="setPurpose" />: {{ asking.asks }}
        <input v-model="count" class="typed" :aria-label="asking.asks" />
      </p>
      <p v-if="problem" role="alert" class="problem">{{ problem }}</p>
      <button type="submit" class="move begin">Set it up</button>
      <p class="soft small">
        {{ whence === 'roof' ? 'Two joined tanks, a first flush' : 'Two joined tanks, the line that fills them' }}, an
        overflow and a tap will stand at once. Everything can be changed.
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
input.wide {
  width: 14em;
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
