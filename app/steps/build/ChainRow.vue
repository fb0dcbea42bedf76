<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { endFamily, JOIN_WORDS, sizeWords, type End } from '#core/catalog'
import type { Chain } from '#core/build'

/** A chain as the row of parts in order, with how each joint is made. */
defineProps<{ from: End; to: End; chain: Chain }>()
const { price } = useUnits()
const FOUND = ['', 'in any shop', 'easy to find', 'to be asked for', 'hard to find', 'hardly found'] as const
</script>

<template>
  <div class="row">
    <span class="part end"
      >{{ sizeWords(from) }}<br /><small>{{ endFamily(from.family).name }}</small></span
    >
    <template v-for="(step, at) in chain.steps" :key="step.adapter.id">
      <span class="joint">{{ JOIN_WORDS[chain.joints[at]!] }}</span>
      <span class="part" :class="{ now: step.adapter.holds === 'now' }"
        >{{ step.adapter.name }}<br /><small>{{ price(step.price) }} · {{ FOUND[step.adapter.found] }}</small></span
      >
    </template>
    <span class="joint">{{ JOIN_WORDS[chain.joints.at(-1)!] }}</span>
    <span class="part end"
      >{{ sizeWords(to) }}<br /><small>{{ endFamily(to.family).name }}</small></span
    >
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  overflow-x: auto;
  padding: 4px 0;
}
.part {
  flex: none;
  max-width: 124px;
  border: 1px solid var(--ink);
  border-radius: 3px;
  background: var(--sheet);
  padding: 4px 8px;
  font-size: 13.5px;
  line-height: 1.3;
}
.end {
  border-style: dashed;
  max-width: 92px;
}
.now {
  border-color: var(--rust);
}
small {
  color: var(--soft);
}
.joint {
  flex: none;
  max-width: 58px;
  font-size: 11.5px;
  line-height: 1.15;
  color: var(--oak);
  text-align: center;
  padding: 0 4px;
  border-bottom: 2px solid var(--oak);
}
</style>
