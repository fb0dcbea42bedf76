<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { designStorm } from '#core/site'
import { passesMmPerH, roofLines } from '#core/network'
import { moveOf } from '#core/moves'
import type { NodeOf, PartOf } from '#core/kinds'

/** A screen head at the spout or at a height of its own, where a hand reaches it, and the height that this costs. */
const props = defineProps<{ spout: NodeOf<'spout'>; head: PartOf<'screen'> }>()
const store = useSite()
const { show } = useUnits()
/** Where it is cleaned from the ground; and what needs a ladder. */
const [REACH_M, LADDER_M] = [1.5, 2]
const hang = (atM?: number) => store.make(moveOf('hangScreen', { spout: props.spout.id, atM }))
const line = computed(() => roofLines(store.site!).find(entry => entry.spout.id === props.spout.id))
const storm = computed(() => designStorm(store.site!))
const atM = computed(() => line.value?.topM ?? props.head.hangsAtM ?? props.spout.baseM)
const upM = computed(() => atM.value - props.spout.groundM)
const costM = computed(() => props.spout.baseM - atM.value)
/** What the same line would pass with its head at the spout. */
const otherwise = computed(() =>
  line.value ? passesMmPerH({ ...line.value, head: undefined, topM: props.spout.baseM }) : Infinity,
)
const withinReachM = computed(() => props.spout.groundM + REACH_M)
/** What the line would pass with its head within reach; nothing where that lies below what comes after it. */
const reachMmPerH = computed(() => {
  if (!line.value) return 0
  const topM = withinReachM.value
  if (topM <= Math.max(line.value.inletM, line.value.high.heightM)) return 0
  return passesMmPerH({ ...line.value, topM, head: { ...props.head, hangsAtM: topM } })
})
</script>

<template>
  <p class="hung">
    <template v-if="head.hangsAtM === undefined">
      Its screen head sits at the gutter’s outlet, {{ show(upM, 'length')
      }}{{ upM > LADDER_M ? ' up: a ladder each time it is cleaned' : ' up' }}.
      <template v-if="withinReachM >= spout.baseM" />
      <template v-else-if="reachMmPerH > 0"
        ><button type="button" class="plain" @click="hang(withinReachM)">
          Hang it at {{ show(withinReachM, 'length') }}, within reach</button
        >: the line would pass {{ show(reachMmPerH, 'intensity') }} instead of {{ show(otherwise, 'intensity') }}.
      </template>
      <span v-else class="soft"
        >Within reach, at {{ show(withinReachM, 'length') }}, it would hang below what comes after it, and nothing would
        run.</span
      >
    </template>
    <template v-else>
      Its screen head hangs at
      <QuantityField label="Height of the screen head" kind="length" :value="head.hangsAtM" :set="hang" />,
      {{ show(upM, 'length') }} above the ground{{ upM > LADDER_M ? ', out of reach without a ladder' : '' }}. It is
      open to the air, so the {{ show(costM, 'length') }} above it no longer push the water on<template v-if="line"
        >: from there to the inlet are {{ show(Math.max(0, line.topM - line.inletM), 'length') }}, and the line passes
        <b :class="{ wrong: storm && line.passesMmPerH < storm.intensityMmPerH }">{{
          show(line.passesMmPerH, 'intensity')
        }}</b>
        instead of {{ show(otherwise, 'intensity') }}</template
      >.
      <button type="button" class="plain" @click="hang()">Hang it at the spout</button>
    </template>
  </p>
</template>

<style scoped>
.hung {
  line-height: 1.85;
}
.wrong {
  color: var(--rust);
}
</style>
