<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { OUTLET_WASTE_MOST } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'
import { EMPTIES_SLOWLY_HOURS } from '#core/catalog'
import type { FlushTrade } from '#core/balance'

/** Outlets of a chamber against each other: hours to empty, litres wasted in the rain, dirt kept out. */
const props = defineProps<{ trade: FlushTrade; chamber: NodeOf<'chamber'> }>()
const store = useSite()
const { show, litres } = useUnits()
const rows = computed(() =>
  props.trade.byOutlet.map(entry => ({
    ...entry,
    on: Math.abs(entry.orificeMm - (props.chamber.orificeMm ?? 0)) < 0.05,
    slow: entry.hours > EMPTIES_SLOWLY_HOURS,
    wasteful: entry.outletL > OUTLET_WASTE_MOST * props.trade.arrivesL,
  })),
)
</script>

<template>
  <table class="compare">
    <caption class="small soft">
      Outlets, in a mean year
    </caption>
    <thead>
      <tr>
        <th scope="col">Bore</th>
        <th scope="col">Empties in</th>
        <th scope="col">Wasted in rain</th>
        <th scope="col">Dirt kept out</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in rows" :key="row.orificeMm" :class="{ on: row.on }">
        <td>
          <button
            type="button"
            class="plain"
            :aria-pressed="row.on"
            @click="store.make(moveOf('fitChamberOutlet', { chamber: chamber.id, orificeMm: row.orificeMm }))"
          >
            {{ show(row.orificeMm, 'bore') }}
          </button>
        </td>
        <td :class="{ look: row.slow }">{{ show(row.hours, 'duration') }}{{ row.slow ? ', over a day' : '' }}</td>
        <td :class="{ look: row.wasteful }">
          {{ litres(row.outletL) }}{{ row.wasteful ? `, over ${show(OUTLET_WASTE_MOST, 'share')}` : '' }}
        </td>
        <td>{{ show(row.keptShare, 'share') }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.look {
  color: var(--straw-ink);
}
</style>
