<script setup lang="ts">
import { IMPERIAL_GALLON_L, US_GALLON_L } from '#core/units'
import TestChart from './TestChart.vue'
import PairsField from '~/fields/PairsField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import ThingField from '~/fields/ThingField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { fillL, hoursToFill, leftInWellM, nightOf, pumpingDepthM, pumpsOf, readTest, suctionInput } from '#core/network'
import { fillingsOf } from '#core/site'
import { setField } from '#core/moves'
import { suctionLift } from '#core/sums'
import { PUMPS } from '#core/catalog'
import type { NodeOf } from '#core/kinds'

/** A well: how deep, how it answers to pumping, whether one can suck from it, and what it gives in a night. */
const props = defineProps<{ well: NodeOf<'well'> }>()
const store = useSite()
const { show, litres, span, system } = useUnits()
const site = computed(() => store.site!)
const pump = computed(() => pumpsOf(site.value).find(({ run }) => run.from.node === props.well.id)?.pump)
const pumpLps = computed(() => pump.value?.flowLps ?? 0.3)
const dryM = computed(() => pumpingDepthM(props.well, 0))
const pumpedM = computed(() => pumpingDepthM(props.well, pumpLps.value))
/** What a suction line of this depth costs, at a guess; its own notes tell it truly once it is laid. */
const FRICTION_M = 0.5
const limitInput = computed(() =>
  suctionInput(site.value.place.altitudeM, site.value.place.waterTemperatureC, PUMPS.jet.npshRequiredM, FRICTION_M),
)
const limitM = computed(() => suctionLift(limitInput.value).maxLiftM)
const test = computed(() => readTest(props.well))
const leftM = computed(() => leftInWellM(pump.value?.pump))
const hours = ref(10)
const night = computed(() => nightOf(props.well, pumpLps.value, hours.value, leftM.value))
/** The tank that it fills, from nearly empty to full; where it fills none, a round amount. */
const fills = computed(() => fillingsOf(site.value).find(({ source }) => source.id === props.well.id)?.tank)
const wantedL = computed(() => (fills.value ? fillL(site.value, fills.value.id) : ROUND_L[system.value]))
const ROUND_L = { metric: 1000, us: 250 * US_GALLON_L, imperial: 250 * IMPERIAL_GALLON_L }
const filling = computed(() => hoursToFill(props.well, pumpLps.value, wantedL.value, leftM.value))
const said = computed(() =>
  fills.value ? `Filling ${fills.value.name}, ${litres(wantedL.value)},` : `To draw ${litres(wantedL.value)}`,
)
const setTest = (field: 'flowLps' | 'drawn' | 'recovered', value: unknown) =>
  store.make(
    setField('node', props.well.id, 'pumpingTest', {
      ...(props.well.pumpingTest ?? { flowLps: pumpLps.value, drawn: [], recovered: [] }),
      [field]: value,
    }),
  )
const readings = (pairs: [number, number][]) => pairs.map(([minutes, depthM]) => ({ minutes, depthM }))
const COLUMNS = [
  { words: 'minutes', kind: 'count' },
  { words: 'depth', kind: 'length' },
] as const
const round = (value: number) => Math.round(value * 10000) / 10000
const differs = computed(
  () =>
    test.value?.specificCapacityLpsPerM !== undefined &&
    Math.abs(test.value.specificCapacityLpsPerM - (props.well.specificCapacityLpsPerM ?? 0)) > 0.0005,
)
</script>

