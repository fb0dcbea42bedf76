<script setup lang="ts">
import { clockText, useTry } from './useTry'
import PlantStrip from './PlantStrip.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { nameOf, tanksOf } from '#core/site'
import type { PlantView } from '#core/plant'
import { refThrottled } from '@vueuse/core'

/** Strips of levels, pressures and flows over the last hour or day. */
const store = useSite()
const { course, clockS } = useTry()
const site = computed(() => store.site!)
const SPANS = [
  { value: 600, name: 'ten minutes' },
  { value: 3600, name: 'hour' },
  { value: 86400, name: 'day' },
]
const spanS = ref(3600)
/** A recorder that is drawn twice a second is seen to move, and leaves the page its frames. */
const seen = refThrottled(course, 500)
const untilS = computed(() => Math.max(spanS.value, seen.value.at(-1)?.atS ?? 0))
const fromS = computed(() => untilS.value - spanS.value)
const MOST_POINTS = 300
const looks = computed(() => {
  const within = seen.value.filter(({ atS }) => atS >= fromS.value)
  const every = Math.max(1, Math.ceil(within.length / MOST_POINTS))
  return within.filter((_, at) => at % every === 0 || at === within.length - 1)
})
const MOST_LINES = 3
const line = (label: string, of: (look: PlantView) => number | undefined) => ({
  label,
  points: looks.value.flatMap(look => {
    const y = of(look)
    return y === undefined ? [] : [{ x: look.atS, y }]
  }),
})
const levels = computed(() =>
  tanksOf(site.value)
    .slice(0, MOST_LINES)
    .map(tank => line(tank.name, look => look.levels[tank.id])),
)
const vessels = computed(() => site.value.nodes.filter(({ kind }) => kind === 'pressureTank'))
const openTaps = computed(() => Object.keys(seen.value.at(-1)?.open ?? {}).slice(0, MOST_LINES))
const pressures = computed(() =>
  vessels.value.length
    ? vessels.value.slice(0, 1).map(({ id }) => line(nameOf(site.value, id), look => look.pressures[id]))
    : openTaps.value.map(id => line(nameOf(site.value, id), look => look.taps[id]?.pressureKPa)),
)
const flows = computed(() => [
  line('all taps', look => Object.values(look.taps).reduce((sum, { flowLps }) => sum + flowLps, 0)),
])
const at = (atS: number) => clockText(atS, clockS.value, false)
</script>

<template>
  <div class="strips">
    <PlantStrip name="Level" kind="length" :lines="levels" :from-s="fromS" :until-s="untilS" :clock="at" />
    <PlantStrip
      v-if="pressures.length"
      name="Pressure"
      kind="pressure"
      :lines="pressures"
      :from-s="fromS"
      :until-s="untilS"
      :clock="at"
    />
    <PlantStrip name="Flow" kind="flow" from-nothing :lines="flows" :from-s="fromS" :until-s="untilS" :clock="at" />
    <p class="small soft">
      The last
      <ChoiceField label="Length of the strips" :value="spanS" :choices="SPANS" :set="value => void (spanS = value)" />
    </p>
  </div>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
