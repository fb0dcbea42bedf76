<script setup lang="ts">
import { counted } from '#core/words'
import { choicesOf } from '~/fields/choices'
import ChoiceField from '~/fields/ChoiceField.vue'
import MonthsField from '~/fields/MonthsField.vue'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { MONTH_NAMES } from '#core/units'
import { frostMonths } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'
import { BYPASS_IDS, BYPASSES } from '#core/catalog'

/**
 * Water sent to ground in winter, or once the tank is full: by what, in which months, what it costs and what it
 * saves.
 */
const props = defineProps<{ spout: NodeOf<'spout'> }>()
const store = useSite()
const results = useResults()
const { litres } = useUnits()
const months = computed(() => props.spout.bypassMonths ?? [])
const used = computed(() => months.value.length > 0 || props.spout.bypassWhenFull)
const costL = computed(
  () =>
    results.roofYear?.catches
      .filter(entry => entry.spoutId === props.spout.id)
      .reduce((sum, entry) => sum + entry.bypassedL, 0) ?? 0,
)
const frost = computed(() => frostMonths(store.site!))
const saved = computed(() => frost.value.filter(month => months.value.includes(month)))
const kinds = choicesOf(BYPASS_IDS, BYPASSES)
const FULL = [
  { value: false, name: 'over the tank’s overflow' },
  { value: true, name: 'to ground at the spout' },
]
const set = (change: { months?: number[]; by?: 'flap' | 'gate'; whenFull?: boolean }) =>
  store.make(moveOf('setBypass', { spout: props.spout.id, ...change }))
</script>

<template>
  <p class="small">
    By-pass to ground in
    <MonthsField
      :value="months"
      :label="`By-pass months of ${spout.name}`"
      :set="value => set({ months: value })"
    /><template v-if="used">
      by
      <ChoiceField
        label="By-pass by"
        :value="spout.bypassBy ?? 'flap'"
        :choices="kinds"
        :set="by => set({ by })" /></template
    >; what a full tank cannot take goes
    <ChoiceField
      label="When the tank is full"
      :value="spout.bypassWhenFull ?? false"
      :choices="FULL"
      :set="whenFull => set({ whenFull })"
    />.
    <template v-if="months.length"
      >That costs <b class="figure">{{ litres(costL) }}</b> in a mean year<template v-if="saved.length">
        and keeps water out of line and chamber in
        {{ saved.length === 1 ? MONTH_NAMES[saved[0]! - 1] : counted(saved.length, 'month') }} of frost</template
      >.</template
    >
    <template v-else-if="frost.length">
      It freezes here in {{ frost.length }} months; nothing keeps water out of the line then.</template
    >
  </p>
</template>
