<script setup lang="ts">
import { momentTogether } from './useMoment'
import HeightsField from '~/fields/HeightsField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import LongList from '~/fields/LongList.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { nameOf, runName, type Run } from '#core/site'
import { listed } from '#core/words'
import { moveOf } from '#core/moves'
import { seriesLaid } from '#core/options'
import { PIPE_SERIES_IDS, pipeSeries, sizeName, sizeOfPipe, usualSeries, type PipeSeriesId } from '#core/catalog'
import { airAt, boreMm, pipeLengthM, placesAlong, type RunStatus } from '#core/network'

/** Every line under pressure as it runs while the taps that are named run. */
const store = useSite()
const { show } = useUnits()
const { pickRun, runId } = useSelection()
const WORDS: Record<RunStatus, string> = {
  flowing: '',
  still: 'still',
  shut: 'a valve is shut',
  checked: 'held by its check valve',
  'float-shut': 'its float is shut',
  stopped: 'its pump stands',
  dry: 'no water reaches it',
}
/** The line in hand, and the places on it whose heights are known. */
const picked = computed(() => store.site!.runs.find(run => run.id === runId.value))
/** Places that lie lower than those before and after them: water stands there. */
const dips = computed(() => {
  const run = picked.value
  if (!run?.profile) return []
  const heights = placesAlong(store.site!, run, pipeLengthM(run)).map(({ heightM }) => heightM)
  return heights.filter((heightM, at) => at > 0 && heights[at - 1]! > heightM && heights[at + 1]! > heightM)
})
const alongWords = computed(() => {
  const places = picked.value?.profile
  if (!places) return 'is taken to run straight from end to end.'
  const said = places.map(({ alongM, heightM }) => `${show(heightM, 'length')} after ${show(alongM, 'length')}`)
  return `passes ${listed(said)}.${dips.value.length ? ' Where it dips it stays full: a drain there empties it.' : ''}`
})
/** A line's pipe by its series and size, as it is sold; one of another bore is told by what it measures inside. */
const OWN = 'own'
function pipeOf(run: Run): string {
  const own = seriesLaid(store.site!, run)
  for (const series of [own, ...PIPE_SERIES_IDS.filter(id => id !== own)]) {
    const size = sizeOfPipe(series, boreMm(run))
    if (size) return `${series} ${size.size}`
  }
  return OWN
}
const sold = computed(() => {
  const usual = usualSeries(store.site!.standards.pipes)
  return [usual, ...PIPE_SERIES_IDS.filter(id => id !== usual)].flatMap(series =>
    pipeSeries(series).sizes.map(({ size, innerMm }) => ({
      value: `${series} ${size}`,
      name: `${sizeName(size, store.system)} ${pipeSeries(series).name}, ${show(innerMm, 'bore')} inside`,
    })),
  )
})
const choicesFor = (run: Run) =>
  pipeOf(run) === OWN ? [{ value: OWN, name: `${show(boreMm(run), 'bore')} inside` }, ...sold.value] : sold.value
function lay(run: Run, value: string): void {
  if (value === OWN) return
  const [series, ...size] = value.split(' ')
  store.make(moveOf('layPipe', { run: run.id, series: series as PipeSeriesId, size: size.join(' ') }))
}
/** Faster water wears and hammers. */
const FAST_MPS = 2
const rows = computed(() => {
  const { runs } = momentTogether(store.site!)!
  return store.site!.runs.flatMap(run => (runs[run.id] ? [{ run, state: runs[run.id]! }] : []))
})
const runOf = ({ run }: { run: Run }) => run.id
const airs = computed(() => airAt(store.site!, momentTogether(store.site!)!))
</script>

<template>
  <section>
    <h2>Lines in numbers</h2>
    <p class="soft">As they run while the taps run that are named under Taps at once.</p>
    <p v-for="air in airs" :key="air.id" class="air" :data-air="air.id">
      At
      {{
        air.on
          ? `${show(air.on.heightM, 'length')} along “${runName(store.site!, air.on.run)}”`
          : nameOf(store.site!, air.id)
      }}
      the pressure falls {{ show(-air.pressureKPa, 'pressure') }} below the air’s: air comes out of the water there or
      is drawn in, and less flows than is told here.
    </p>
    <table class="compare">
      <thead>
        <tr>
          <th scope="col">line</th>
          <th scope="col">pipe</th>
          <th scope="col">length</th>
          <th scope="col">flow</th>
          <th scope="col">speed</th>
          <th scope="col">takes</th>
        </tr>
      </thead>
      <tbody>
        <LongList v-slot="{ item: { run, state } }" :items="rows" :key-of="runOf">
          <tr :data-line="run.id" :class="{ on: run.id === runId }">
            <th scope="row">
              <button type="button" class="plain small" @click="pickRun(run.id)">
                {{ runName(store.site!, run) }}
              </button>
            </th>
            <td>
              <ChoiceField
                v-if="run.parts.some(part => part.kind === 'pipe')"
                :label="`Pipe of ${runName(store.site!, run)}`"
                :value="pipeOf(run)"
                :choices="choicesFor(run)"
                :set="value => lay(run, value)"
              />
              <template v-else>{{ show(boreMm(run), 'pipe') }}</template>
            </td>
            <td>{{ show(pipeLengthM(run), 'length') }}</td>
            <template v-if="state.status === 'flowing'">
              <td class="figure">{{ show(Math.abs(state.flowLps), 'flow') }}{{ state.flowLps < 0 ? ' back' : '' }}</td>
              <td :class="{ fast: state.velocityMps > FAST_MPS }">{{ show(state.velocityMps, 'speed') }}</td>
              <td>{{ show(state.lossM, 'length') }}</td>
            </template>
            <td v-else colspan="3" class="soft">{{ WORDS[state.status] }}</td>
          </tr>
        </LongList>
      </tbody>
    </table>
    <p v-if="picked" class="along" data-notes="profile">
      “{{ runName(store.site!, picked) }}” {{ alongWords }}
      <HeightsField :run="picked" />
    </p>
    <p v-else class="soft small">
      Pick a line, and its heights on the way can be typed: humps hold air, dips want a drain.
    </p>
  </section>
</template>

<style scoped>
td:nth-child(n + 3) {
  white-space: nowrap;
}
.air {
  border-left: 3px solid var(--straw);
  padding-left: 10px;
}
.fast {
  color: var(--rust);
  font-weight: 600;
}
</style>
