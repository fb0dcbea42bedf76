<script setup lang="ts">
import { useTry } from './useTry'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { designStorm, graphOf, nameOf, runName, tanksOf } from '#core/site'
import { leftFull, tapsOf } from '#core/network'
import { dayOfDraws, dryMonth, type PlantView } from '#core/plant'

/** What can be done to the plant while it runs. */
const store = useSite()
const { view, act, begin, script } = useTry()
const { show, litres } = useUnits()
const site = computed(() => store.site!)
const now = computed(() => view.value as PlantView)
const taps = computed(() => tapsOf(site.value))
const mains = computed(() => site.value.nodes.filter(({ kind }) => kind === 'main'))
const storm = computed(() => designStorm(site.value)?.intensityMmPerH ?? 60)
const solar = computed(() =>
  site.value.runs.some(run => run.parts.some(part => part.kind === 'pump' && part.pump === 'solar')),
)
/** Usual draws of the day, from where the clock stands. */
function drawDay(): void {
  const atS = now.value.atS
  const steps = dayOfDraws(site.value, {
    month: dryMonth(site.value),
    seed: 1,
    fromS: Math.floor(atS / 86400) * 86400,
  }).filter(step => step.atS > atS)
  script.value = { name: 'A usual day of draws', steps, next: 0, untilS: atS + 86400 }
}
/** As for the winter: nothing comes, every tap stands open, and so does every valve that leads to the ground. */
function drainDown(): void {
  const drains = site.value.runs
    .filter(run => graphOf(site.value).node(run.to.node)?.kind === 'outfall')
    .flatMap(run => run.parts.flatMap(part => (part.kind === 'valve' ? [part.id] : [])))
  void act(
    { power: true, to: false },
    ...mains.value.map(({ id }) => ({ main: id, to: false })),
    ...taps.value.map(({ id }) => ({ tap: id, to: 1 })),
    ...drains.map(valve => ({ valve, to: true })),
  )
}
/** So it stands: no power, no main, every tap open. */
const isDrained = computed(
  () =>
    !now.value.power &&
    taps.value.length > 0 &&
    mains.value.every(({ id }) => now.value.mainsOff.includes(id)) &&
    taps.value.every(({ id }) => now.value.open[id] === 1),
)
/** What stays full then, until somebody opens a union or fits a drain. */
const full = computed(() => (isDrained.value ? leftFull(site.value) : []))
const empty = () => Object.fromEntries(tanksOf(site.value).map(({ id }) => [id, 0]))
</script>

<template>
  <div class="do">
    <h3>Do</h3>
    <dl>
      <dt>Rain</dt>
      <dd>
        <QuantityField
          label="Rain"
          kind="intensity"
          :value="now.rainMmPerH"
          :set="value => void act({ rainMmPerH: Math.max(0, value) })"
        />
      </dd>
      <dt>A storm</dt>
      <dd>
        <button type="button" class="plain" data-do="storm" @click="act({ rainMmPerH: now.rainMmPerH ? 0 : storm })">
          {{ now.rainMmPerH ? 'let it end' : show(storm, 'intensity') }}
        </button>
      </dd>
      <dt>Power</dt>
      <dd>
        <button type="button" class="plain" data-do="power" @click="act({ power: true, to: !now.power })">
          {{ now.power ? 'on' : 'off' }}
        </button>
      </dd>
      <template v-for="main in mains" :key="main.id">
        <dt>{{ nameOf(site, main.id) }}</dt>
        <dd>
          <button type="button" class="plain" @click="act({ main: main.id, to: now.mainsOff.includes(main.id) })">
            {{ now.mainsOff.includes(main.id) ? 'off' : 'on' }}
          </button>
        </dd>
      </template>
      <template v-if="solar">
        <dt>Sun</dt>
        <dd>
          <button type="button" class="plain" @click="act({ sun: now.sun > 0.5 ? 0.3 : now.sun > 0 ? 0 : 1 })">
            {{ now.sun > 0.5 ? 'full' : now.sun > 0 ? 'weak' : 'none' }}
          </button>
        </dd>
      </template>
      <template v-for="tap in taps" :key="tap.id">
        <dt>{{ nameOf(site, tap.id) }}</dt>
        <dd>
          <button
            type="button"
            class="plain"
            :data-tap="tap.id"
            :aria-pressed="Boolean(now.open[tap.id])"
            @click="act({ tap: tap.id, to: now.open[tap.id] ? 0 : 1 })"
          >
            {{ now.open[tap.id] ? show(now.taps[tap.id]?.flowLps ?? 0, 'flow') : 'shut' }}
          </button>
        </dd>
      </template>
    </dl>
    <p>
      <button type="button" class="plain" @click="drawDay">Usual draws of a day</button><br />
      <button type="button" class="plain" @click="begin({ levels: empty() })">Fill from empty</button><br />
      <button type="button" class="plain" @click="begin()">All tanks full</button><br />
      <button type="button" class="plain" data-do="drain" @click="drainDown">Drain it down</button>
    </p>
    <p v-if="full.length" data-left-full>
      Drained, these still stand full:
      <template v-for="({ run, litres: left }, at) in full" :key="run.id"
        >{{ at ? ', ' : '' }}“{{ runName(site, run) }}” ({{ litres(left) }})</template
      >. Frost splits them; open a union or fit a drain at their lowest.
    </p>
    <p v-else-if="isDrained" class="soft small">Drained, no line stands full.</p>
    <p class="soft small">Touch a tap or a valve in the Section too.</p>
  </div>
</template>

<style scoped>
h3 {
  margin: 0 0 4px;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  margin: 0;
  font-size: 14px;
}
dt,
dd {
  margin: 0;
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
}
dd {
  text-align: right;
}
p {
  margin: 8px 0 0;
  line-height: 1.7;
}
</style>
