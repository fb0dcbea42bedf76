<script setup lang="ts">
import { placed } from '~/section/drawn'
import { useSelection } from '~/stores/useSelection'
import { portX, type Slot } from '#core/section'
import type { SiteNode } from '#core/kinds'

/** A place where lines meet, a pressure tank, a main, or a spout that no roof has. */
const props = defineProps<{ node: SiteNode; slotPlace: Slot }>()
const { nodeId } = useSelection()
const at = placed(({ site, scale }) => ({
  x: portX(site, props.slotPlace, { node: props.node.id, port: 'in' }, 0),
  y: scale.y(props.node.baseM),
}))
</script>

<template>
  <g>
    <rect
      v-if="node.kind === 'pressureTank'"
      :x="at.x - 9"
      :y="at.y - 26"
      width="18"
      height="26"
      rx="8"
      class="vessel"
    />
    <circle v-else :cx="at.x" :cy="at.y" r="6" />
    <text v-if="node.kind === 'joint' && nodeId === node.id" :x="at.x" :y="at.y - 13" text-anchor="end">{{
      node.name
    }}</text>
  </g>
</template>

<style scoped>
circle {
  fill: var(--line-roof);
  stroke: var(--sheet);
  stroke-width: 2;
}
.vessel {
  fill: var(--sheet);
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  font: 10.5px var(--text);
  fill: var(--soft);
  paint-order: stroke;
  stroke: var(--sheet);
  stroke-width: 3px;
}
</style>
