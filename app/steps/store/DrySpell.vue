<script setup lang="ts">
import { counted } from '#core/words'
import QuantityField from '~/fields/QuantityField.vue'
import { spellsIn } from '~/engine/plans'
import { useSite } from '~/stores/site'
import { dayNumber, isoDate } from '#core/climate'
import { tanksOf } from '#core/site'
import type { Spell } from '#core/balance'
import { format } from 'date-fns'

/** If it stops raining today: how long what stands in the tanks lasts, by the rules as they are. */
const store = useSite()
const heldShare = ref(0.7)
const from = ref(format(new Date(), 'yyyy-MM-dd'))
const startDay = computed(() => dayNumber(from.value))
const SHARES = [1, 0.75, 0.5, 0.25]
const spells = computed(() => spellsIn(store.site!, startDay.value, [heldShare.value, ...SHARES]))
const now = computed(() => spells.value?.[0])
const rows = computed(() => SHARES.map((share, at) => ({ share, spell: spells.value?.[at + 1] })))
const lasts = (spell: Spell | undefined) =>
  !spell ? '…' : spell.days === undefined ? 'over 2 years' : counted(spell.days, 'day')
const dateAfter = (days: number) => {
  const [year, month, day] = isoDate(startDay.value + days)
    .split('-')
    .map(Number)
  return format(new Date(year!, month! - 1, day!), 'd MMMM yyyy')
}
const inFrom = (text: string) => {
  if (/^\d{4}-\d{2}-\d{2}$/.test(text)) from.value = text
}
const setHeld = (share: number) =>
  share < 0 || share > 1
    ? 'That is more than the tanks hold; give a share from 0 to 100 %.'
    : void (heldShare.value = share)
</script>

<template>
  <section v-if="store.site!.uses.length && tanksOf(store.site!).length" class="spell">
    <h2>If it stops raining today</h2>
    <p>
      With the tanks at
      <QuantityField label="How full the tanks stand" kind="share" :value="heldShare" :set="setHeld" /> on
      <input
        type="date"
        class="day"
        aria-label="From which day"
        :value="from"
        @change="inFrom(($event.target as HTMLInputElement).value)"
      />,
      <template v-if="!now">…</template>
      <template v-else-if="now.days === undefined">nothing goes short for two years.</template>
      <template v-else-if="now.days === 0"
        ><b class="wrong">{{ now.first }} is short on the first day.</b></template
      >
      <template v-else
        >everything is served for <b class="figure">{{ counted(now.days, 'day') }}</b>; then <b>{{ now.first }}</b> goes
        short, on {{ dateAfter(now.days) }}.</template
      >
      <template v-if="now?.rationedAfter !== undefined">
        Rationing begins after {{ counted(now.rationedAfter, 'day') }}.</template
      >
      <span class="soft small"> Wells, mains and carts go on by their rules.</span>
    </p>
    <table class="compare">
      <thead>
        <tr>
          <th scope="col">Full to</th>
          <th v-for="row in rows" :key="row.share" scope="col">{{ Math.round(row.share * 100) }} %</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <th scope="row">lasts</th>
          <td v-for="row in rows" :key="row.share">{{ lasts(row.spell) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.spell {
  line-height: 1.85;
}
.wrong {
  color: var(--rust);
}
.day {
  font: inherit;
  color: var(--ink);
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  border-radius: 2px 2px 0 0;
  padding: 0 4px;
}
</style>
