<script setup lang="ts">
import { max, min } from 'd3-array'
import ChoiceField from '~/fields/ChoiceField.vue'
import HeightsField from '~/fields/HeightsField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { frostDepthM, type Run } from '#core/site'
import { moveOf } from '#core/moves'
import { profileOf } from '#core/network'
import { type CrossingId, CROSSINGS, FROST_PROOF_LINES } from '#core/catalog'

/** The heights of a line from end to end against the ground, with its humps and dips and what they want. */
const props = defineProps<{ run: Run }>()
const store = useSite()
const { show } = useUnits()
const set = useThing('run', () => props.run.id)
const places = computed(() => profileOf(store.site!, props.run))
const [WIDTH, HEIGHT, EDGE] = [640, 92, 12]
const picture = computed(() => {
  const all = places.value
  const lengthM = Math.max(0.01, all.at(-1)!.alongM)
  const grounds = all.map(({ heightM, deepM }) => heightM + deepM)
  const [low, high] = [
    min([...grounds, ...all.map(place => place.heightM)])!,
    max([...grounds, ...all.map(place => place.heightM)])!,
  ]
  const x = (alongM: number) => EDGE + ((WIDTH - 2 * EDGE) * alongM) / lengthM
  const y = (heightM: number) => HEIGHT - 16 - ((HEIGHT - 34) * (heightM - low)) / Math.max(0.5, high - low)
  const line = (of: (at: number) => number) =>
    all.map((place, at) => `${at ? 'L' : 'M'}${x(place.alongM)} ${y(of(at))}`).join(' ')
  return {
    pipe: line(at => all[at]!.heightM),
    ground: line(at => grounds[at]!),
    marks: all.map(place => ({ ...place, x: x(place.alongM), y: y(place.heightM) })),
  }
})
const turns = computed(() => places.value.filter(place => place.is))
const shallowest = computed(() => min(places.value.slice(1, -1), place => place.deepM))
const FROST_PROOF_WORDS = FROST_PROOF_LINES.map(value => ({ value, name: value }))
const buried = computed(() => {
  const deep = shallowest.value
  if (deep === undefined) return 'runs straight from end to end, as far as anybody has told'
  const frostM = frostDepthM(store.site!)
  if (deep <= 0) return `comes above the ground by ${show(-deep, 'length')}`
  return `lies at least ${show(deep, 'length')} deep, ${deep >= frostM ? 'below' : 'above'} the frost’s ${show(frostM, 'length')}`
})
const crosses = computed(() => props.run.crosses ?? [])
const cross = (what: CrossingId) =>
  set('crosses')(crosses.value.includes(what) ? crosses.value.filter(each => each !== what) : [...crosses.value, what])
</script>

<template>
  <div class="profile" data-notes="heights">
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`Heights along the line: it ${buried}`">
      <path :d="picture.ground" class="ground" />
      <path :d="picture.pipe" class="pipe" />
      <g v-for="mark in picture.marks" :key="mark.alongM">
        <circle :cx="mark.x" :cy="mark.y" r="3" :class="mark.is ?? 'known'" />
        <text
          :x="mark.x"
          :y="mark.is === 'dip' ? mark.y + 14 : mark.y - 6"
          :class="{ last: mark.x > WIDTH - 60, first: mark.x < 60 }"
        >
          {{ show(mark.heightM, 'length') }}
        </text>
      </g>
    </svg>
    <p>
      It {{ buried }}.
      <template v-for="place in turns" :key="place.alongM">
        {{ place.is === 'hump' ? 'Air gathers' : 'Water stays' }} {{ show(place.alongM, 'length') }} along, at
        {{ show(place.heightM, 'length') }}.
        <button
          v-if="place.id"
          type="button"
          class="plain"
          @click="
            store.make(
              moveOf('ventOrDrain', { run: run.id, place: place.id!, fit: place.is === 'hump' ? 'vent' : 'drain' }),
            )
          "
        >
          {{ place.is === 'hump' ? 'Fit a vent there' : 'Fit a drain there' }}
        </button>
      </template>
      <HeightsField :run="run" />
    </p>
    <p>
      Against frost it is
      <ChoiceField
        label="Against frost"
        :value="run.frostProof ?? 'open'"
        :choices="[{ value: 'open', name: 'left as it is' }, ...FROST_PROOF_WORDS]"
        :set="value => set('frostProof')(value === 'open' ? undefined : value)"
      />. It crosses<template v-for="({ name }, value, at) in CROSSINGS" :key="value"
        >{{ at ? ', ' : ' '
        }}<button type="button" class="plain small" :aria-pressed="crosses.includes(value)" @click="cross(value)">
          {{ crosses.includes(value) ? '✓ ' : '' }}{{ name }}
        </button></template
      >{{ crosses.length ? `: ${listed(crosses.map(what => CROSSINGS[what].wants))}.` : ' or none of these.' }}
    </p>
  </div>
</template>

<style scoped>
.profile {
  border-top: 1px solid var(--hair);
  padding-top: 6px;
}
svg {
  width: 100%;
  max-width: 720px;
  display: block;
}
path {
  fill: none;
}
.ground {
  stroke: var(--earth-line);
  stroke-dasharray: 6 4;
}
.pipe {
  stroke: var(--line-roof);
  stroke-width: 3;
  stroke-linejoin: round;
}
circle {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 1.4;
}
.hump,
.dip {
  stroke: var(--rust);
  stroke-width: 2;
}
text {
  font: 600 11px var(--mono);
  fill: var(--soft);
  text-anchor: middle;
}
.first {
  text-anchor: start;
}
.last {
  text-anchor: end;
}
p {
  margin: 2px 0;
}
</style>
