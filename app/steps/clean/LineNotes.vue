<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { pipeFriction } from '#core/sums'
import { designStorm, lineFrom, nameOf, nodeById, runName, tanksOf, type Run } from '#core/site'
import { boreMm, joinsOf, roofLines, waterLine } from '#core/network'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'

/** A spout's way to the tank: dry or wet, what a storm makes of it */
const props = defineProps<{ spout: NodeOf<'spout'> }>()
const store = useSite()
const { show, litres } = useUnits()
const { pickRun } = useSelection()
const site = computed(() => store.site!)
const line = computed(() => roofLines(site.value).find(entry => entry.spout.id === props.spout.id))
const runs = computed(() => lineFrom(site.value, props.spout.id))
const top = computed(() => (line.value?.head ? 'the screen head' : 'the gutter’s outlet'))
const storm = computed(() => designStorm(site.value))
const water = computed(() => line.value && storm.value && waterLine(line.value, storm.value.intensityMmPerH))
const end = computed(() => (runs.value.length ? nodeById(site.value, runs.value.at(-1)!.to.node) : undefined))
const pipeM = computed(() =>
  runs.value.flatMap(run => run.parts).reduce((sum, part) => (part.kind === 'pipe' ? sum + part.lengthM : sum), 0),
)
const bores = computed(() => [...new Set(runs.value.map(boreMm))])
const working = ref(false)
/** The pipe of a run as a worked sum takes it. */
function frictionInput(run: Run, flowLps: number) {
  const pipe = run.parts.find(part => part.kind === 'pipe')
  return pipe?.kind === 'pipe' && flowLps > 0
    ? {
        flowLps: Math.round(flowLps * 1000) / 1000,
        innerDiameterMm: pipe.innerDiameterMm,
        lengthM: pipe.lengthM,
        roughnessMm: pipe.roughnessMm,
        waterTemperatureC: site.value.place.waterTemperatureC,
      }
    : undefined
}
const millimetres = (metres: number) => show(Math.round(metres * 1000), 'bore')
const join = computed(
  () =>
    storm.value &&
    line.value &&
    joinsOf(site.value, storm.value.intensityMmPerH).find(({ sides }) =>
      sides.some(side => side.line.spout.id === props.spout.id),
    ),
)
const others = computed(() =>
  site.value.nodes
    .filter(
      node =>
        node.kind === 'spout' &&
        node.id !== props.spout.id &&
        !lineFrom(site.value, node.id).some(run => runs.value.includes(run)) &&
        lineFrom(site.value, node.id).length,
    )
    .map(node => ({ value: node.id, name: nameOf(site.value, node.id) })),
)
const into = ref('')
const target = computed(() => others.value.find(other => other.value === into.value)?.value ?? others.value[0]?.value)
/** A spout is led to another tank as it stands, its chamber with it. */
const tanks = computed(() => tanksOf(site.value).map(({ id, name }) => ({ value: id, name })))
const picked = ref('')
const tankChosen = computed(
  () => tanks.value.find(({ value }) => value === picked.value)?.value ?? tanks.value[0]!.value,
)
function leadSpout(to: string): void {
  if (to !== end.value?.id) store.make(moveOf('leadSpout', { spout: props.spout.id, to }))
}
const setBore = (value: number) => store.make(moveOf('setBore', { runs: runs.value.map(run => run.id), boreMm: value }))
</script>

