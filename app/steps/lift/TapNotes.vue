<script setup lang="ts">
import BoreNotes from './BoreNotes.vue'
import DripNotes from './DripNotes.vue'
import TreatmentNotes from './TreatmentNotes.vue'
import WayTable from './WayTable.vue'
import { atOnce, momentTogether, wantedLps } from './useMoment'
import ChoiceField from '~/fields/ChoiceField.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { choicesOf } from '~/fields/choices'
import ThingField from '~/fields/ThingField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { nameOf, type Run } from '#core/site'
import { fittingsK, runLossM, wayOfWater, type Steady } from '#core/network'
import { gravityFlow } from '#core/sums'
import { FITTING_K, FIXTURE_IDS, FIXTURES, TAP_LABEL_WORDS } from '#core/catalog'
import type { NodeOf } from '#core/kinds'

/** One tap: what it passes and at which pressure, alone and with the others, and where its pressure goes on the way. */
const props = defineProps<{ tap: NodeOf<'tap'>; moments: Record<'full' | 'low' | 'still', Steady> }>()
const store = useSite()
const { show } = useUnits()
const site = computed(() => store.site!)
const set = useThing('node', () => props.tap.id)
const fixtures = choicesOf(FIXTURE_IDS, FIXTURES)
const full = computed(() => props.moments.full)
const low = computed(() => props.moments.low)
const still = computed(() => props.moments.still.nodes[props.tap.id]!)
const together = computed(() => (atOnce(site.value).includes(props.tap.id) ? momentTogether(site.value) : undefined))
const way = computed(() => wayOfWater(site.value, full.value, props.tap.id))
/** The stretch whose pipe takes most of its height. */
const worst = computed(() => {
  const pipes = way.value.map(({ run, state }) => ({ run, lossM: pipeLossM(run, state.flowLps) }))
  return pipes.toSorted((a, b) => b.lossM - a.lossM)[0]
})
const pipeLossM = (run: Run, flowLps: number) =>
  runLossM(
    { ...run, parts: run.parts.filter(({ kind }) => kind === 'pipe') },
    Math.abs(flowLps),
    site.value.place.waterTemperatureC,
  )
/** One line of one bore that falls from a tank: what it would pass with nothing at its end. */
const openEnd = computed(() => {
  const [stretch] = way.value
  const pipes = stretch?.run.parts.filter(part => part.kind === 'pipe') ?? []
  if (way.value.length !== 1 || pipes.length !== 1 || stretch!.run.parts.some(({ kind }) => kind === 'pump'))
    return undefined
  const headM = full.value.nodes[stretch!.run.from.node]!.headM - props.tap.baseM
  const [pipe] = pipes
  return headM > 0
    ? {
        headM: Math.round(headM * 100) / 100,
        lengthM: pipe!.lengthM,
        innerDiameterMm: pipe!.innerDiameterMm,
        roughnessMm: pipe!.roughnessMm,
        kTotal: Math.round((fittingsK(stretch!.run) + FITTING_K.entry) * 100) / 100,
      }
    : undefined
})
const gives = (moment: typeof full.value) => {
  const { flowLps, pressureKPa } = moment.taps[props.tap.id]!
  return flowLps > 0 ? `${show(flowLps, 'flow')} at ${show(pressureKPa, 'pressure')}` : 'nothing'
}
</script>

<template>
  <div class="tap" :data-tap="tap.id">
    <h2>{{ nameOf(site, tap.id) }}</h2>
    <p>
      A <ChoiceField label="Fixture" :value="tap.fixture" :choices="fixtures" :set="set('fixture')" /> at
      <ThingField :id="tap.id" of="node" name="baseM" label="Height of the tap" /> above the datum, made for
      {{ show(wantedLps(tap), 'flow') }} at {{ show(tap.ratedKPa ?? FIXTURES[tap.fixture].ratedKPa, 'pressure') }}.
    </p>
    <p v-if="!full.converged" role="alert" class="wrong">{{ full.trouble }}</p>
    <p v-else>
      Open by itself it passes <b class="figure" data-gives="full">{{ gives(full) }}</b> while the tanks are full, and
      <b class="figure" data-gives="low">{{ gives(low) }}</b> once they are nearly empty.
      <template v-if="together"
        >With all that run at once: <b class="figure" data-gives="together">{{ gives(together) }}</b>.</template
      >
      Shut, it stands under
      <SumFigure name="static-pressure" :input="{ headM: Math.round((still.headM - tap.baseM) * 100) / 100 }">{{
        show(still.pressureKPa, 'pressure')
      }}</SumFigure>.
    </p>
    <WayTable v-if="way.length" :way="way" :moment="full" :tap="tap" />
    <p v-if="openEnd" class="small">
      Without its tap, an open end of that pipe would pass
      <SumFigure name="gravity-flow" :input="openEnd">{{ show(gravityFlow(openEnd).flowLps, 'flow') }}</SumFigure>.
    </p>
    <p v-if="!way.length" class="soft">No water comes to it as the valves and pumps stand.</p>
    <DripNotes v-if="tap.fixture === 'drip'" :tap="tap" />
    <FoldGroup
      v-if="worst && worst.lossM > 0"
      :id="`bores-${tap.id}`"
      title="Pipe size"
      :summary="`${show(worst.lossM, 'length')} lost in the pipe that costs most`"
    >
      <BoreNotes :run="worst.run" :tap="tap" :loss-m="worst.lossM" />
    </FoldGroup>
    <FoldGroup
      :id="`treatment-${tap.id}`"
      title="Treatment and label"
      :summary="tap.label ? TAP_LABEL_WORDS[tap.label].name : 'no plate'"
    >
      <TreatmentNotes :tap="tap" />
    </FoldGroup>
  </div>
</template>
