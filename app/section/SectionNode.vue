<script setup lang="ts">
import { placed } from '~/section/drawn'
import ChamberSymbol from '~/section/ChamberSymbol.vue'
import HeightHandle from '~/section/HeightHandle.vue'
import JointSymbol from '~/section/JointSymbol.vue'
import OutfallSymbol from '~/section/OutfallSymbol.vue'
import TankSymbol from '~/section/TankSymbol.vue'
import WellSymbol from '~/section/WellSymbol.vue'
import { nameOf } from '#core/site'
import type { Slot, VerticalScale } from '#core/section'
import type { NodeKind, SiteNode } from '#core/kinds'
import type { Component } from 'vue'

/** How each kind of node is drawn, and by what name its symbol takes it. */
const SYMBOLS: Record<NodeKind, { symbol: Component; as: string; lit?: boolean }> = {
  tank: { symbol: TankSymbol, as: 'tank', lit: true },
  chamber: { symbol: ChamberSymbol, as: 'chamber', lit: true },
  well: { symbol: WellSymbol, as: 'well' },
  outfall: { symbol: OutfallSymbol, as: 'outfall' },
  spout: { symbol: JointSymbol, as: 'node' },
  pressureTank: { symbol: JointSymbol, as: 'node' },
  main: { symbol: JointSymbol, as: 'node' },
  joint: { symbol: JointSymbol, as: 'node' },
  tap: { symbol: JointSymbol, as: 'node' },
}

/** One thing in the Section, by its kind. */
const props = defineProps<{
  node: SiteNode
  slotPlace: Slot
  level?: { levelM: number | undefined; capM: number }
  selected: boolean
}>()
defineEmits<{ hold: [VerticalScale | undefined] }>()
const name = placed(({ site }) => nameOf(site, props.node.id))
const kind = computed(() => SYMBOLS[props.node.kind])
const given = computed(() => ({
  [kind.value.as]: props.node,
  ...(kind.value.lit ? { selected: props.selected } : {}),
  ...(props.node.kind === 'tank' ? { level: props.level } : {}),
}))
</script>

<template>
  <HeightHandle :node="node" :label="`${name}, height`" @hold="$emit('hold', $event)">
    <component :is="kind.symbol" :slot-place="slotPlace" v-bind="given" />
  </HeightHandle>
</template>
