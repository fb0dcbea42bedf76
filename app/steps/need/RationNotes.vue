<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useSite } from '~/stores/site'
import type { Use } from '#core/site'
import { moveOf } from '#core/moves'

/** What a use gives up, step by step, as its tanks fall. */
const props = defineProps<{ use: Use }>()
const store = useSite()
const steps = computed(() => props.use.rations ?? [])
const ration = (next: { belowShare: number; share: number }[]) =>
  store.make(moveOf('ration', { use: props.use.id, steps: next }))
const put = (at: number, field: 'belowShare' | 'share') => (value: number) =>
  ration(steps.value.map((step, index) => (index === at ? { ...step, [field]: value } : step)))
/** Below a third every other day, below a fifth nothing; who drinks is cut last and least. */
const usual = computed(() =>
  props.use.quality === 'drinking' || props.use.quality === 'animals'
    ? [{ belowShare: 0.1, share: 0.8 }]
    : [
        { belowShare: 0.33, share: 0.5 },
        { belowShare: 0.2, share: 0 },
      ],
)
const words = (share: number) =>
  share === 0 ? 'nothing' : Math.abs(share - 0.5) < 0.01 ? 'half, or every other day' : 'of its day'
</script>

<template>
  <span v-if="!steps.length"
    ><button type="button" class="plain small" @click="ration(usual)">Ration {{ use.name }} when water is short</button>
    ·</span
  >
  <span v-else class="rations">
    <span v-for="(step, at) in steps" :key="at"
      >{{ at ? '; below' : 'Below' }}
      <QuantityField
        :label="`Rationed below, step ${at + 1}`"
        kind="share"
        :value="step.belowShare"
        :set="put(at, 'belowShare')"
      />
      of what its tanks hold it takes
      <QuantityField :label="`Share taken, step ${at + 1}`" kind="share" :value="step.share" :set="put(at, 'share')" />
      ({{ words(step.share) }})</span
    >.
    <button type="button" class="plain small" @click="ration([...steps, { belowShare: 0.1, share: 0 }])">
      One more step
    </button>
    · <button type="button" class="plain small" @click="ration([])">No rationing</button> ·
  </span>
</template>
