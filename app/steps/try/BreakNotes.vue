<script setup lang="ts">
import { breakPlaceName } from './book'
import { useTry } from './useTry'
import ChoiceField from '~/fields/ChoiceField.vue'
import LongList from '~/fields/LongList.vue'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { FAULT_IDS, FAULTS, type FaultId, type FaultRow } from '#core/plant'

/** Anything that can break, where it can, and what somebody would notice. */
const store = useSite()
const { act, begin } = useTry()
const { pickTopic } = useSelection()
const rows = computed(() =>
  FAULT_IDS.flatMap(id => {
    const row: FaultRow = FAULTS[id]
    const places = row.places(store.site!)
    return places.length ? [{ id, ...row, at: places }] : []
  }),
)
const faultOf = ({ id }: { id: FaultId }) => id
const where = reactive<Partial<Record<FaultId, string>>>({})
async function breakIt(id: FaultId, places: string[], to: number): Promise<void> {
  await act({ fault: id, at: where[id] ?? places[0]!, to })
  pickTopic('live')
}
</script>

<template>
  <section data-notes="break">
    <h2>Break something</h2>
    <p class="soft small">
      It breaks in the plant that is played, not in the plan.
      <button type="button" class="plain small" @click="begin()">All whole again</button>
    </p>
    <dl>
      <LongList v-slot="{ item: { id, name, noticed, at, usual } }" :items="rows" :key-of="faultOf" :few="3">
        <dt>
          <button type="button" class="plain" :data-break="id" @click="breakIt(id, at, usual)">▸ {{ name }}</button>
        </dt>
        <dd>
          <ChoiceField
            v-if="at.length > 1"
            :label="`Where: ${name}`"
            :value="where[id] ?? at[0]!"
            :choices="at.map(value => ({ value, name: breakPlaceName(store.site!, value) }))"
            :set="value => void (where[id] = value)"
          />
          <template v-else>{{ breakPlaceName(store.site!, at[0]!) }}</template>
          <span class="soft small"> · {{ noticed }}</span>
        </dd>
      </LongList>
    </dl>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(180px, auto) 1fr;
  gap: 6px 16px;
}
dt,
dd {
  margin: 0;
}
dt button {
  text-align: left;
}
</style>
