<script setup lang="ts">
import PartSymbol from '~/section/PartSymbol.vue'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { nameOf, type Run } from '#core/site'
import { moveOf } from '#core/moves'
import { partsOffered, type PartAlong } from '#core/network'
import { PART_KINDS } from '#core/kinds'

/**
 * A line's parts in the order in which water meets them, each with its size, its height and the pressure behind it; what
 * is missing stands dotted where it belongs. Dragged, or by Alt and the arrows, a part is moved; + fits one.
 */
const props = defineProps<{ run: Run; along: PartAlong[] }>()
/** Somebody wants to choose what is fitted behind the part in hand. */
const emit = defineEmits<{ fit: [] }>()
const store = useSite()
const { show } = useUnits()
const { partId, pickRun } = useSelection()

const offered = computed(() => partsOffered(store.site!, props.run))
const results = useResults()
const isFound = (by: string) =>
  results.review?.findings.some(({ check, subject }) => check === by && subject.id === props.run.id)
/** What is missing and found so, by the part that it belongs before; what belongs at the end by nothing. */
const missing = computed(() => offered.value.filter(({ foundBy }) => foundBy !== undefined && isFound(foundBy)))
const missingBefore = (id: string | undefined) => missing.value.filter(({ before }) => before === id)
const pickedId = computed(() => partId.value ?? props.run.parts[0]?.id)

const sizeOf = ({ part, boreMm }: PartAlong): string => {
  if (part.kind === 'pump') return show(part.flowLps, 'flow')
  if (part.kind === 'filter') return part.medium === 'carbon' ? 'carbon' : `${part.ratingUm} µm`
  if ('meshMm' in part) return show(part.meshMm, 'bore')
  if ('setKPa' in part) return show(part.setKPa, 'pressure')
  return show(boreMm, 'pipe')
}
const figureOf = ({ part, lossM, gainM }: PartAlong): string => {
  if (part.kind === 'pipe' || part.kind === 'flexible') return show(part.lengthM, 'length')
  if (part.kind === 'valve') return part.open ? 'open' : 'shut'
  if (part.kind === 'pump') return gainM ? `lifts ${show(gainM, 'length')}` : 'stands'
  return lossM > 0.005 ? `takes ${show(lossM, 'length')}` : ''
}
const pressureOf = ({ behindKPa }: PartAlong): string => (behindKPa === undefined ? 'dry' : show(behindKPa, 'pressure'))

function fit(part: (typeof offered.value)[number]): void {
  store.make(
    moveOf('insertPart', {
      run: props.run.id,
      ...(part.before ? { before: part.before } : {}),
      part: { ...part.part },
    }),
  )
}
function move(id: string, by: number): void {
  const ids = props.run.parts.map(part => part.id)
  const at = ids.indexOf(id)
  const to = at + by
  if (to < 0 || to >= ids.length) return
  // Before the one after its new place; at the end, before nothing.
  const before = by < 0 ? ids[to] : ids[to + 1]
  store.make(moveOf('movePart', { part: id, ...(before ? { before } : {}) }))
}
const dragged = ref<string>()
function drop(before: string | undefined): void {
  const id = dragged.value
  dragged.value = undefined
  if (id === undefined || id === before) return
  store.make(moveOf('movePart', { part: id, ...(before ? { before } : {}) }))
}
function fitBehind(event: KeyboardEvent, id: string): void {
  if (event.key !== '+') return
  event.preventDefault()
  pickRun(props.run.id, id)
  void nextTick(() => emit('fit'))
}
function takeOut(id: string): void {
  store.make(moveOf('remove', { id }))
}
</script>

