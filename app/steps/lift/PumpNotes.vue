<script setup lang="ts">
import { atOnce, useStand } from './useMoment'
import ChoiceField from '~/fields/ChoiceField.vue'
import { choicesOf } from '~/fields/choices'
import SumFigure from '~/fields/SumFigure.vue'
import PairsField from '~/fields/PairsField.vue'
import ThingField from '~/fields/ThingField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { dutyIn } from '~/engine/moments'
import { useSite } from '~/stores/site'
import { inMode, type Run } from '#core/site'
import { storeCurve, type Pump } from './pumpCurve'
import { mostFlowLps, shutOffM } from '#core/network'
import { staticPressure } from '#core/sums'
import { guessedPumpPrice, PUMP_IDS, PUMP_SWITCH_WORDS, PUMP_SWITCHES, PUMPS, usualSwitch } from '#core/catalog'

/** A pump: what it is made for, where it runs on its curve with the taps that are open, and what that takes. */
const props = defineProps<{ run: Run; pump: Pump; held?: boolean }>()
const PumpChart = defineAsyncComponent(() => import('./PumpChart.vue'))
const store = useSite()
const { show } = useUnits()
const stand = useStand()
const site = computed(() => store.site!)
const set = useThing('part', () => props.pump.id)
const kinds = choicesOf(PUMP_IDS, PUMPS)
const switches = choicesOf(PUMP_SWITCHES, PUMP_SWITCH_WORDS)
const GUARDS = [
  { value: true, name: 'a guard stops it before it runs dry' },
  { value: false, name: 'nothing stops it when it runs dry' },
]
const duty = computed(() => dutyIn(site.value, props.pump.id, atOnce(site.value), stand.value)?.duty)
/** Where it runs in each mode that the site has, its valves as that sets them. */
const modes = computed(() =>
  site.value.modes.map(mode => ({
    mode,
    duty: dutyIn(inMode(site.value, mode), props.pump.id, atOnce(site.value), stand.value)?.duty,
  })),
)
const hint = computed(
  () =>
    `${show(0, 'flow')}, ${show(40, 'length')}\n${show(0.5, 'flow')}, ${show(30, 'length')}\n${show(0.9, 'flow')}, ${show(12, 'length')}`,
)
const round = (value: number) => Math.round(value * 1000) / 1000
const power = computed(
  () =>
    duty.value && {
      flowLps: round(duty.value.at.flowLps),
      headM: round(duty.value.at.headM),
      efficiency: duty.value.efficiency,
    },
)
/** What its head is made of, and where its curve meets what its line asks, all of that growing with the square of the flow. */
const head = computed(() => {
  const { staticLiftM, frictionM, deliveryPressureKPa } = duty.value!.asks
  return {
    staticLiftM: round(staticLiftM),
    frictionM: round(frictionM),
    deliveryPressureKPa: round(deliveryPressureKPa),
  }
})
const POINTS = 6
const point = computed(() => {
  const { at, asks, curve, speed = 1 } = duty.value!
  const own = props.pump.curve ?? curve.filter((_, index) => index % Math.floor(curve.length / POINTS) === 0)
  const staticHeadM = round(asks.staticLiftM)
  return {
    curve: own.map(({ flowLps, headM }) => ({ flowLps: round(flowLps * speed), headM: round(headM * speed ** 2) })),
    staticHeadM,
    lossCoefficient: round(Math.max(0, at.headM - staticHeadM) / at.flowLps ** 2),
  }
})
</script>

<template>
  <section class="pump" :data-pump="pump.id">
    <p>
      <ChoiceField label="Kind of pump" :value="pump.pump" :choices="kinds" :set="set('pump')" /> made for
      <ThingField :id="pump.id" of="part" name="flowLps" label="Flow it is made for" /> at
      <ThingField :id="pump.id" of="part" name="headM" label="Head it is made for" /><template
        v-if="pump.pump === 'variable-speed'"
        >, set to
        <ThingField
          :id="pump.id"
          of="part"
          name="setKPa"
          label="Pressure it holds"
          :empty="`${show(staticPressure(pump).pressureKPa, 'pressure')}, its own`" /></template
      >. With nothing drawn it gives {{ show(shutOffM(pump), 'length') }}, and it passes
      {{ show(mostFlowLps(pump), 'flow') }} at most. It is switched by
      <ChoiceField
        label="What switches it"
        :value="pump.switchedBy ?? usualSwitch(pump.pump, held)"
        :choices="switches"
        :set="set('switchedBy')"
      />, and
      <ChoiceField
        label="Guard against running dry"
        :value="pump.dryGuard ?? false"
        :choices="GUARDS"
        :set="set('dryGuard')"
      />.
    </p>
    <p class="small">
      <template v-if="pump.curve">Its curve has {{ pump.curve.length }} points of its plate.</template>
      <template v-else>Its curve is that of its kind.</template>
      {{ ' ' }}
      <PairsField
        :label="pump.curve ? 'Type its curve anew' : 'Type the curve of its plate'"
        :columns="[
          { words: 'flow', kind: 'flow' },
          { words: 'head', kind: 'length' },
        ]"
        :hint="hint"
        :set="points => storeCurve(store, pump, points)"
      />
      {{ ' ' }}
      <button v-if="pump.curve" type="button" class="plain small" @click="storeCurve(store, pump, [])">
        Back to its kind’s curve
      </button>
      It costs
      <ThingField
        :id="pump.id"
        of="part"
        name="price"
        label="Price of the pump"
        :empty="`about ${guessedPumpPrice(pump.pump, duty?.inputW ?? 0)}`"
      />.
    </p>
    <template v-if="duty && power">
      <p>
        As it runs now it passes
        <SumFigure name="pump-point" :input="point"
          ><b class="figure" data-duty="flow">{{ show(duty.at.flowLps, 'flow') }}</b></SumFigure
        >
        and lifts it by
        <SumFigure name="pump-head" :input="head"
          ><b class="figure" data-duty="head">{{ show(duty.at.headM, 'length') }}</b></SumFigure
        ><template v-if="duty.speed !== undefined">, at {{ Math.round(100 * duty.speed) }} % of its speed</template>.
        That takes about <SumFigure name="pump-power" :input="power">{{ Math.round(duty.inputW) }} W</SumFigure> from
        its cable
        <span class="soft small"
          >(with {{ show(duty.efficiency, 'share') }} of it in the water{{
            pump.efficiency ? '' : ', a guess for its kind'
          }})</span
        >.
      </p>
      <PumpChart :duty="duty" />
      <p class="soft small">
        Taps open as named under Taps at once. Read its plate: two or three points of flow and head beat a guess.
      </p>
    </template>
    <ul v-if="modes.length" class="modes" data-notes="modes">
      <li v-for="{ mode, duty: inIt } in modes" :key="mode.id">
        {{ mode.name }}:
        {{ inIt ? `${show(inIt.at.flowLps, 'flow')} at ${show(inIt.at.headM, 'length')}` : 'it moves no water' }}
      </li>
    </ul>
    <p v-if="!duty" class="soft stands">
      It moves no water as the taps, valves and floats stand: nothing asks for it, or it cannot lift so high.
    </p>
  </section>
</template>
