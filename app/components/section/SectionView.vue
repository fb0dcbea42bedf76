<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { poolsOf } from '#core/balance'
import { isoDate } from '#core/climate'
import { drawSection, standingWater, stormLines, type Slot, type VerticalScale } from '#core/section'
import { designStorm } from '#core/site'
import { format, parseISO } from 'date-fns'
import type { StepId } from '~/composables/useSteps'

/** The whole site cut through, at its true heights. At Catch and Clean the design storm's water line is drawn along the roofs' lines. */
const props = defineProps<{ step: StepId }>()
const open = useSite()
const results = useResults()
const { runId, nodeId, pickNode } = useSelection()
const { day } = useYearDay()

const frame = useTemplateRef('frame')
const { width, height } = useElementSize(frame)
const held = shallowRef<VerticalScale>()
const asList = ref(false)

const site = computed(() => open.site!)
const drawing = computed(() => drawSection(site.value, Math.max(640, width.value), Math.max(240, height.value), held.value))
const pools = computed(() => poolsOf(site.value))

/** Height of the water in each tank on the shown day; a tank whose pool was not in the last answer has none yet. */
const levels = computed(() => {
  const found = results.outlook
  const at = day.value
  return new Map(pools.value.flatMap((pool, index) => {
    const known = found && at !== undefined && found.pools[index]?.name === pool.name
    const levelM = known ? pool.levelAtM(found.run.poolL[at * found.run.pools + index]!) : undefined
    return pool.tanks.map(tank => [tank.id, { levelM, capM: pool.capM }] as const)
  }))
})
const dayText = computed(() => results.outlook && day.value !== undefined ? format(parseISO(isoDate(results.outlook.startDay + day.value)), 'd MMMM') : undefined)
const routes = computed(() => [...drawing.value.routes].sort((a, b) => Number(a.runId === runId.value) - Number(b.runId === runId.value)))
const standing = computed(() => standingWater(site.value, drawing.value))
const storms = computed(() => {
  const everywhere = props.step === 'catch' || props.step === 'clean'
  const storm = everywhere || runId.value !== undefined ? designStorm(site.value) : undefined
  const lines = storm ? stormLines(site.value, drawing.value, storm.intensityMmPerH) : []
  return everywhere ? lines : lines.filter(line => line.runIds.includes(runId.value!))
})
const ofKind = <Kind extends Slot['kind']>(kind: Kind) => computed(() => drawing.value.slots.filter((slot): slot is Extract<Slot, { kind: Kind }> => slot.kind === kind))
const [roofs, singles, groups] = [ofKind('roof'), ofKind('node'), ofKind('taps')]
const houses = computed(() => groups.value.filter(slot => slot.indoors))
const nodeOf = (id: string) => site.value.nodes.find(node => node.id === id)!
</script>

<template>
  <section ref="frame" class="section" aria-label="The Section: the site cut through, heights to scale">
    <div class="scroll">
      <svg v-if="width && !asList" :width="drawing.widthPx" :height="drawing.heightPx" role="group" aria-label="Drawing of the site" @click.self="pickNode(undefined)">
        <SectionGround :drawing="drawing" />
        <RoofSymbol v-for="slot in roofs" :key="slot.roof.id" :slot-place="slot" :drawing="drawing" />
        <HouseSymbol v-for="slot in houses" :key="slot.taps[0]!.id" :slot-place="slot" :drawing="drawing" />
        <RunLine v-for="route in routes" :key="route.runId" :route="route" :selected="route.runId === runId" />
        <StormWater :standing="standing" :storms="storms" />
        <template v-for="slot in roofs" :key="slot.roof.id"><SpoutSymbol v-for="spout in slot.spouts" :key="spout.id" :spout="spout" :slot-place="slot" :drawing="drawing" @hold="held = $event" /></template>
        <SectionNode v-for="slot in singles" :key="slot.nodeId" :node="nodeOf(slot.nodeId)" :slot-place="slot" :drawing="drawing" :level="levels.get(slot.nodeId)" :selected="nodeId === slot.nodeId" @hold="held = $event" />
        <template v-for="slot in groups" :key="slot.taps[0]!.id"><TapSymbol v-for="tap in slot.taps" :key="tap.id" :tap="tap" :slot-place="slot" :drawing="drawing" @hold="held = $event" /></template>
        <SectionFolds :drawing="drawing" />
        <SectionStaff :drawing="drawing" />
      </svg>
      <RunsList v-else-if="asList" />
    </div>
    <p v-if="!site.nodes.length && !asList" class="empty">Nothing stands here yet. Add a roof at <b>Catch</b> and a tank at <b>Store</b>, and the Section draws itself.</p>
    <p class="caption small soft">
      <span v-if="dayText && site.nodes.length && !asList">Water as on {{ dayText }} · heights to scale, widths not<template v-if="storms.length"> · dashes: the design storm’s water</template></span>
      <button type="button" class="plain small" :aria-pressed="asList" @click="asList = !asList">{{ asList ? 'As a drawing' : 'As a list' }}</button>
    </p>
  </section>
</template>

<style scoped>
.section { position: relative; background: var(--sheet); border-bottom: 1px solid var(--hair); min-width: 0; overflow: hidden; }
.scroll { height: 100%; overflow: auto hidden; }
.scroll:has(.runs) { overflow: auto; }
svg { display: block; user-select: none; }
.caption { position: absolute; right: 8px; bottom: 4px; margin: 0; display: flex; gap: 14px; background: color-mix(in srgb, var(--sheet) 88%, transparent); padding: 0 8px; border-radius: 3px; }
.empty { position: absolute; inset: 40% 0 auto; text-align: center; margin: 0; padding: 0 24px; }
</style>