<template>
  <div class="strip" role="group" aria-label="The line part by part">
    <span class="end">{{ nameOf(store.site!, run.from.node) }}</span>
    <template v-for="each in along" :key="each.part.id">
      <button
        v-for="part in missingBefore(each.part.id)"
        :key="`${each.part.id} ${part.name}`"
        type="button"
        class="part missing"
        :data-missing="part.part.kind"
        @click="fit(part)"
      >
        <span class="ring" aria-hidden="true" />
        <b>{{ part.name }}</b><span>missing</span><span class="why">{{ part.missing }}</span>
      </button>
      <button
        type="button"
        class="part"
        :class="{ picked: each.part.id === pickedId, over: dragged && dragged !== each.part.id }"
        :data-part-of-line="each.part.id"
        :aria-pressed="each.part.id === pickedId"
        draggable="true"
        @click="pickRun(run.id, each.part.id)"
        @dragstart="dragged = each.part.id"
        @dragend="dragged = undefined"
        @dragover.prevent
        @drop.prevent="drop(each.part.id)"
        @keydown.alt.left.prevent="move(each.part.id, -1)"
        @keydown.alt.right.prevent="move(each.part.id, 1)"
        @keydown.delete="takeOut(each.part.id)"
        @keypress="fitBehind($event, each.part.id)"
      >
        <svg viewBox="-14 -15 28 30" width="34" height="36" aria-hidden="true">
          <path v-if="each.part.kind === 'pipe'" d="M-13 0 H13" class="pipe" />
          <path v-else-if="each.part.kind === 'flexible'" d="M-13 0 q3.2 -6 6.5 0 t6.5 0 t6.5 0 t6.5 0" class="pipe" />
          <PartSymbol
            v-else
            :part="{
              id: each.part.id,
              kind: each.part.kind,
              x: 0,
              y: 0,
              upright: false,
              open: each.part.kind !== 'valve' || each.part.open,
            }"
            :selected="each.part.id === pickedId"
          />
        </svg>
        <b>{{ PART_KINDS[each.part.kind].name }}</b>
        <span>{{ sizeOf(each) }}</span>
        <span>{{ figureOf(each) }}</span>
        <span class="soft">{{ show(each.heightM, 'length') }} · {{ pressureOf(each) }}</span>
      </button>
    </template>
    <button
      v-for="part in missingBefore(undefined)"
      :key="`end ${part.name}`"
      type="button"
      class="part missing"
      :data-missing="part.part.kind"
      @click="fit(part)"
    >
      <span class="ring" aria-hidden="true" /><b>{{ part.name }}</b
      ><span>missing</span><span class="why">{{ part.missing }}</span>
    </button>
    <span class="end" @dragover.prevent @drop.prevent="drop(undefined)">{{ nameOf(store.site!, run.to.node) }}</span>
  </div>
  <p class="soft small keys">
    <kbd>[</kbd> <kbd>]</kbd> walk, over joints too · drag, or <kbd>Alt</kbd> with the arrows, moves a part ·
    <kbd>+</kbd> fits one behind it · <kbd>Del</kbd> takes it out · what is missing stands dotted where it belongs
  </p>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: stretch;
  overflow-x: auto;
  border-top: 4px solid var(--line-roof);
  margin-top: 4px;
}
.end {
  align-self: center;
  writing-mode: vertical-rl;
  font-size: 12px;
  color: var(--soft);
  padding: 4px 2px;
  max-height: 130px;
  overflow: hidden;
}
.part {
  flex: 1 0 88px;
  max-width: 132px;
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 1px;
  padding: 6px 5px 8px;
  background: none;
  border: 1px solid transparent;
  border-top: 0;
  color: var(--ink);
  font: 13px/1.35 var(--text);
  text-align: center;
  cursor: grab;
}
.part:hover {
  background: var(--sheet);
}
.picked {
  border-color: var(--oak);
  background: var(--sheet);
}
.over:hover {
  border-left: 3px solid var(--oak);
}
.missing {
  border: 1px dotted var(--rust);
  border-top: 0;
  color: var(--rust);
  cursor: pointer;
}
.ring {
  width: 20px;
  height: 20px;
  margin: 8px;
  border: 2px dashed var(--rust);
  border-radius: 50%;
}
.why {
  font-size: 11.5px;
}
.pipe {
  fill: none;
  stroke: var(--line-roof);
  stroke-width: 4;
}
.keys {
  margin: 6px 0 10px;
}
</style>
