<script setup lang="ts">
import { dayAndMonth } from '~/fields/dayWords'
import { useUnits } from '~/fields/useUnits'
import HouseSymbol from '~/section/HouseSymbol.vue'
import RoofSymbol from '~/section/RoofSymbol.vue'
import RunLine from '~/section/RunLine.vue'
import RunParts from '~/section/RunParts.vue'
import SectionFolds from '~/section/SectionFolds.vue'
import SectionGround from '~/section/SectionGround.vue'
import SectionNode from '~/section/SectionNode.vue'
import SectionLabels from '~/section/SectionLabels.vue'
import SectionStaff from '~/section/SectionStaff.vue'
import SpoutSymbol from '~/section/SpoutSymbol.vue'
import TapSymbol from '~/section/TapSymbol.vue'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { useYearDay } from '~/stores/useYearDay'
import { useWiden } from '~/section/useWiden'
import { useElementSize } from '@vueuse/core'
import { designStorm, graphOf, nameOf } from '#core/site'
import {
  drawSection,
  labelsOf,
  readableWidthPx,
  standingWater,
  stormLines,
  type Slot,
  type VerticalScale,
} from '#core/section'
import { isoDate } from '#core/climate'
import { poolsOf } from '#core/balance'

/**
 * The whole site cut through, at its true heights. With `storm` the design storm's water is drawn along the roofs'
 * lines.
 */
const props = defineProps<{ storm: boolean }>()
const store = useSite()
const StormWater = defineAsyncComponent(() => import('~/section/StormWater.vue'))
const RunsList = defineAsyncComponent(() => import('~/section/RunsList.vue'))
const results = useResults()
const { runId, nodeId, pickNode } = useSelection()
const { day } = useYearDay()
const { show } = useUnits()

const frame = useTemplateRef('frame')
const { height } = useElementSize(frame)
/** The caption has a strip of its own below the drawing, so that it covers nothing. */
const CAPTION_PX = 24
const held = shallowRef<VerticalScale>()
const asList = ref(false)

/** A drawing of so many things takes longer than a blink, and lets the first figures go before. */
const [LARGE, LARGE_WAIT_MS] = [60, 120]
/**
 * What is drawn. An edit first shows where it was typed and in the figures; the drawing follows in a task of its own,
 * but for a height that is being dragged, which is seen to move.
 */
const site = shallowRef(store.site!)
watch(
  () => store.site,
  (next, before) => {
    if (!next) return
    if (held.value || next.id !== before?.id) site.value = next
    else setTimeout(() => store.site === next && (site.value = next), next.nodes.length > LARGE ? LARGE_WAIT_MS : 0)
  },
  { flush: 'sync' },
)
const heightPx = computed(() => Math.max(200, height.value - CAPTION_PX))
const scroll = useTemplateRef('scroll')
/** While a height is dragged nothing else moves. */
const readablePx = computed((before?: number) =>
  held.value && before ? before : readableWidthPx(site.value, heightPx.value),
)
const { widthPx, framePx, shiftPx, widen, least, by, fit } = useWiden(scroll, () => readablePx.value)
const drawing = computed(() =>
  drawSection(site.value, widthPx.value, heightPx.value, Math.max(1, widen.value), held.value),
)
/** Whether some of the drawing lies outside its frame. */
const beyond = computed(() => drawing.value.widthPx > framePx.value + 1)
const labels = computed(() => labelsOf(site.value, drawing.value))
const pools = computed(() => poolsOf(site.value))

/** Height of the water in each tank on the shown day; a tank whose pool was not in the last answer has none yet. */
const levels = computed(() => {
  const found = results.outlook
  const at = day.value
  return new Map(
    pools.value.flatMap((pool, index) => {
      const known = found && at !== undefined && found.pools[index]?.id === pool.id
      const levelM = known ? pool.levelAtM(found.run.poolL[at * found.run.pools + index]!) : undefined
      return pool.tanks.map(tank => [tank.id, { levelM, capM: pool.capM }] as const)
    }),
  )
})
const dayText = computed(() =>
  results.outlook && day.value !== undefined ? dayAndMonth(isoDate(results.outlook.startDay + day.value)) : undefined,
)
const routes = computed(() =>
  [...drawing.value.routes].sort((a, b) => Number(a.runId === runId.value) - Number(b.runId === runId.value)),
)
const standing = computed(() => standingWater(site.value, drawing.value))
const storms = computed(() => {
  const everywhere = props.storm
  const storm = everywhere || runId.value !== undefined ? designStorm(site.value) : undefined
  const lines = storm ? stormLines(site.value, drawing.value, storm.intensityMmPerH) : []
  return everywhere ? lines : lines.filter(line => line.runIds.includes(runId.value!))
})
const ofKind = <Kind extends Slot['kind']>(kind: Kind) =>
  computed(() => drawing.value.slots.filter((slot): slot is Extract<Slot, { kind: Kind }> => slot.kind === kind))
