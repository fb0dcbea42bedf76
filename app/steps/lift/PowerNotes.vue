<script setup lang="ts">
import type { Pump } from './pumpCurve'
import MonthBars from '~/charts/MonthBars.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import ThingField from '~/fields/ThingField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import {
  batteryDays,
  conductorFor,
  CONDUCTORS_MM2,
  dailyWh,
  drawnBy,
  MOST_DROP_SHARE,
  solarMonths,
  wireGauge,
} from '#core/network'
import { setField } from '#core/moves'
import { solarLift, type CurvePoint } from '#core/sums'

/** What a pump takes from its cable, what that loses, how it starts, and where its day's energy comes from. */
const props = defineProps<{ pump: Pump; at: CurvePoint; litresPerDay: number }>()
const store = useSite()
const { show, litres, system } = useUnits()
const site = computed(() => store.site!)
const drawn = computed(() => drawnBy(site.value, props.pump, props.at))
const whPerDay = computed(() => dailyWh(drawn.value, props.litresPerDay))
const cable = computed(() => props.pump.cable)
const setCable = (field: 'lengthM' | 'conductorMm2') => (value: number) =>
  store.make(
    setField('part', props.pump.id, 'cable', {
      ...(cable.value ?? { lengthM: 20, conductorMm2: 2.5 }),
      [field]: value,
    }),
  )
const setPower = (field: 'panelW' | 'batteryWh' | 'inverterSurgeW') => (value: number) =>
  store.make(setField('site', '', 'power', { ...site.value.power, [field]: value }))
const wanted = computed(() => cable.value && conductorFor(drawn.value.currentA, cable.value.lengthM, drawn.value.volts))
/** Beside square millimetres the gauge, where that is spoken. */
const gauge = (mm2: number | undefined) =>
  mm2 !== undefined && system.value !== 'metric' ? ` (${wireGauge(mm2)})` : ''
const round = (value: number) => Math.round(value * 100) / 100
const dropInput = computed(
  () =>
    cable.value && {
      currentA: round(drawn.value.currentA),
      lengthM: cable.value.lengthM,
      conductorMm2: cable.value.conductorMm2,
      volts: drawn.value.volts,
    },
)
const panelW = computed(() => site.value.power?.panelW)
const batteryWh = computed(() => site.value.power?.batteryWh)
const surgeW = computed(() => site.value.power?.inverterSurgeW)
/** What of the panels the pump can use: more than it takes lifts no more. */
const usableW = computed(() => Math.min(panelW.value ?? 0, drawn.value.inputW))
const months = computed(
  () => panelW.value && solarMonths(site.value, usableW.value, drawn.value.efficiency, props.at.headM),
)
const sunInput = computed(() => ({
  panelW: round(usableW.value),
  peakSunHours: 4,
  efficiency: drawn.value.efficiency,
  headM: round(props.at.headM),
}))
</script>

<template>
  <div class="power" data-notes="power">
    <p>
      On
      <ThingField :id="pump.id" of="part" name="volts" label="Voltage" :empty="`${drawn.volts} V`" /> it takes about
      {{ Math.round(drawn.inputW) }} W and <b class="figure" data-power="current">{{ drawn.currentA.toFixed(1) }} A</b>,
      with
      <ThingField
        :id="pump.id"
        of="part"
        name="efficiency"
        label="Efficiency"
        :empty="show(drawn.efficiency, 'share')"
      />
      of it in the water. {{ litres(litresPerDay) }} a day cost
      <b class="figure" data-power="day">{{ Math.round(whPerDay) }} Wh</b>.
    </p>
    <p>
      Its cable is
      <QuantityField
        label="Length of the cable"
        kind="length"
        :value="cable?.lengthM"
        empty="not said"
        :set="setCable('lengthM')"
      />
      one way, of
      <QuantityField
        label="Copper of the cable, mm²"
        kind="count"
        :value="cable?.conductorMm2"
        empty="not said"
        :set="setCable('conductorMm2')"
      />
      mm² copper{{ gauge(cable?.conductorMm2)
      }}<template v-if="drawn.drop && dropInput"
        >: it takes
        <SumFigure name="voltage-drop" :input="dropInput"
          ><span :class="{ wrong: drawn.drop.dropShare > MOST_DROP_SHARE }" data-power="drop">{{
            show(drawn.drop.dropShare, 'share')
          }}</span></SumFigure
        >
        of the voltage<template v-if="wanted && wanted !== cable!.conductorMm2"
          >; {{ wanted }} mm²{{ gauge(wanted) }} would do</template
        ><template v-else-if="!wanted"
          >; no copper up to {{ CONDUCTORS_MM2.at(-1) }} mm² keeps that under {{ show(MOST_DROP_SHARE, 'share') }}: use
          a higher voltage</template
        ></template
      >.
    </p>
    <p>
      It starts with about <b class="figure">{{ Math.round(drawn.startW) }} W</b> for a moment. Off the grid the
      inverter gives
      <QuantityField
        label="Watts the inverter gives for a moment"
        kind="count"
        :value="surgeW"
        empty="not said"
        :set="setPower('inverterSurgeW')"
      />
      W<template v-if="surgeW !== undefined">{{ surgeW < drawn.startW ? ', and trips' : ', enough' }}</template
      >; the battery holds
      <QuantityField
        label="Watt hours of battery"
        kind="count"
        :value="batteryWh"
        empty="not said"
        :set="setPower('batteryWh')"
      />
      Wh<template v-if="batteryWh && whPerDay > 0"
        >, {{ batteryDays(batteryWh, whPerDay).toFixed(1) }} days of pumping</template
      >; the panels give
      <QuantityField label="Watts of panel" kind="count" :value="panelW" empty="not said" :set="setPower('panelW')" />
      W.
    </p>
    <template v-if="months">
      <p>
        Of {{ Math.round(panelW!) }} W of panels its pump can use {{ Math.round(usableW) }} W. They lift
        <SumFigure name="solar-lift" :input="sunInput">{{ litres(solarLift(sunInput).litresPerDay) }}</SumFigure>
        on a day of four hours’ full sun; month by month, by the sun of this place:
      </p>
      <MonthBars :values="months" :show="litres" label="Litres a day lifted by the sun" />
    </template>
    <p class="soft small">
      A protected outlet with a residual-current device, an isolator within reach, every joint in a box, nothing open,
      and the cord out of the tank above the water. Who may connect it is for the local code and a licensed trade.
    </p>
  </div>
</template>
