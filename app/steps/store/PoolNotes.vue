<script setup lang="ts">
import SizeCurve from './SizeCurve.vue'
import TankNotes from './TankNotes.vue'
import BesideFigure from '~/fields/BesideFigure.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import { useUnits } from '~/fields/useUnits'
import type { Subject } from '~/steps/step'
import { useFound } from '~/steps/useFound'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import type { Tank } from '#core/kinds'
import { BASES, OUTFALLS, SOILS } from '#core/catalog'
import type { CheckId } from '#core/review'
import { linksOf, type Pool } from '#core/balance'

/** What is folded away at first is loaded when it is first opened. */
const JoinNotes = defineAsyncComponent(() => import('./JoinNotes.vue'))
const SpillNotes = defineAsyncComponent(() => import('./SpillNotes.vue'))
const StandNotes = defineAsyncComponent(() => import('./StandNotes.vue'))
const FittingNotes = defineAsyncComponent(() => import('./FittingNotes.vue'))

/** One tank, or a group that stands at one level: its measures, how it is joined, spills, stands and is fitted, how big. */
const props = defineProps<{ pool: Pool; subject: Subject }>()
const store = useSite()
const { litres, show, span } = useUnits()
const { nodeId } = useSelection()

const found = useFound('store', () => props.subject)
/** What may be found in each group of notes. */
const JOINED: CheckId[] = ['rims-differ', 'link-without-valve', 'link-too-slow', 'no-spare', 'feeder-too-low']
const SPILLS: CheckId[] = [
  'no-overflow',
  'shared-overflow',
  'overflow-too-small',
  'overflow-below-storm',
  'overflow-above-inlet',
  'overflow-open',
  'overflow-siphons',
  'overflow-harms',
  'soakaway-fails',
  'soakaway-unsaid',
  'overflow-cannot-run',
  'overflow-ring',
  'outfall-in-the-ground',
]
const STANDS: CheckId[] = [
  'bare-soil',
  'base-ragged',
  'base-over-soil',
  'stand-unsound',
  'stand-for-engineer',
  'tank-off-its-base',
  'tank-floats',
  'tank-freezes',
]
const FITTINGS: CheckId[] = [
  'inlet-siphons',
  'supply-unfitted',
  'drawn-from-floor',
  'intake-fouls',
  'no-vent',
  'vent-too-small',
  'light-in-sun',
  'reserve-not-kept',
  'float-missing',
]

/** In a long row of tanks only the one in hand is spelt out. */
const MOST_SPELT_OUT = 3
const spelt = computed(() =>
  props.pool.tanks.length <= MOST_SPELT_OUT
    ? props.pool.tanks
    : props.pool.tanks.filter(tank => tank.id === nodeId.value),
)
const links = computed(() => linksOf(store.site!, [props.pool]))
const joined = computed(() => {
  const [link] = links.value
  return link
    ? `${show(link.boreMm, 'pipe')}, level after ${span(link.minutes() / 60)}`
    : `${litres(props.pool.capL)} held`
})
const spill = computed(() => {
  const { tank, port: name, path } = props.pool.spillsAt
  const port = tank.ports.find(each => each.name === name)
  if (!port || !path) return 'over the rim'
  const to = path.end.kind === 'outfall' ? `, to the ${OUTFALLS[path.end.to].name}` : ''
  return `at ${show(port.heightM, 'length')}, ${show(port.boreMm, 'pipe')}${to}`
})
const stands = (tank: Tank) => `on ${BASES[tank.base].name}${tank.soil ? ` over ${SOILS[tank.soil].name}` : ''}`
function fitted(tank: Tank): string {
  const count = (role: string) => tank.ports.filter(port => port.role === role).length
  const spares = tank.ports.filter(port => port.spare).length
  return `inlets ${count('inlet')}, draw-offs ${count('outlet')}${spares ? `, ${spares} kept for later` : ''}`
}
const of = (title: string, tank: Tank) => (props.pool.tanks.length > 1 ? `${title} · ${tank.name}` : title)
</script>

<template>
  <div class="pool" :data-pool-of="pool.id">
    <h2>{{ pool.name }}</h2>
    <BesideFigure>
      <template v-if="store.site!.uses.length" #figure><SizeCurve :pool="pool" /></template>
      <TankNotes v-for="tank in pool.tanks" :key="tank.id" :tank="tank" :spelt="spelt.includes(tank)" />
      <FoldGroup id="store-joined" title="Joined" :summary="joined" :found="found(JOINED)">
        <JoinNotes :pool="pool" />
      </FoldGroup>
      <FoldGroup id="store-spills" title="Spills" :summary="spill" :found="found(SPILLS)">
        <SpillNotes :pool="pool" />
      </FoldGroup>
      <template v-for="tank in spelt" :key="tank.id">
        <FoldGroup
          :id="`store-stands-${tank.id}`"
          :title="of('Stands', tank)"
          :summary="stands(tank)"
          :found="found(STANDS, tank.id)"
        >
          <StandNotes :tank="tank" :pool="pool" />
        </FoldGroup>
        <FoldGroup
          :id="`store-fittings-${tank.id}`"
          :title="of('Fittings', tank)"
          :summary="fitted(tank)"
          :found="found(FITTINGS, tank.id)"
        >
          <FittingNotes :tank="tank" :pool="pool" />
        </FoldGroup>
      </template>
    </BesideFigure>
  </div>
</template>