<template>
  <div class="well" :data-well="well.id">
    <h2>{{ well.name }}</h2>
    <p>
      <ThingField :id="well.id" of="node" name="depthM" label="Depth of the well" /> deep, cased in
      <ThingField :id="well.id" of="node" name="casingMm" label="Casing" empty="not said" />, its water at
      <ThingField :id="well.id" of="node" name="stillWaterDepthM" label="Depth to still water" /> when it rests, and
      <ThingField :id="well.id" of="node" name="dryFallM" label="Fall in a dry season" empty="nobody said how much" />
      deeper at the end of a dry season. It gives
      <ThingField :id="well.id" of="node" name="yieldLPerDay" label="Yield a day" /> a day, and
      <ThingField
        :id="well.id"
        of="node"
        name="specificCapacityLpsPerM"
        label="What it gives for each metre drawn down"
        empty="nobody measured what"
      />
      as it is drawn down<template v-if="well.specificCapacityLpsPerM"
        >: {{ show(pumpLps, 'flow') }} draw it down by
        <b data-well-figure="drawdown">{{ show(pumpLps / well.specificCapacityLpsPerM, 'length') }}</b></template
      >.
    </p>
    <p>
      While it is pumped in a dry season its water stands <b class="figure">{{ show(pumpedM, 'length') }}</b> below the
      ground. At <ThingField id="" of="site" name="place.altitudeM" label="Altitude of the site" /> of altitude a
      suction pump on top lifts
      <SumFigure name="suction-lift" :input="limitInput">{{ show(limitM, 'length') }}</SumFigure> at most:
      <b data-well-figure="verdict" :class="{ wrong: pumpedM > limitM }">{{
        pumpedM > limitM
          ? `take a submersible, suction is ${show(pumpedM - limitM, 'length')} short`
          : `a suction pump will do, with ${show(limitM - pumpedM, 'length')} to spare`
      }}</b>.
    </p>
    <p>
      Through a night of
      <QuantityField
        label="Hours of the night"
        kind="count"
        :value="hours"
        :set="value => void (hours = Math.min(24, Math.max(1, value)))"
      />
      hours a pump of {{ show(pumpLps, 'flow') }} fills
      <b class="figure" data-well-figure="night">{{ litres(night.litres) }}</b>: {{ litres(night.storedL) }} stand in
      the casing, and {{ litres(night.steadyLps * 3600) }} an hour come in<template v-if="night.rests"
        >; the pump lifts more than that, so it must rest in between, by a guard that stops it before it runs dry; nine
        tenths are back after
        <template v-if="test?.ninetyMinutes">{{ span(test.ninetyMinutes / 60) }}</template><template v-else
          ><ThingField
            :id="well.id"
            of="node"
            name="recoveryMinutes"
            label="Minutes until nine tenths are back"
            empty="nobody measured how many"
          />
          minutes</template
        ></template
      >.
      {{ filling === undefined ? `${said} takes more than two weeks.` : `${said} takes ${span(filling)}.` }}
      <template v-if="pump && !pump.dryGuard"
        ><b class="wrong">Nothing guards its pump against running dry.</b></template
      >
    </p>
    <h3>Pumping test</h3>
    <p>
      Pumped at
      <QuantityField
        label="Flow of the pumping test"
        kind="flow"
        :value="well.pumpingTest?.flowLps"
        empty="no test yet"
        :set="value => setTest('flowLps', value)"
      />:
      <PairsField
        label="Type the depths while it was pumped"
        :columns="COLUMNS"
        :hint="`1, ${show(well.stillWaterDepthM + 1, 'length')}\n10, ${show(well.stillWaterDepthM + 3, 'length')}`"
        :set="pairs => setTest('drawn', readings(pairs))"
      />
      ·
      <PairsField
        label="Type the depths after it stopped"
        :columns="COLUMNS"
        :hint="`5, ${show(well.stillWaterDepthM + 2, 'length')}\n30, ${show(well.stillWaterDepthM + 0.5, 'length')}`"
        :set="pairs => setTest('recovered', readings(pairs))"
      />
    </p>
    <template v-if="test">
      <p data-well-figure="test">
        It was drawn down by {{ show(test.drawdownM, 'length')
        }}<template v-if="test.specificCapacityLpsPerM"
          >, {{ show(test.specificCapacityLpsPerM, 'specificCapacity') }}</template
        ><template v-if="test.ninetyMinutes"
          >; nine tenths were back after {{ span(test.ninetyMinutes / 60) }} ({{ Math.round(100 * (test.fit ?? 0)) }} %
          of the readings’ spread is told by that)</template
        >.
        <template v-if="test.stillFalling"
          >Its water still fell at the end: a longer test would tell less of it.</template
        >
        <button
          v-if="differs"
          type="button"
          class="plain small"
          @click="
            store.make(setField('node', well.id, 'specificCapacityLpsPerM', round(test.specificCapacityLpsPerM!)))
          "
        >
          Take that into the plan
        </button>
      </p>
      <TestChart :well="well" :test="test" />
    </template>
    <p v-else class="soft">
      Pump at one flow, write down minutes and depth to the water until it stands still, stop, and write down how it
      comes back: that tells what it gives and how fast it recovers.
    </p>
    <p v-if="dryM >= well.depthM" role="alert" class="wrong">In a dry season it is dry.</p>
  </div>
</template>
