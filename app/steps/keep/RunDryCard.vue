<script setup lang="ts">
import { area, line } from 'd3-shape'
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
const { litres } = useUnits()
const [WIDE, HIGH, WEEKS] = [340, 60, 26]
const weeks = computed(() => props.today.weeks.slice(0, WEEKS))
const x = (week: number) => (week / (WEEKS - 1)) * WIDE
const y = (held: number) => HIGH - (held / Math.max(1, props.today.capL)) * HIGH
const band = computed(
  () =>
    area<[number, number, number]>()
      .x((_, week) => x(week))
      .y0(([low]) => y(low))
      .y1(([, , high]) => y(high))(weeks.value) ?? '',
)
const middle = computed(
  () =>
    line<[number, number, number]>()
      .x((_, week) => x(week))
      .y(([, held]) => y(held))(weeks.value) ?? '',
)
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
    <h3>{{ runOut.p10 ? 'Runs short' : 'It lasts' }}</h3>
    <p v-if="runOut.p50">
      If nothing changes: <b>{{ dayWords(runOut.p50) }}</b>, most likely<template v-if="runOut.p10"
        >; one chance in ten before <b>{{ dayWords(runOut.p10) }}</b></template
      >.
    </p>
    <p v-else-if="runOut.p10">
      One chance in ten that it runs short before <b>{{ dayWords(runOut.p10) }}</b>; most likely it lasts the year. By
      half a year from now {{ dryByHalfYear }} in a hundred have.
    </p>
    <p v-else>In nine of ten made-up years it lasts a year and more from today.</p>
    <svg :viewBox="`0 -4 ${WIDE} ${HIGH + 8}`" role="img" :aria-label="`What the tanks hold over ${WEEKS} weeks`">
      <path :d="`M0 ${HIGH} H${WIDE}`" class="floor" />
      <path :d="band" class="band" />
      <path :d="middle" class="middle" />
    </svg>
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
svg {
  width: 100%;
  max-width: 420px;
  display: block;
}
.floor {
  stroke: var(--hair);
}
.band {
  fill: var(--water-deep);
  opacity: 0.25;
}
.middle {
  fill: none;
  stroke: var(--water-deep);
  stroke-width: 2;
}
p {
  margin: 0 0 6px;
}
</style>
