<script setup lang="ts">
import { placed } from '~/section/drawn'
import HeightHandle from '~/section/HeightHandle.vue'
import { portX, type Slot, type VerticalScale } from '#core/section'
import type { NodeOf } from '#core/kinds'
import { BYPASSES } from '#core/catalog'

const props = defineProps<{ spout: NodeOf<'spout'>; slotPlace: Extract<Slot, { kind: 'roof' }> }>()
defineEmits<{ hold: [VerticalScale | undefined] }>()
const bypassed = computed(() => props.spout.bypassMonths?.length || props.spout.bypassWhenFull)
const at = placed(({ site, scale }) => ({
  x: portX(site, props.slotPlace, { node: props.spout.id, port: 'out' }, 0),
  y: scale.y(props.spout.baseM),
}))
</script>

<template>
  <HeightHandle :node="spout" :label="`${spout.name}, height of its outlet`" @hold="$emit('hold', $event)">
    <path :d="`M${at.x - 7} ${at.y - 6} h14 l-4 10 h-6 z`" class="head" />
    <g v-if="bypassed" class="gate"
      ><title>
        {{ BYPASSES[spout.bypassBy ?? 'flap'] }},
        {{ spout.bypassMonths?.length ? 'to ground in some months' : 'to ground once the tank is full' }}
      </title>
      <path v-if="spout.bypassBy === 'gate'" :d="`M${at.x - 11} ${at.y + 9} v9 M${at.x - 14} ${at.y + 9} h6`" /><path
        v-else
        :d="`M${at.x} ${at.y + 7} l-9 8`"
      />
      <path :d="`M${at.x - 11} ${at.y + 16} v8`" class="away" />
    </g>
  </HeightHandle>
</template>

<style scoped>
.head {
  fill: var(--line-roof);
  stroke: var(--sheet);
  stroke-width: 1;
}
.gate path {
  stroke: var(--oak);
  stroke-width: 2.4;
  fill: none;
}
.gate .away {
  stroke: var(--line-spill);
  stroke-dasharray: 2 2.5;
}
</style>
