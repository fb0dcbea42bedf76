<script setup lang="ts">
import HouseSymbol from '~/section/HouseSymbol.vue'
import RoofSymbol from '~/section/RoofSymbol.vue'
import RunLine from '~/section/RunLine.vue'
import RunParts from '~/section/RunParts.vue'
import SectionLabels from '~/section/SectionLabels.vue'
import SectionNode from '~/section/SectionNode.vue'
import SpoutSymbol from '~/section/SpoutSymbol.vue'
import TapSymbol from '~/section/TapSymbol.vue'
import { provideDrawing } from '~/section/drawn'
import { isLarge } from '~/engine/large'
import { fewAtATime } from '~/stores/fewAtATime'
import { unchanged } from '~/stores/unchanged'
import { useShown } from '~/section/shown'
import { useResults } from '~/stores/results'
import { useSelection } from '~/stores/useSelection'
import { useYearDay } from '~/stores/useYearDay'
import { designStorm, graphOf } from '#core/site'
import {
  standingWater,
  stormLines,
  type Label,
  type Picture,
  type SeenRoute,
  type Slot,
  type VerticalScale,
} from '#core/section'
import { poolsOf } from '#core/balance'

/**
 * What stands in the drawing between two places of its width, and the lines that are seen there. With `storm` the design storm’s
 * water is drawn along the roofs’ lines; `atOnce` all of it is drawn in one go, however much that is.
 */
const props = defineProps<{
  picture: Picture
  lines: SeenRoute[]
  fromPx: number
  toPx: number
  storm: boolean
  atOnce?: boolean
}>()
defineEmits<{ hold: [VerticalScale | undefined] }>()
const StormWater = defineAsyncComponent(() => import('~/section/StormWater.vue'))
const results = useResults()
const { runId, nodeId } = useSelection()
const { day } = useYearDay()
const shown = useShown()

const drawing = computed(() => props.picture.drawing)
provideDrawing(drawing)
const site = computed(() => drawing.value.site)
const seen = (left: number, right: number) => right >= props.fromPx && left <= props.toPx
const onLine = (points: [number, number][]) =>
  points.some(([x]) => x >= props.fromPx) && points.some(([x]) => x <= props.toPx)

const keyOf = (slot: Slot) =>
  slot.kind === 'node' ? slot.nodeId : slot.kind === 'roof' ? slot.roof.id : slot.taps[0]!.id
const wordsOf = (label: Label) => `${label.of} ${label.role}`
/** Of a large site so many are drawn in one task. */
const most = (few: number) => (isLarge(site.value) && !props.atOnce ? few : Infinity)
const slots = fewAtATime(
  () => drawing.value.slots.filter(slot => seen(slot.x, slot.x + slot.width)),
  keyOf,
  () => most(4),
)
const labels = fewAtATime(
  () => props.picture.labels.filter(label => seen(label.x, label.x + label.width)),
  wordsOf,
  () => most(12),
)
const routes = computed(() =>
  [...props.lines].sort((a, b) => Number(a.runId === runId.value) - Number(b.runId === runId.value)),
)
const ofKind = <Kind extends Slot['kind']>(kind: Kind) =>
  computed(() => slots.value.filter((slot): slot is Extract<Slot, { kind: Kind }> => slot.kind === kind))
const [roofs, singles, groups] = [ofKind('roof'), ofKind('node'), ofKind('taps')]
const houses = computed(() => groups.value.filter(slot => slot.indoors))
const nodeOf = (id: string) => graphOf(site.value).node(id)!

/** Height of the water in each tank on the shown day; a tank whose pool was not in the last answer has none yet. */
const levels = unchanged(
  () => {
    const found = results.outlook
    const at = day.value
    return poolsOf(site.value).flatMap((pool, index) => {
      const tanks = pool.tanks.filter(tank => singles.value.some(slot => slot.nodeId === tank.id))
      if (!tanks.length) return []
      const known = found && at !== undefined && found.pools[index]?.id === pool.id
      const levelM =
        known && !shown.value.levels ? pool.levelAtM(found.run.poolL[at * found.run.pools + index]!) : undefined
      return tanks.map(tank => {
        const playedM = shown.value.levels?.[tank.id]
        return { id: tank.id, levelM: playedM === undefined ? levelM : tank.baseM + playedM, capM: pool.capM }
      })
    })
  },
  level => level.id,
)
const levelOf = computed(() => new Map(levels.value.map(level => [level.id, level])))

const standing = computed(() => standingWater(site.value, drawing.value).filter(({ points }) => onLine(points)))
const storms = computed(() => {
  const everywhere = props.storm
  const storm = everywhere || runId.value !== undefined ? designStorm(site.value) : undefined
  const found = storm ? stormLines(site.value, drawing.value, storm.intensityMmPerH) : []
  return everywhere ? found : found.filter(line => line.runIds.includes(runId.value!))
})
defineExpose({ storms })
</script>

<template>
  <g>
    <RoofSymbol v-for="slot in roofs" :key="slot.roof.id" :slot-place="slot" />
    <HouseSymbol v-for="slot in houses" :key="slot.taps[0]!.id" :slot-place="slot" />
    <RunLine v-for="route in routes" :key="route.runId" :route="route" :selected="route.runId === runId" />
    <StormWater v-if="standing.length || storms.length" :standing="standing" :storms="storms" />
    <template v-for="slot in roofs" :key="slot.roof.id">
      <SpoutSymbol
        v-for="spout in slot.spouts"
        :key="spout.id"
        :spout="spout"
        :slot-place="slot"
        @hold="$emit('hold', $event)"
      />
    </template>
    <SectionNode
      v-for="slot in singles"
      :key="slot.nodeId"
      :node="nodeOf(slot.nodeId)"
      :slot-place="slot"
      :level="levelOf.get(slot.nodeId)"
      :selected="nodeId === slot.nodeId"
      @hold="$emit('hold', $event)"
    />
    <template v-for="slot in groups" :key="slot.taps[0]!.id">
      <TapSymbol v-for="tap in slot.taps" :key="tap.id" :tap="tap" :slot-place="slot" @hold="$emit('hold', $event)" />
    </template>
    <RunParts v-for="route in routes" :key="route.runId" :route="route" :selected="route.runId === runId" />
    <SectionLabels :labels="labels" :lit="nodeId" />
  </g>
</template>
