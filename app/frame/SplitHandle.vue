<script setup lang="ts">
import { followPointer } from '~/fields/followPointer'

/** The line between Section and Sheet: dragged, or moved with the arrow keys; a double click puts it back. */
const share = defineModel<number>({ required: true })
const [LEAST, MOST, USUAL] = [20, 70, 40]
const set = (value: number) => (share.value = Math.round(Math.min(MOST, Math.max(LEAST, value))))

function drag(event: PointerEvent): void {
  if (event.button !== 0) return
  const handle = event.currentTarget as HTMLElement
  const [start, from] = [event.clientY, share.value]
  followPointer(event, handle, next => set(from + (100 * (next.clientY - start)) / window.innerHeight))
}
</script>

<template>
  <div
    class="split"
    role="separator"
    tabindex="0"
    aria-orientation="horizontal"
    aria-label="Line between Section and Sheet"
    :aria-valuenow="share"
    :aria-valuemin="LEAST"
    :aria-valuemax="MOST"
    @pointerdown.prevent="drag"
    @dblclick="set(USUAL)"
    @keydown.up.prevent="set(share - 2)"
    @keydown.down.prevent="set(share + 2)"
    @keydown.home.prevent="set(USUAL)"
  />
</template>

<style scoped>
.split {
  height: 9px;
  margin: -4px 0;
  z-index: 3;
  cursor: row-resize;
  touch-action: none;
  position: relative;
}
.split::after {
  content: '';
  position: absolute;
  left: 50%;
  top: 2px;
  width: 44px;
  height: 5px;
  margin-left: -22px;
  border-radius: 3px;
  background: var(--hair);
}
.split:hover::after,
.split:focus-visible::after {
  background: var(--oak);
}
@media (max-width: 700px) {
  .split {
    display: none;
  }
}
</style>
