<script setup lang="ts">
import { pathOf } from '~/section/path'
import { useUnits } from '~/fields/useUnits'
import { momentIn, weakestIn } from '~/engine/moments'
import { useSelection } from '~/stores/useSelection'
import { graphOf, nameOf } from '#core/site'
import { gradeOf, type Drawing } from '#core/section'
import { tapsOf, wayOfWater } from '#core/network'

/**
 * The line of pressure to the tap that is picked, else to the one that has least: how high the water would stand in a
 * pipe let up from the line, while that tap alone is open. Where it runs below the pipe, air is drawn in.
 */
const props = defineProps<{ drawing: Drawing }>()
const emit = defineEmits<{ told: [words: string | undefined] }>()
const { nodeId } = useSelection()
const { show } = useUnits()
const site = computed(() => props.drawing.site)
const tap = computed(() => {
  const taps = tapsOf(site.value)
  const picked = taps.find(({ id }) => id === nodeId.value)
  if (picked) return picked
  const weakest = weakestIn(site.value, 'full')
  return taps.find(({ id }) => id === weakest)
})
const grade = computed(() => {
  if (!tap.value || !graphOf(site.value).into(tap.value.id).length) return undefined
  const moment = momentIn(site.value, [tap.value.id], 'full')
  return moment?.converged
    ? gradeOf(site.value, props.drawing, wayOfWater(site.value, moment, tap.value.id), moment)
    : undefined
})
watchEffect(() => {
  const { value } = grade
  emit(
    'told',
    value &&
      `dots: pressure to ${nameOf(site.value, tap.value!.id)}, ` +
        (value.highestM > value.fromM + 0.1 ? `${show(value.highestM, 'length')} behind its pump, ` : '') +
        `${show(value.toM, 'length')} at the tap`,
  )
})
onUnmounted(() => emit('told', undefined))
</script>

<template>
  <g v-if="grade" class="grade" aria-hidden="true">
    <path
      v-for="(stretch, at) in grade.stretches"
      :key="at"
      :d="pathOf(stretch.points)"
      :class="{ below: stretch.below }"
      :data-grade="stretch.below ? 'below' : 'above'"
    />
    <template v-if="grade.beyond">
      <path :d="`M${grade.beyond.x + 8} 14 l5 -8 l5 8`" class="beyond" />
      <text :x="grade.beyond.x + 24" y="15">{{ show(grade.beyond.headM, 'length') }}</text>
    </template>
  </g>
</template>

<style scoped>
.grade {
  pointer-events: none;
}
path {
  fill: none;
  stroke: var(--oak);
  stroke-width: 2.2;
  stroke-dasharray: 1 5;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.below {
  stroke: var(--rust);
  stroke-dasharray: none;
}
.beyond {
  stroke-dasharray: none;
}
text {
  font: 600 11px var(--mono);
  fill: var(--oak);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
