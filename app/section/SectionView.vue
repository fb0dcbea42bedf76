<script setup lang="ts">
import { dayAndMonth } from '~/fields/dayWords'
import { useUnits } from '~/fields/useUnits'
import SectionFolds from '~/section/SectionFolds.vue'
import SectionGround from '~/section/SectionGround.vue'
import SectionStaff from '~/section/SectionStaff.vue'
import SectionThings from '~/section/SectionThings.vue'
import { useShown } from '~/section/shown'
import { useDrawing } from '~/section/useDrawing'
import { fewAtATime } from '~/stores/fewAtATime'
import { isLarge } from '~/engine/large'
import { useWiden } from '~/section/useWiden'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { useYearDay } from '~/stores/useYearDay'
import { useElementSize } from '@vueuse/core'
import { graphOf, nameOf } from '#core/site'
import {
  routeOfRun,
  seenOf,
  STAFF_PX,
  stretchOf,
  type HeldScale,
  type Picture,
  type SeenRoute,
  type VerticalScale,
} from '#core/section'
import { isoDate } from '#core/climate'

/**
 * The whole site cut through, at its true heights. With `storm` the design storm's water is drawn along the roofs'
 * lines.
 */
const props = defineProps<{ storm: boolean; grade: boolean }>()
const GradeLine = defineAsyncComponent(() => import('~/section/GradeLine.vue'))
const FlowMarks = defineAsyncComponent(() => import('~/section/FlowMarks.vue'))
const shown = useShown()
const store = useSite()
const RunsList = defineAsyncComponent(() => import('~/section/RunsList.vue'))
const results = useResults()
const { runId, nodeId, picks, pickNode } = useSelection()
const { day } = useYearDay()
const { show } = useUnits()

const frame = useTemplateRef('frame')
const { height } = useElementSize(frame)
/** The caption has a strip of its own below the drawing, so that it covers nothing. */
const CAPTION_PX = 24
const asList = ref(false)

const picture = shallowRef<Picture>()
const scroll = useTemplateRef('scroll')
const { asked, framePx, shiftPx, widen, least, by, fit, bring } = useWiden(
  scroll,
  () => picture.value?.readablePx ?? 0,
  () => picture.value?.drawing.widthPx ?? 0,
)
/** While a height is dragged nothing else moves. */
const held = shallowRef<HeldScale>()
const hold = (scale: VerticalScale | undefined) =>
  (held.value = scale && { scale, readablePx: picture.value!.readablePx })
const room = computed(() => ({
  framePx: framePx.value,
  heightPx: Math.max(200, height.value - CAPTION_PX),
  asked: asked.value,
}))
useDrawing(picture, room, held)
const drawing = computed(() => picture.value?.drawing)
const site = computed(() => drawing.value?.site ?? store.site!)
/** Whether some of the drawing lies outside its frame. */
const beyond = computed(() => (drawing.value?.widthPx ?? 0) > framePx.value + 1)
/** What is drawn of a wide drawing: what stands in the frame, and a quarter of a frame or more to either side. */
const quarterPx = computed(() => Math.max(1, framePx.value) / 4)
const quarters = computed(() => Math.floor(shiftPx.value / quarterPx.value))
const [fromPx, toPx] = [
  computed(() => (quarters.value - 1) * quarterPx.value),
  computed(() => (quarters.value + 6) * quarterPx.value),
]
/** The lines as far as they are seen; of a large site so many are drawn in one task. */
const lines = fewAtATime(
  () => drawing.value?.routes.flatMap(route => seenOf(route, fromPx.value, toPx.value) ?? []) ?? [],
  ({ runId: id }: SeenRoute) => id,
  () => (isLarge(site.value) ? 8 : Infinity),
)
/** What is picked elsewhere is brought into the frame. */
watch([nodeId, runId, picks], () => {
  if (!drawing.value) return
  const xs = runId.value
    ? routeOfRun(drawing.value, runId.value)?.points.map(([x]) => x)
    : stretchOf(drawing.value, nodeId.value)
  if (xs?.length) void bring(Math.min(...xs) - STAFF_PX, Math.max(...xs))
})

/** What the line of pressure is of, where it is drawn. */
const gradeWords = ref<string>()
const things = useTemplateRef('things')
const dayText = computed(() =>
  results.outlook && day.value !== undefined ? dayAndMonth(isoDate(results.outlook.startDay + day.value)) : undefined,
)
const heightOf = (id: string) => show(graphOf(site.value).node(id)!.baseM, 'length')
</script>

<template>
  <section ref="frame" class="section" aria-label="The Section: the site cut through, heights to scale">
    <div ref="scroll" class="scroll">
      <svg
        v-if="picture && drawing && !asList"
        :width="drawing.widthPx"
        :height="drawing.heightPx"
        role="group"
        aria-label="Drawing of the site"
        @click.self="pickNode(undefined)"
      >
        <SectionGround :drawing="drawing" />
        <SectionThings
          ref="things"
          :picture="picture"
          :lines="lines"
          :from-px="fromPx"
          :to-px="toPx"
          :storm="storm"
          @hold="hold"
        />
        <GradeLine v-if="props.grade" :drawing="drawing" @told="words => (gradeWords = words)" />
        <FlowMarks v-if="shown.flows || shown.lit" :lines="lines" />
        <SectionFolds :drawing="drawing" :shift-px="shiftPx" />
        <SectionStaff :drawing="drawing" :shift-px="shiftPx" />
      </svg>
      <RunsList v-else-if="asList" />
    </div>
    <p v-if="!site.nodes.length && !asList" class="empty">
      Nothing stands here yet. Add a roof at <b>Catch</b> and a tank at <b>Store</b>, and the Section draws itself.
    </p>
    <p class="caption small soft">
      <b v-if="held && nodeId" class="now">{{ nameOf(site, nodeId) }}: {{ heightOf(nodeId) }}</b>
      <span v-if="shown.flows && site.nodes.length && !asList"
        >heights to scale, widths not · arrows: how the water goes</span
      >
      <span v-else-if="site.nodes.length && !asList && props.grade && gradeWords"
        >heights to scale · {{ gradeWords }}</span
      >
      <span v-else-if="dayText && site.nodes.length && !asList"
        >Water as {{ shown.levels ? 'reckoned today' : `on ${dayText}` }} · heights to scale, widths not<template
          v-if="things?.storms.length"
        >
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
