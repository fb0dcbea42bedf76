<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import { dayWords, daysAfter } from '~/fields/days'
import { useDevices } from './devices/devices'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { counted, listed } from '#core/words'
import { moveOf } from '#core/moves'
import { inForce, type Today } from '#core/keep'

/** When something runs short, if nothing changes and if less is drawn; with what the tanks hold until then. */
const props = defineProps<{ today: Today }>()
const store = useSite()
const devices = useDevices()
const { litres, show } = useUnits()
const WEEKS = 26
const weeks = computed(() => props.today.weeks.slice(0, WEEKS))
const shareHeld = (litres: number) => litres / Math.max(1, props.today.capL)
const axes: PlotAxes = {
  x: { from: 0, until: WEEKS - 1, mostMarks: 3, text: week => (week === 0 ? 'now' : `${week} weeks`) },
  y: { from: 0, until: 1, mostMarks: 3, text: share => show(share, 'share') },
}
const curves = computed((): Series[] => [
  {
    draws: 'band',
    label: 'eight of ten years',
    colour: 'deep',
    points: weeks.value.map(([low, , high], week) => ({ x: week, low: shareHeld(low), high: shareHeld(high) })),
  },
  {
    draws: 'line',
    label: 'most likely',
    colour: 'deep',
    points: weeks.value.map(([, held], week) => ({ x: week, y: shareHeld(held) })),
  },
])
const runOut = computed(() => props.today.runOut)
const spills = computed(() => {
  const at = props.today.spillShare.findIndex(share => share >= 0.5)
  return at < 0 ? undefined : at + 1
})
/** The share of years that have run short by half a year from now. */
const dryByHalfYear = computed(() => Math.round(100 * (props.today.dryShare[182] ?? 0)))
const inDays = (days: number) => dayWords(daysAfter(days, props.today.on))
/** From tomorrow on, said as a stage: it is ended, or changed, at Restrictions. */
function ration(): void {
  const { uses, names, share } = props.today.ration!
  const held = uses.map(id => ({ id, share }))
  store.make(moveOf('restrict', { name: `${listed(names)} at half`, from: daysAfter(1), uses: held }))
}
const held = computed(() => inForce(store.site!, daysAfter(1)).map(({ name }) => name))
</script>

<template>
  <article class="card" :class="{ look: runOut.p50 }" data-run-out>
    <h3>{{ !today.levels ? 'Not read yet' : runOut.p10 ? 'Runs short' : 'It lasts' }}</h3>
    <p v-if="!today.levels">
      Nobody has read a level yet, so no day can be named: the curve is the plan’s, from tanks half full. Log a level,
      and it goes on from there.
    </p>
    <p v-else-if="runOut.p50">
      If nothing changes: <b>{{ dayWords(runOut.p50) }}</b>, most likely<template v-if="runOut.p10"
        >; one chance in ten before <b>{{ dayWords(runOut.p10) }}</b></template
      >.
    </p>
    <p v-else-if="runOut.p10">
      One chance in ten that it runs short before <b>{{ dayWords(runOut.p10) }}</b>; most likely it lasts the year. By
      half a year from now {{ dryByHalfYear }} in a hundred have.
    </p>
    <p v-else>In nine of ten made-up years it lasts a year and more from today.</p>
    <Plot glance :axes="axes" :series="curves" :height-px="96" :spoken="`What the tanks hold over ${WEEKS} weeks`" />
    <p class="soft small">
      The next half year, of {{ litres(today.capL) }}; eight of ten made-up years lie in the band.
      <template v-if="spills">Spills again, most likely, by {{ inDays(spills) }}.</template>
    </p>
    <p v-if="devices.promised.length" class="small">
      With the forecast of the next {{ counted(devices.promised.length, 'day') }}.
    </p>
    <p v-if="held.length" class="small">Reckoned with what is in force: {{ listed(held) }}.</p>
    <p v-if="today.ration">
      {{ listed(today.ration.names) }} held to half from tomorrow:
      <b>{{ today.ration.runOut.p50 ? dayWords(today.ration.runOut.p50) : 'it lasts the year' }}</b>.
      <button type="button" class="plain" @click="ration">Ration so</button>
    </p>
  </article>
</template>

<style scoped>
p {
  margin: 0 0 6px;
}
</style>
