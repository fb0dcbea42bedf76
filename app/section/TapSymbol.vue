<script setup lang="ts">
import { placed } from '~/section/drawn'
import HeightHandle from '~/section/HeightHandle.vue'
import { useShown } from '~/section/shown'
import { nameOf } from '#core/site'
import { portX, type Slot, type VerticalScale } from '#core/section'
import type { NodeOf } from '#core/kinds'

/** A tap, with the quality of what comes out of it in words. */
const props = defineProps<{ tap: NodeOf<'tap'>; slotPlace: Extract<Slot, { kind: 'taps' }> }>()
defineEmits<{ hold: [VerticalScale | undefined] }>()
const at = placed(({ site, scale }) => ({
  x: portX(site, props.slotPlace, { node: props.tap.id, port: 'in' }, 0),
  y: scale.y(props.tap.baseM),
}))
const shown = useShown()
const name = placed(({ site }) => nameOf(site, props.tap.id))
const drinking = placed(({ site }) => site.uses.some(use => use.at === props.tap.id && use.quality === 'drinking'))
</script>

<template>
  <HeightHandle :node="tap" :label="`${name}, height of the tap`" @hold="$emit('hold', $event)">
    <path
      v-if="tap.fixture === 'drip'"
      :d="`M${at.x - 12} ${at.y} h40 M${at.x - 4} ${at.y} v4 M${at.x + 7} ${at.y} v4 M${at.x + 18} ${at.y} v4`"
      class="tap"
    />
    <path
      v-else
      :d="`M${at.x - 7} ${at.y} h9 v7 M${at.x - 3} ${at.y} v-5 m-4 0 h8`"
      class="tap"
      :class="{ drinking }"
    />
    <path
      v-if="shown.open?.[tap.id]"
      :d="`M${at.x + 2} ${at.y + 10} v10 M${at.x - 1} ${at.y + 12} v6 M${at.x + 5} ${at.y + 12} v6`"
      class="runs"
    />
  </HeightHandle>
</template>

<style scoped>
.tap {
  fill: none;
  stroke: var(--line-roof);
  stroke-width: 2.3;
}
.runs {
  fill: none;
  stroke: var(--water-deep);
  stroke-width: 1.6;
}
.tap.drinking {
  stroke: var(--line-treated);
}
</style>
