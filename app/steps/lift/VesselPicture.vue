<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { heldAtL } from '#core/network'
import type { NodeOf } from '#core/kinds'

/** Gas and water in a pressure tank when its pump starts and when it stops: what lies between is all it gives. */
const props = defineProps<{ vessel: NodeOf<'pressureTank'> }>()
const { show, litres } = useUnits()
const [WIDE, TALL] = [86, 118]
const stands = computed(() =>
  [
    { words: 'pump starts', kPa: props.vessel.cutInKPa },
    { words: 'pump stops', kPa: props.vessel.cutOutKPa },
  ].map(stand => ({ ...stand, heldL: heldAtL(props.vessel, stand.kPa) })),
)
const level = (heldL: number) => TALL * (1 - Math.min(1, heldL / props.vessel.volumeL))
const low = computed(() => level(stands.value[0]!.heldL))
const spoken = computed(
  () =>
    `Of ${litres(props.vessel.volumeL)} it holds ` +
    stands.value.map(({ words, heldL }) => `${litres(heldL)} when the ${words}`).join(', ') +
    '.',
)
</script>

<template>
  <svg class="vessels" viewBox="0 0 330 172" role="img" :aria-label="spoken">
    <g v-for="(stand, at) in stands" :key="stand.words" :transform="`translate(${at * 170 + 4} 4)`">
      <clipPath :id="`vessel-${at}`"><rect :width="WIDE" :height="TALL" rx="26" /></clipPath>
      <g :clip-path="`url(#vessel-${at})`">
        <rect :width="WIDE" :height="TALL" class="gas" />
        <rect :y="level(stand.heldL)" :width="WIDE" :height="TALL - level(stand.heldL)" class="water" />
        <rect v-if="at === 1" :y="level(stand.heldL)" :width="WIDE" :height="low - level(stand.heldL)" class="drawn" />
      </g>
      <rect :width="WIDE" :height="TALL" rx="26" class="wall" />
      <text :x="WIDE + 8" y="22">{{ show(stand.kPa, 'pressure') }}</text>
      <text :x="WIDE + 8" :y="TALL - 8">{{ litres(stand.heldL) }}</text>
      <text :x="WIDE / 2" :y="TALL + 20" text-anchor="middle" class="under">{{ stand.words }}</text>
    </g>
  </svg>
</template>

<style scoped>
.vessels {
  width: 330px;
  max-width: 100%;
  height: auto;
}
.gas {
  fill: var(--hair);
}
.water {
  fill: var(--water);
}
.drawn {
  fill: var(--water-deep);
  opacity: 0.75;
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
text {
  font:
    600 13px 'Atkinson Hyperlegible Next Variable',
    sans-serif;
  fill: var(--ink);
}
.under {
  font-weight: 400;
  fill: var(--soft);
}
</style>
