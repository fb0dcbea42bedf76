<script setup lang="ts">
import { momentTogether, rowsTogether, runAtOnce, useStand, wantedLps, weakestOf } from './useMoment'
import ChoiceField from '~/fields/ChoiceField.vue'
import LongList from '~/fields/LongList.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { nameOf } from '#core/site'
import { loadUnitsOf } from '#core/network'
import { peakFlow } from '#core/sums'

/** Taps that run at once: who is named runs, and each is told what is left for it. */
const store = useSite()
const { show } = useUnits()
const { pickNode } = useSelection()
const stand = useStand()
const STANDS = [
  { value: 'full' as const, name: 'full' },
  { value: 'low' as const, name: 'nearly empty' },
]
const site = computed(() => store.site!)
const moment = computed(() => momentTogether(site.value)!)
const rows = computed(() => rowsTogether(site.value))
const tapOf = ({ tap }: { tap: { id: string } }) => tap.id
const running = computed(() => rows.value.filter(row => row.runs))
const weakest = computed(() => weakestOf(rows.value))
/** What a house of such taps asks for at its busiest, seldom all of them at once. */
const units = computed(() => loadUnitsOf(site.value))
const allLps = computed(() => running.value.reduce((sum, row) => sum + row.flowLps, 0))
/** A tap that has less than this of its flow is felt to be weak. */
const WEAK = 0.7
</script>

<template>
  <section>
    <h2>Taps at once</h2>
    <p>
      With the tanks
      <ChoiceField label="How high the tanks stand" :value="stand" :choices="STANDS" :set="value => (stand = value)" />
      and {{ running.length }} of {{ rows.length }} taps open
      <template v-if="weakest"
        >the weakest is <b>{{ nameOf(site, weakest.tap.id) }}</b>: {{ show(weakest.flowLps, 'flow') }} where
        {{ show(wantedLps(weakest.tap), 'flow') }} is wanted.</template
      >
      <template v-else>nothing flows.</template>
    </p>
    <p v-if="units >= 1 && units <= 100">
      Together they pass {{ show(allLps, 'flow') }}. A house with such taps ({{ units }} load units) seldom draws more
      than
      <SumFigure name="peak-flow" :input="{ loadUnits: units }">{{
        show(peakFlow({ loadUnits: units }).flowLps, 'flow')
      }}</SumFigure>
      at once.
    </p>
    <p v-if="!moment.converged" role="alert" class="wrong">{{ moment.trouble }}</p>
    <table class="compare">
      <thead>
        <tr>
          <th scope="col">runs</th>
          <th scope="col">tap</th>
          <th scope="col">passes</th>
          <th scope="col">of what is wanted</th>
          <th scope="col">pressure at it</th>
        </tr>
      </thead>
      <tbody>
        <LongList v-slot="{ item: row }" :items="rows" :key-of="tapOf">
          <tr :data-row="row.tap.id">
            <td>
              <input
                type="checkbox"
                :checked="row.runs"
                :aria-label="`${nameOf(site, row.tap.id)} runs`"
                @change="runAtOnce(site, row.tap.id, !row.runs)"
              />
            </td>
            <td>
              <button type="button" class="plain small" @click="pickNode(row.tap.id)">
                {{ nameOf(site, row.tap.id) }}
              </button>
            </td>
            <td class="figure">{{ row.runs ? show(row.flowLps, 'flow') : 'shut' }}</td>
            <td>
              <template v-if="row.runs">
                <span class="bar" aria-hidden="true"
                  ><i :style="{ width: `${100 * Math.min(1, row.share)}%` }" :class="{ weak: row.share < WEAK }"
                /></span>
                {{ Math.round(100 * row.share) }} %
              </template>
            </td>
            <td>{{ show(row.pressureKPa, 'pressure') }}</td>
          </tr>
        </LongList>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.bar {
  display: inline-block;
  width: 90px;
  height: 8px;
  margin-right: 6px;
  background: var(--hair);
  border-radius: 2px;
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--water);
}
.bar .weak {
  background: var(--rust);
}
</style>
