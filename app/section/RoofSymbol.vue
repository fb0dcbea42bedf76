<script setup lang="ts">
import { placed } from '~/section/drawn'
import { useSelection } from '~/stores/useSelection'
import { eavesM, roofRiseM, type Slot } from '#core/section'
import { GUARDS } from '#core/catalog'

const props = defineProps<{ slotPlace: Extract<Slot, { kind: 'roof' }> }>()
const { nodeId, pickNode } = useSelection()
const roof = computed(() => props.slotPlace.roof)
const shape = placed(({ site, scale: { y } }) => {
  const { x, width, groundM } = props.slotPlace
  const eaves = eavesM(site, roof.value)
  const top = y(eaves + Math.min(4, Math.max(0.12, roofRiseM(roof.value))))
  return { x, width, eaves: y(eaves), top, ground: y(groundM), right: x + width }
})
const guard = computed(() => roof.value.spouts.map(spout => spout.gutter?.guard).find(kind => kind && kind !== 'none'))
const pick = () => pickNode(roof.value.id)
</script>

<template>
  <g
    class="roof"
    :class="{ on: nodeId === roof.id }"
    tabindex="0"
    role="button"
    :aria-label="`Roof: ${roof.name}`"
    @click="pick"
    @keydown.enter="pick"
  >
    <path
      :d="`M${shape.x + 8} ${shape.eaves} V${shape.ground} M${shape.right - 8} ${shape.eaves} V${shape.ground}`"
      class="wall"
    />
    <path
      :d="`M${shape.x - 2} ${shape.eaves} L${shape.x + shape.width * 0.5} ${shape.top} L${shape.right + 2} ${shape.eaves} Z`"
      class="cover"
    />
    <path :d="`M${shape.right - 10} ${shape.eaves + 1} h12`" class="gutter" />
    <path v-if="guard && guard !== 'none'" :d="`M${shape.right - 11} ${shape.eaves - 2.5} h14`" class="guard"
      ><title>{{ GUARDS[guard].name }}</title></path
    >
  </g>
</template>

<style scoped>
.roof {
  cursor: pointer;
}
.wall {
  stroke: var(--wall);
  stroke-width: 1.2;
  fill: none;
}
.cover {
  fill: var(--roofing);
  stroke: var(--ink);
  stroke-width: 2.2;
  stroke-linejoin: round;
}
.gutter {
  stroke: var(--line-roof);
  stroke-width: 3;
}
.guard {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 1.6 1.4;
  fill: none;
}
.on .cover,
.roof:focus-visible .cover {
  stroke: var(--oak);
}
</style>
