<script setup lang="ts">
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { nameOf, runName } from '#core/site'
import { pipeFriction } from '#core/sums'
import { boreMm, type Steady, type WayStretch } from '#core/network'
import type { NodeOf } from '#core/kinds'

/** Where the head goes between where water stands and a tap: each stretch with what it takes, and what is left. */
const props = defineProps<{ way: WayStretch[]; moment: Steady; tap: NodeOf<'tap'> }>()
const store = useSite()
const { show } = useUnits()
const { pickRun } = useSelection()
const site = computed(() => store.site!)
const ends = ({ run, forward }: WayStretch) => (forward ? [run.from.node, run.to.node] : [run.to.node, run.from.node])
const source = computed(() => ends(props.way[0]!)[0]!)
const headOf = (id: string) => props.moment.nodes[id]!.headM
/** What pumps add on a stretch: what is there at its end beyond what its friction left. */
const lifts = (stretch: WayStretch) => {
  const [from, to] = ends(stretch)
  return stretch.run.parts.some(({ kind }) => kind === 'pump') ? headOf(to!) - headOf(from!) + stretch.state.lossM : 0
}
/** The longest pipe of a run as the sum takes it; filters, valves and bends take the rest. */
function frictionInput({ run, state }: WayStretch) {
  const [pipe] = run.parts.filter(part => part.kind === 'pipe').sort((a, b) => b.lengthM - a.lengthM)
  return (
    pipe && {
      flowLps: Math.round(Math.abs(state.flowLps) * 1000) / 1000,
      innerDiameterMm: pipe.innerDiameterMm,
      lengthM: pipe.lengthM,
      roughnessMm: pipe.roughnessMm,
      waterTemperatureC: Math.max(0.01, site.value.place.waterTemperatureC),
    }
  )
}
const rows = computed(() => props.way.map(stretch => ({ stretch, friction: frictionInput(stretch) })))
</script>

<template>
  <table class="compare">
    <caption class="small soft">
      Open by itself, tanks full. Heights of pressure above the datum; it begins with
      {{
        nameOf(site, source)
      }}
      at
      {{
        show(headOf(source), 'length')
      }}.
    </caption>
    <thead>
      <tr>
        <th scope="col">on its way through</th>
        <th scope="col">bore</th>
        <th scope="col">speed</th>
        <th scope="col">a pump adds</th>
        <th scope="col">it takes</th>
        <th scope="col">of that its pipe</th>
        <th scope="col">left at its end</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ stretch, friction } in rows" :key="stretch.run.id" :data-stretch="stretch.run.id">
        <th scope="row">
          <button type="button" class="plain small" @click="pickRun(stretch.run.id)">
            {{ runName(site, stretch.run) }}
          </button>
        </th>
        <td>{{ show(boreMm(stretch.run), 'pipe') }}</td>
        <td>{{ show(stretch.state.velocityMps, 'speed') }}</td>
        <td>{{ lifts(stretch) > 0.005 ? show(lifts(stretch), 'length') : '' }}</td>
        <td>
          {{ show(stretch.state.lossM, 'length') }}
        </td>
        <td>
          <SumFigure v-if="friction" name="pipe-friction" :input="friction">{{
            show(pipeFriction(friction).headLossM, 'length')
          }}</SumFigure>
        </td>
        <td>{{ show(headOf(ends(stretch)[1]!), 'length') }}</td>
      </tr>
    </tbody>
    <tfoot>
      <tr>
        <th scope="row">at the tap, {{ show(tap.baseM, 'length') }} up</th>
        <td colspan="5" />
        <td class="figure">{{ show(moment.taps[tap.id]!.pressureKPa, 'pressure') }}</td>
      </tr>
    </tfoot>
  </table>
</template>

<style scoped>
td {
  white-space: nowrap;
}
@media (max-width: 700px) {
  table {
    display: block;
    overflow-x: auto;
  }
}
</style>
