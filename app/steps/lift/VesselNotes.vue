<script setup lang="ts">
import VesselPicture from './VesselPicture.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import ThingField from '~/fields/ThingField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { cyclingOf, drawdownInput } from '#core/network'
import { vesselPrice, FIXTURES, PRECHARGE_UNDER_KPA } from '#core/catalog'
import { vesselSizes } from '#core/options'
import { setField } from '#core/moves'
import { counted } from '#core/words'
import type { Feed } from '#core/site'
import type { NodeOf } from '#core/kinds'

/** A pressure tank: what it gives of its size, how often its pump starts, how long it lasts; and other sizes beside it. */
const props = defineProps<{ feed: Feed & { vessel: NodeOf<'pressureTank'> } }>()
const store = useSite()
const { show, litres, money, span } = useUnits()
const vessel = computed(() => props.feed.vessel)
const set = useThing('node', () => vessel.value.id)
const cycling = computed(() => cyclingOf(store.site!, props.feed))
const sizes = computed(() => vesselSizes(store.site!, props.feed))
const relief = computed(() => props.feed.trunk.flatMap(run => run.parts).find(part => part.kind === 'relief'))
const round = (value: number) => Math.round(value * 1000) / 1000
const GAUGES = [
  { value: true, name: 'a gauge' },
  { value: false, name: 'no gauge' },
]
const DRAINS = [
  { value: true, name: 'a drain' },
  { value: false, name: 'no drain' },
]
</script>

<template>
  <div class="vessel" :data-vessel="vessel.id">
    <div class="beside">
      <div class="told">
        <p>
          <ThingField :id="vessel.id" of="node" name="volumeL" label="Size of the pressure tank" />, its gas at
          <ThingField :id="vessel.id" of="node" name="prechargeKPa" label="Pre-charge" />; the switch starts the pump at
          <ThingField :id="vessel.id" of="node" name="cutInKPa" label="Cut-in" /> and stops it at
          <ThingField :id="vessel.id" of="node" name="cutOutKPa" label="Cut-out" />. On its tee stand
          <ChoiceField label="Gauge" :value="vessel.gauge ?? false" :choices="GAUGES" :set="set('gauge')" />,
          <ChoiceField label="Drain" :value="vessel.drain ?? false" :choices="DRAINS" :set="set('drain')" />
          <template v-if="relief">
            and a relief valve that opens at
            <ThingField :id="relief.id" of="part" name="setKPa" label="Relief valve opens at" /></template
          >; the tank bears
          <ThingField :id="vessel.id" of="node" name="mostKPa" label="Most pressure it bears" empty="not said" />. It
          costs
          <ThingField
            :id="vessel.id"
            of="node"
            name="price"
            label="Price of the pressure tank"
            :empty="`about ${vesselPrice(vessel.volumeL)}`"
          />.
        </p>
        <p v-if="cycling">
          Of its size it gives
          <SumFigure name="pressure-tank-drawdown" :input="{ ...drawdownInput(vessel, vessel.volumeL) }"
            ><b data-vessel-figure="drawdown">{{ litres(cycling.drawdownL) }}</b></SumFigure
          >
          between stop and start. On a day of {{ litres(cycling.litresPerDay) }} the pump starts about
          <b class="figure" data-vessel-figure="starts">{{ counted(Math.round(cycling.startsPerDay), 'time') }}</b> and
          runs {{ Math.round(cycling.runS) }} s at a time; at worst
          <SumFigure
            name="pump-cycle"
            :input="{
              drawdownL: round(cycling.drawdownL),
              pumpFlowLps: round(cycling.pumpLps),
              demandLps: round(cycling.pumpLps / 2),
            }"
            >{{ counted(Math.round(cycling.worstPerHour), 'time') }} an hour</SumFigure
          >, and its motor bears {{ Math.round(cycling.bearsPerHour) }}. A night with one flush of
          {{ litres(FIXTURES.cistern.drawL) }} now and then starts it once in
          {{ Math.max(1, Math.floor(cycling.drawdownL / FIXTURES.cistern.drawL)) }}. With the power out, what it holds
          midway, {{ litres(cycling.heldL) }}, lasts
          <b class="figure" data-vessel-figure="blackout">{{
            Number.isFinite(cycling.hoursWithoutPower) ? span(cycling.hoursWithoutPower) : 'for good'
          }}</b>.
        </p>
        <p v-else class="wrong" role="alert">
          Its switch cannot work so: the gas belongs a little under the cut-in, the cut-in under the cut-out, and that
          under what the pump can.
        </p>
      </div>
      <VesselPicture v-if="cycling" :vessel="vessel" />
    </div>
    <table v-if="sizes.length" class="compare">
      <caption class="small soft">
        Sizes side by side, at this pump and switch.
      </caption>
      <thead>
        <tr>
          <th scope="col">size</th>
          <th scope="col">gives</th>
          <th scope="col">starts a day</th>
          <th scope="col">runs</th>
          <th scope="col">at worst an hour</th>
          <th scope="col">without power</th>
          <th scope="col">about</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="size in sizes" :key="size.volumeL" :class="{ on: size.volumeL === vessel.volumeL }">
          <th scope="row">{{ litres(size.volumeL) }}</th>
          <td>{{ litres(size.drawdownL) }}</td>
          <td>{{ Math.round(size.startsPerDay) }}</td>
          <td>{{ Math.round(size.runS) }} s</td>
          <td :class="{ wrong: size.worstPerHour > size.bearsPerHour }">{{ Math.round(size.worstPerHour) }}</td>
          <td>{{ Number.isFinite(size.hoursWithoutPower) ? span(size.hoursWithoutPower) : 'for good' }}</td>
          <td>{{ money(size.price) }}</td>
          <td>
            <button
              v-if="size.volumeL !== vessel.volumeL"
              type="button"
              class="plain small"
              @click="store.make(setField('node', vessel.id, 'volumeL', size.volumeL))"
            >
              Take it
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p class="soft small">
      Either the largest one can afford, for few starts and some hours without power; or a small one beside a
      variable-speed set. {{ show(vessel.cutInKPa - PRECHARGE_UNDER_KPA, 'pressure') }} of gas suits this cut-in.
    </p>
  </div>
</template>

<style scoped>
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
}
.told {
  flex: 1 1 380px;
}
</style>
