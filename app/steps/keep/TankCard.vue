<script setup lang="ts">
import { dayWords, momentNow } from '~/fields/days'
import { followPointer } from '~/fields/followPointer'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import { leaksIn, type HeldToday, type Odd } from '#core/keep'

/** A group of tanks as it stands: the water in its picture is dragged to where it was seen. */
const props = defineProps<{ held: HeldToday; odd: readonly Odd[] }>()
const store = useSite()
const { show, litres } = useUnits()
/** Where somebody has dragged the water to, m; nothing while the picture shows what is reckoned. */
const dragged = ref<number>()
const levelM = computed(() => dragged.value ?? props.held.levelM.mean)
const [WIDE, HIGH] = [110, 112]
/** A tank that spills at its very floor holds nothing, and is drawn empty. */
const shareOf = (m: number) => (props.held.fullM > 0 ? Math.min(1, m / props.held.fullM) : 0)
const y = (m: number) => HIGH - shareOf(m) * (HIGH - 6)
const picture = useTemplateRef<SVGSVGElement>('picture')
const STEP_M = 0.01
function put(m: number): void {
  dragged.value = Math.round(Math.max(0, Math.min(props.held.fullM, m)) / STEP_M) * STEP_M
}
function toPointer({ clientY }: PointerEvent): void {
  const box = picture.value!.getBoundingClientRect()
  const at = ((clientY - box.top) / box.height) * (HIGH + 22) - 14
  put(((HIGH - at) / (HIGH - 6)) * props.held.fullM)
}
function drag(event: PointerEvent): void {
  toPointer(event)
  followPointer(event, event.currentTarget as SVGElement, toPointer)
}
const KEYS: Record<string, number> = { ArrowUp: STEP_M, ArrowDown: -STEP_M, PageUp: 0.1, PageDown: -0.1 }
function byKey(event: KeyboardEvent): void {
  const step = KEYS[event.key]
  if (step === undefined) return
  event.preventDefault()
  put(levelM.value + step)
}
const problem = ref<string>()
function log(): void {
  problem.value = store.make(
    moveOf('logReading', { at: momentNow(), kind: 'level', subject: props.held.id, value: dragged.value!, by: 'eye' }),
  )
  if (!problem.value) dragged.value = undefined
}
const share = computed(() => props.held.heldL.mean / Math.max(1, props.held.capL))
/** A change by less of what it holds a day is none to speak of. */
const TRIFLE_SHARE = 0.002
const change = computed(() => props.held.changesLPerDay)
const leak = computed(() => leaksIn(props.odd, props.held.id))
</script>

<template>
  <article class="card" :data-held="held.id">
    <h3>{{ held.name }}</h3>
    <div class="two">
      <svg
        ref="picture"
        :viewBox="`0 -14 ${WIDE + 26} ${HIGH + 22}`"
        role="slider"
        tabindex="0"
        :aria-label="`Level of ${held.name}`"
        :aria-valuemin="0"
        :aria-valuemax="held.fullM"
        :aria-valuenow="levelM"
        :aria-valuetext="show(levelM, 'length')"
        @pointerdown="drag"
        @keydown="byKey"
      >
        <rect :x="WIDE / 2 - 12" y="-12" width="24" height="7" class="lid" />
        <path :d="`M2 -2 Q${WIDE / 2} -12 ${WIDE - 2} -2 V${HIGH} H2 Z`" class="wall" />
        <rect x="3" :y="y(held.levelM.high)" :width="WIDE - 6" :height="HIGH - y(held.levelM.high)" class="maybe" />
        <rect x="3" :y="y(levelM)" :width="WIDE - 6" :height="HIGH - y(levelM)" class="water" />
        <path :d="`M-2 ${y(levelM)} H${WIDE + 6}`" class="line" />
        <g :transform="`translate(${WIDE + 12} ${y(levelM)})`" class="grip">
          <circle r="10" />
          <path d="M-4 -2 l4 -4 l4 4 M-4 2 l4 4 l4 -4" />
        </g>
        <text :x="WIDE / 2" :y="Math.min(HIGH - 6, y(levelM) + 22)">{{ show(levelM, 'length') }}</text>
      </svg>
      <div class="words">
        <template v-if="dragged === undefined">
          <p class="large">{{ litres(held.heldL.mean) }}</p>
          <p class="soft small">
            {{ Math.round(100 * share) }} % of {{ litres(held.capL) }};
            <template v-if="held.read">
              {{ show(held.read.levelM, 'length') }} was read {{ dayWords(held.read.at) }}
            </template>
            <template v-else>nobody has read it yet</template>; reckoned {{ litres(held.heldL.low) }} to
            {{ litres(held.heldL.high) }}
          </p>
          <p>
            <template v-if="Math.abs(change) < TRIFLE_SHARE * held.capL">Hardly changes in the week to come.</template>
            <template v-else>
              {{ change < 0 ? 'Falls' : 'Rises' }} <b>{{ litres(Math.abs(change)) }}</b> a day in the week to come.
            </template>
            <template v-if="leak"> {{ litres(leak.litresPerDay) }} of it nobody draws.</template>
          </p>
        </template>
        <template v-else>
          <p class="large">{{ show(dragged, 'length') }}</p>
          <p class="moves">
            <button type="button" class="move" data-log-level @click="log">Log it</button>
            <button type="button" class="plain" @click="dragged = undefined">Not so</button>
          </p>
          <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
        </template>
      </div>
    </div>
  </article>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 136px minmax(0, 1fr);
  gap: 14px;
}
svg {
  width: 136px;
  touch-action: none;
  cursor: ns-resize;
  overflow: visible;
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.lid {
  fill: var(--ink);
}
.water {
  fill: var(--water-deep);
  opacity: 0.85;
}
.maybe {
  fill: var(--water-deep);
  opacity: 0.28;
}
.line {
  stroke: var(--oak);
  stroke-width: 2;
}
.grip circle {
  fill: var(--oak);
}
.grip path {
  fill: none;
  stroke: var(--sheet);
  stroke-width: 1.6;
}
text {
  font: 600 13px var(--mono);
  fill: var(--ink);
  stroke: var(--sheet);
  stroke-width: 4px;
  paint-order: stroke;
  text-anchor: middle;
}
.large {
  font-size: 22px;
  font-weight: 650;
  margin: 0 0 2px;
  font-variant-numeric: tabular-nums;
}
.words p {
  margin: 0 0 6px;
}
</style>
