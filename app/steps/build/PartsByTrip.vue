<script setup lang="ts">
import ToBuyRow from './ToBuyRow.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { counted } from '#core/words'
import { totalOf, TRIPS, type ToBuy, type TripId } from '#core/build'

/** The list trip by trip, the hard ones first: ticked in the aisle, with own prices and what is there already. */
defineProps<{ trips: { trip: TripId; items: ToBuy[] }[] }>()
const store = useSite()
const { money } = useUnits()
const bought = computed(() => new Set(store.site!.build?.bought))
const idOf = ({ id }: ToBuy) => id
</script>

<template>
  <div>
    <FoldGroup
      v-for="({ trip, items }, at) in trips"
      :id="`build-trip-${trip}`"
      :key="trip"
      :title="TRIPS[trip]"
      :summary="`${counted(items.length, 'thing')}, ${money(totalOf(items))}`"
      :open="at === 0"
    >
      <ul>
        <LongList v-slot="{ item }" :items="items" :key-of="idOf">
          <ToBuyRow :item="item" :bought="bought.has(item.id)" />
        </LongList>
      </ul>
    </FoldGroup>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
  columns: 2 270px;
  column-gap: 24px;
}
</style>
