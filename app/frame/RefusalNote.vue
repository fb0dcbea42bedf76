<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { useSite } from '~/stores/site'

/**
 * Why a move that was pressed could not be made, beside what was pressed. Fields say so themselves; this is for
 * buttons, wherever they stand.
 */
const store = useSite()
const said = ref<{ sentence: string; place: { left: string; top: string } }>()
const [WIDE_PX, GAP_PX] = [320, 6]

function under(button: Element) {
  const { left, bottom } = button.getBoundingClientRect()
  const most = Math.max(GAP_PX, window.innerWidth - WIDE_PX - GAP_PX)
  return { left: `${Math.min(left, most)}px`, top: `${bottom + GAP_PX}px` }
}

useEventListener(
  window,
  'click',
  ({ target }) => {
    said.value = undefined
    store.problem = undefined
    const button = (target as Element).closest?.('button, [role=menuitem]')
    // What the press does comes after this; what it met is known then.
    if (button) setTimeout(() => store.problem && (said.value = { sentence: store.problem, place: under(button) }))
  },
  { capture: true },
)
useEventListener(window, ['keydown', 'wheel'], () => (said.value = undefined), { passive: true, capture: true })
</script>

<template>
  <p v-if="said" role="alert" class="refusal" :style="said.place">{{ said.sentence }}</p>
</template>

<style scoped>
.refusal {
  position: fixed;
  z-index: 30;
  margin: 0;
  max-width: 320px;
  padding: 7px 11px 8px;
  background: var(--sheet);
  border: 1px solid var(--rust);
  border-left-width: 4px;
  border-radius: 3px;
  color: var(--ink);
  font-size: 14px;
  line-height: 1.4;
}
</style>
