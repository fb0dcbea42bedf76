<script setup lang="ts">
import { placed, useDrawn } from '~/section/drawn'
import { useUnits } from '~/fields/useUnits'
import { useHeightDrag } from '~/section/useHeightDrag'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import type { VerticalScale } from '#core/section'
import { graphOf, nameOf } from '#core/site'
import { moveOf } from '#core/moves'
import type { SiteNode } from '#core/kinds'

/** Whatever stands at a height: it can be picked, dragged up and down, and moved with the arrow keys. */
const props = defineProps<{ node: SiteNode; label: string }>()
const drawing = useDrawn()
const name = placed(({ site }) => nameOf(site, props.node.id))
const emit = defineEmits<{ hold: [VerticalScale | undefined] }>()
const store = useSite()
const { show } = useUnits()
const { nodeId, pickNode } = useSelection()

const { dragging, onPointerdown, onKeydown } = useHeightDrag({
  scale: () => drawing.value.scale,
  // As it stands now: two presses of a key may come before it is drawn anew.
  baseM: () => graphOf(store.site!).node(props.node.id)?.baseM ?? props.node.baseM,
  set: baseM => store.make(moveOf('setHeight', { node: props.node.id, baseM }), `height:${props.node.id}`),
  hold: scale => {
    if (scale) pickNode(props.node.id)
    emit('hold', scale)
  },
  done: () => store.settle(),
})
</script>

<template>
  <g
    class="handle"
    :class="{ on: nodeId === node.id, dragging }"
    tabindex="0"
    role="slider"
    aria-orientation="vertical"
    :data-node="node.id"
    :aria-label="label"
    :aria-valuenow="node.baseM"
    :aria-valuemin="-500"
    :aria-valuemax="5000"
    :aria-valuetext="`${show(node.baseM, 'length')} above the datum`"
    @pointerdown="onPointerdown"
    @keydown="onKeydown"
    @blur="store.settle()"
    @click.stop="pickNode(node.id)"
    @keydown.enter="pickNode(node.id)"
  >
    <title>{{ name }}</title>
    <slot />
  </g>
</template>

<style scoped>
.handle {
  cursor: ns-resize;
  touch-action: none;
  outline-offset: 3px;
}
</style>
