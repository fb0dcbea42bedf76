<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useSite } from '~/stores/site'
import { MONTH_NAMES } from '#core/units'
import { NO_SHIFT, summerMonths, type ClimateShift } from '#core/site'
import { setField } from '#core/moves'

/** A drier year, or a climate that shifts, laid over the source without touching it. */
const store = useSite()
const shift = computed(() => store.site!.climate.shift ?? NO_SHIFT)
const put = (next: ClimateShift | undefined) => store.make(setField('site', '', 'climate.shift', next))
const set = (field: keyof ClimateShift) => (value: number) => put({ ...shift.value, [field]: value })
const summer = computed(() => {
  const months = summerMonths(store.site!.place.latitudeDeg)
  return `${MONTH_NAMES[months[0]!]} to ${MONTH_NAMES[months[2]!]}`
})
</script>

<template>
  <p class="shift">
    As if it rained
    <QuantityField
      label="Rain, as a share of the source’s"
      kind="share"
      :value="shift.rainShare"
      :set="set('rainShare')"
    />
    of that, {{ summer }}
    <QuantityField label="Summer rain, as a share" kind="share" :value="shift.summerShare" :set="set('summerShare')" />
    of it, on
    <QuantityField label="Fewer wet days" kind="share" :value="shift.fewerDaysShare" :set="set('fewerDaysShare')" />
    fewer days, each the heavier.
    <span class="moves">
      <button type="button" class="move" @click="put({ rainShare: 0.7, summerShare: 1, fewerDaysShare: 0 })">
        A dry year
      </button>
      <button type="button" class="move" @click="put({ rainShare: 1, summerShare: 0.7, fewerDaysShare: 0.2 })">
        Drier summers, harder rain
      </button>
      <button v-if="store.site!.climate.shift" type="button" class="move" @click="put(undefined)">
        As the source has it
      </button>
    </span>
  </p>
</template>

<style scoped>
.shift {
  line-height: 1.85;
  margin-bottom: 6px;
}
.moves {
  margin: 2px 0 0;
}
</style>