const [roofs, singles, groups] = [ofKind('roof'), ofKind('node'), ofKind('taps')]
const houses = computed(() => groups.value.filter(slot => slot.indoors))
const nodeOf = (id: string) => graphOf(site.value).node(id)!
</script>

<template>
  <section ref="frame" class="section" aria-label="The Section: the site cut through, heights to scale">
    <div ref="scroll" class="scroll">
      <svg
        v-if="framePx && !asList"
        :width="drawing.widthPx"
        :height="drawing.heightPx"
        role="group"
        aria-label="Drawing of the site"
        @click.self="pickNode(undefined)"
      >
        <SectionGround :drawing="drawing" />
        <RoofSymbol v-for="slot in roofs" :key="slot.roof.id" :slot-place="slot" :drawing="drawing" />
        <HouseSymbol v-for="slot in houses" :key="slot.taps[0]!.id" :slot-place="slot" :drawing="drawing" />
        <RunLine v-for="route in routes" :key="route.runId" :route="route" :selected="route.runId === runId" />
        <StormWater v-if="standing.length || storms.length" :standing="standing" :storms="storms" />
        <template v-for="slot in roofs" :key="slot.roof.id">
          <SpoutSymbol
            v-for="spout in slot.spouts"
            :key="spout.id"
            :spout="spout"
            :slot-place="slot"
            :drawing="drawing"
            @hold="held = $event"
          />
        </template>
        <SectionNode
          v-for="slot in singles"
          :key="slot.nodeId"
          :node="nodeOf(slot.nodeId)"
          :slot-place="slot"
          :drawing="drawing"
          :level="levels.get(slot.nodeId)"
          :selected="nodeId === slot.nodeId"
          @hold="held = $event"
        />
        <template v-for="slot in groups" :key="slot.taps[0]!.id">
          <TapSymbol
            v-for="tap in slot.taps"
            :key="tap.id"
            :tap="tap"
            :slot-place="slot"
            :drawing="drawing"
            @hold="held = $event"
          />
        </template>
        <RunParts v-for="route in routes" :key="route.runId" :route="route" :selected="route.runId === runId" />
        <SectionLabels :labels="labels" :lit="nodeId" />
        <SectionFolds :drawing="drawing" :shift-px="shiftPx" />
        <SectionStaff :drawing="drawing" :shift-px="shiftPx" />
      </svg>
      <RunsList v-else-if="asList" />
    </div>
    <p v-if="!site.nodes.length && !asList" class="empty">
      Nothing stands here yet. Add a roof at <b>Catch</b> and a tank at <b>Store</b>, and the Section draws itself.
    </p>
    <p class="caption small soft">
      <b v-if="held && nodeId" class="now">{{ nameOf(site, nodeId) }}: {{ show(nodeOf(nodeId).baseM, 'length') }}</b>
      <span v-if="dayText && site.nodes.length && !asList"
        >Water as on {{ dayText }} · heights to scale, widths not<template v-if="storms.length">
          · dashes: the design storm’s water</template
        ></span
      >
      <span v-if="site.nodes.length && !asList" class="widen">
        <button v-if="beyond && widen > least" type="button" class="plain small" @click="fit">Show the whole</button>
        <button type="button" class="plain small" :disabled="widen <= least" @click="by(0.8)">Closer</button>
        <button type="button" class="plain small" @click="by(1.25)">Wider</button>
      </span>
      <button type="button" class="plain small" :aria-pressed="asList" @click="asList = !asList">
        {{ asList ? 'As a drawing' : 'As a list' }}
      </button>
    </p>
  </section>
</template>

<style scoped>
.section {
  position: relative;
  background: var(--sheet);
  border-bottom: 1px solid var(--hair);
  min-width: 0;
  overflow: hidden;
}
.scroll {
  height: calc(100% - 24px);
  overflow: auto hidden;
  scrollbar-width: none;
}
.scroll:has(svg) {
  cursor: grab;
}
.scroll:has(.runs) {
  overflow: auto;
}
svg {
  display: block;
  user-select: none;
}
.caption {
  height: 24px;
  margin: 0;
  display: flex;
  gap: 14px;
  align-items: center;
  justify-content: flex-end;
  padding: 0 12px;
  white-space: nowrap;
}
.now {
  color: var(--oak);
  font-family: var(--mono);
  margin-right: auto;
}
.caption span {
  overflow: hidden;
  text-overflow: ellipsis;
}
.caption .widen {
  flex: none;
  display: flex;
  gap: 12px;
}
.caption button {
  flex: none;
}
.empty {
  position: absolute;
  inset: 40% 0 auto;
  text-align: center;
  margin: 0;
  padding: 0 24px;
}
</style>
