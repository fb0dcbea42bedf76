<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { dripPlan } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'

/** A drip's zones, run by a timer one after the other. */
const props = defineProps<{ tap: NodeOf<'tap'> }>()
const store = useSite()
const { show, litres, span } = useUnits()
const beds = computed(() =>
  store.site!.uses.flatMap(use =>
    use.at === props.tap.id && use.amount.by === 'bed' ? [{ use, drip: use.amount.drip }] : [],
  ),
)
const timed = computed(() => beds.value.flatMap(({ use, drip }) => (drip ? [{ use, drip, plan: dripPlan(drip) }] : [])))
</script>

<template>
  <div class="drip" data-notes="drip">
    <p v-for="{ use, drip, plan } in timed" :key="use.id">
      {{ use.name }}: {{ drip.zones }} {{ drip.zones === 1 ? 'zone' : 'zones, one after the other' }} by a timer,
      {{ drip.minutesPerRun }} minutes each, {{ show(plan.zoneLph / 3600, 'flow') }} while one runs;
      {{ span(plan.hoursPerRun) }} on a day of watering, {{ litres(plan.litresPerDay) }} a day on the mean. Its timer is
      shut while nothing grows; filter, timer and pump each pass one zone.
    </p>
    <p v-for="{ use } in beds.filter(({ drip }) => !drip)" :key="use.id">
      {{ use.name }} is watered by hand or by the weather.
      <button type="button" class="plain small" @click="store.make(moveOf('fitDrip', { use: use.id }))">
        Drip it by a timer
      </button>
    </p>
  </div>
</template>