<template>
  <div class="way" :data-line="spout.id">
    <p v-if="!line">
      {{ spout.name }} leads {{ end ? `to ${nameOf(site, end.id)}` : 'nowhere' }}, to no tank.
      <template v-if="tanks.length">
        <button type="button" class="plain" @click="leadSpout(tankChosen)">Lead it to</button>{{ ' ' }}
        <ChoiceField label="Which tank" :value="tankChosen" :choices="tanks" :set="id => (picked = id)" />.
      </template>
    </p>
    <p v-else>
      <button type="button" class="plain name" @click="pickRun(runs[0]!.id)">{{ spout.name }}</button> leads to
      <ChoiceField
        v-if="tanks.length > 1"
        :label="`Where ${spout.name} leads`"
        :value="end!.id"
        :choices="tanks"
        :set="leadSpout"
      /><template v-else>{{ end!.name }}</template> by a <b>{{ line.wet ? 'wet line' : 'dry line' }}</b> of
      <QuantityField label="Bore of the line" kind="pipe" :value="bores[0]" :set="setBore" /><template
        v-if="bores.length > 1"
      >
        and
        {{
          bores
            .slice(1)
            .map(bore => show(bore, 'pipe'))
            .join(', ')
        }}</template
      >, {{ show(pipeM, 'length') }} long:
      <template v-if="line.wet"
        >it dips to {{ show(line.low.heightM, 'length') }}, below the inlet at {{ show(line.inletM, 'length') }}, and
        <b class="figure">{{ litres(line.standingL) }}</b> stand in it between rains<template
          v-if="line.drainRunIds.length"
          >; its low point has a drain</template
        ><template v-else-if="line.drainedByChamber">; the chamber at its low point empties it</template
        ><template v-else>; <span class="wrong">nothing drains it</span></template
        >.{{ ' ' }}</template
      >
      <template v-else-if="line.high.heightM >= line.topM"
        ><span class="wrong">it climbs to {{ show(line.high.heightM, 'length') }}</span
        >, and {{ top }} lies at {{ show(line.topM, 'length') }}: nothing runs through it.
      </template>
      <template v-else
        >it falls all the way, {{ show(line.topM - line.inletM, 'length') }} from {{ top }} to the inlet, and empties
        after every rain.</template
      >{{ ' ' }}
      <template v-if="water">
        <template v-if="line.wet"
          >To push the design storm through it needs
          <button
            type="button"
            class="figure working"
            :aria-expanded="working"
            title="Show the arithmetic"
            @click="working = !working"
          >
            {{ millimetres(Math.max(0, water.atTopM - line.inletM)) }}
          </button>
          of the {{ show(Math.max(0, line.topM - line.inletM), 'length') }} of height it has</template
        >
        <template v-else
          >In the design storm its water stands
          <button
            type="button"
            class="figure working"
            :aria-expanded="working"
            title="Show the arithmetic"
            @click="working = !working"
          >
            {{ show(Math.abs(line.topM - water.atTopM), 'length') }}
          </button>
          {{ water.spills ? 'above' : 'below' }} {{ top }}</template
        ><template v-if="water.spills"
          >: <b class="wrong">{{ line.head ? 'the screen head' : 'the gutter' }} runs over</b></template
        >; it would pass {{ show(line.passesMmPerH, 'intensity') }}.
      </template>
    </p>
    <ol v-if="working && water" class="small passage">
      <li v-for="stretch in water.runs" :key="stretch.run.id">
        {{ runName(site, stretch.run) }}: {{ show(stretch.flowLps, 'flow') }} cost {{ millimetres(stretch.lossM)
        }}<template v-if="frictionInput(stretch.run, stretch.flowLps)"
          >, of that
          <SumFigure name="pipe-friction" :input="frictionInput(stretch.run, stretch.flowLps)!">{{
            millimetres(pipeFriction(frictionInput(stretch.run, stretch.flowLps)!).headLossM)
          }}</SumFigure>
          friction in its pipe, the rest in fittings, screens and ends</template
        >.
      </li>
      <li>
        Where the pipe itself lies higher than the water behind it, water falls freely and the count begins anew there.
      </li>
    </ol>
    <p v-if="join" class="small">
      It joins another line. Up to there the design storm costs
      <template v-for="(side, at) in join.sides" :key="side.line.spout.id"
        >{{ at ? ', ' : '' }}{{ side.line.spout.name }} {{ millimetres(side.lossM) }}</template
      >;
      <template v-if="join.sides.at(-1)!.spareM - join.sides[0]!.spareM < 0.01"
        >both sides have {{ show(Math.max(0, join.sides[0]!.spareM), 'length') }} of height left, and neither overflows
        before the other.</template
      >
      <template v-else
        ><b>{{ join.sides[0]!.line.spout.name }}</b> has the least height left,
        {{ show(Math.max(0, join.sides[0]!.spareM), 'length') }}, and would overflow first.</template
      >
    </p>
    <div v-if="line" class="moves">
      <button
        v-if="!line.wet"
        type="button"
        class="move"
        @click="store.make(moveOf('dipLine', { spout: spout.id, lowM: Math.round((spout.groundM - 0.4) * 100) / 100 }))"
      >
        Lead it below ground
      </button>
      <span v-if="target"
        ><button
          type="button"
          class="move"
          @click="store.make(moveOf('joinSpouts', { spout: spout.id, into: target }))"
        >
          Lead it into the line
        </button>
        of <ChoiceField label="Which spout’s line" :value="target" :choices="others" :set="value => (into = value)"
      /></span>
    </div>
  </div>
</template>

<style scoped>
.way {
  line-height: 1.85;
  padding-bottom: 4px;
}
p {
  margin-bottom: 2px;
}
.working {
  font: inherit;
  font-weight: 600;
  background: none;
  border: 0;
  padding: 0 1px;
  color: var(--ink);
  cursor: pointer;
  text-decoration: underline dotted var(--soft);
  text-underline-offset: 3px;
}
.passage {
  margin: 0 0 4px;
  padding-left: 22px;
  line-height: 1.5;
}
.name {
  color: var(--ink);
}
.wrong {
  color: var(--rust);
  font-weight: 600;
}
</style>
