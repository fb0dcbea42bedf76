<script setup lang="ts">
import { placed } from '~/section/drawn'
import { useShown } from '~/section/shown'
import type { Slot } from '#core/section'
import type { NodeOf } from '#core/kinds'

/** A first-flush chamber with its ball and its outlet. */
const props = defineProps<{ chamber: NodeOf<'chamber'>; slotPlace: Slot; selected: boolean }>()
const box = placed(({ scale }) => {
  const { chamber, slotPlace } = props
  const width = { standpipe: 12, drum: 24, lying: 40 }[chamber.form]
  return {
    x: slotPlace.x + slotPlace.width / 2 - width / 2,
    width,
    top: scale.y(chamber.baseM + chamber.heightM),
    foot: scale.y(chamber.baseM),
    middle: slotPlace.x + slotPlace.width / 2,
  }
})
const shown = useShown()
/** How high it is filled in a plant that is played; in the plan it stands as it is told of, full. */
const held = computed(
  () => Math.max(0, box.value.foot - box.value.top - 14) * (shown.value.chambers?.[props.chamber.id] ?? 1),
)
</script>

<template>
  <g :class="{ selected }">
    <rect
      :x="box.x"
      :y="box.top + 2"
      :width="box.width"
      :height="Math.max(4, box.foot - box.top - 2)"
      rx="1.5"
      class="wall"
    />
    <rect :x="box.x + 1.5" :y="box.foot - 2 - held" :width="box.width - 3" :height="held" class="dirt" />
    <circle v-if="chamber.ball !== false" :cx="box.middle" :cy="box.top + 9" r="4.2" class="ball" />
    <path
      v-if="chamber.emptiedEveryDays !== null"
      :d="`M${box.middle - box.width / 2 - 3} ${box.foot - 1} h${box.width + 6}`"
      class="cap"
      ><title>a cap, opened by hand</title></path
    >
    <path v-if="chamber.orificeMm" :d="`M${box.middle} ${box.foot} v7`" class="drip" />
  </g>
</template>

<style scoped>
.wall {
  fill: var(--sheet);
  stroke: var(--line-spill);
  stroke-width: 1.8;
}
.dirt {
  fill: var(--line-spill);
  opacity: 0.45;
}
.ball {
  fill: var(--sheet);
  stroke: var(--line-spill);
  stroke-width: 1.4;
}
.drip {
  stroke: var(--line-spill);
  stroke-width: 2;
  stroke-dasharray: 2 2.5;
}
.cap {
  stroke: var(--ink);
  stroke-width: 3.4;
}
.selected .wall {
  stroke: var(--oak);
}
</style>
