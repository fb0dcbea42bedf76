<script setup lang="ts">
import { portX, type Drawing, type Slot, type VerticalScale } from '#core/section'
import type { NodeOf } from '#core/site'

const props = defineProps<{ spout: NodeOf<'spout'>, slotPlace: Extract<Slot, { kind: 'roof' }>, drawing: Drawing }>()
defineEmits<{ hold: [VerticalScale | undefined] }>()
const open = useSite()
const at = computed(() => ({ x: portX(open.site!, props.slotPlace, { node: props.spout.id, port: 'out' }, 0), y: props.drawing.scale.y(props.spout.baseM) }))
</script>

<template>
  <HeightHandle :node="spout" :drawing="drawing" :label="`${spout.name}, height of its outlet`" @hold="$emit('hold', $event)">
    <path :d="`M${at.x - 6} ${at.y - 5} h12 l-3 8 h-6 z`" />
  </HeightHandle>
</template>

<style scoped>
path { fill: var(--line-roof); stroke: var(--sheet); stroke-width: 1; }
</style>
