<script setup lang="ts">
import type { Drawing, Slot, VerticalScale } from '#core/section'
import type { SiteNode } from '#core/site'

/** One thing in the Section, by its kind. */
defineProps<{ node: SiteNode, slotPlace: Slot, drawing: Drawing, level?: { levelM: number | undefined, capM: number }, selected: boolean }>()
defineEmits<{ hold: [VerticalScale | undefined] }>()
</script>

<template>
  <HeightHandle :node="node" :drawing="drawing" :label="`${node.name}, height`" @hold="$emit('hold', $event)">
    <TankSymbol v-if="node.kind === 'tank'" :tank="node" :slot-place="slotPlace" :drawing="drawing" :level="level" :selected="selected" />
    <ChamberSymbol v-else-if="node.kind === 'chamber'" :chamber="node" :slot-place="slotPlace" :drawing="drawing" :selected="selected" />
    <WellSymbol v-else-if="node.kind === 'well'" :well="node" :slot-place="slotPlace" :drawing="drawing" />
    <OutfallSymbol v-else-if="node.kind === 'outfall'" :outfall="node" :slot-place="slotPlace" :drawing="drawing" />
    <JointSymbol v-else :node="node" :slot-place="slotPlace" :drawing="drawing" />
  </HeightHandle>
</template>
