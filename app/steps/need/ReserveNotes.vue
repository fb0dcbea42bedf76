<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { tanksOf } from '#core/site'
import { moveOf } from '#core/moves'

/** Water kept back for fire, below every draw-off. */
const store = useSite()
const { litres } = useUnits()
const tanks = computed(() => tanksOf(store.site!))
const kept = computed(() => tanks.value.filter(tank => (tank.reserveL ?? 0) > 0))
const chosen = ref('')
const target = computed(() => tanks.value.find(tank => tank.id === chosen.value)?.id ?? tanks.value[0]?.id)
const keep = (tank: string) => (reserve: number) => store.make(moveOf('keepReserve', { tank, litres: reserve }))
</script>

<template>
  <section v-if="tanks.length" class="reserve">
    <h2>Kept back for fire</h2>
    <p v-for="tank in kept" :key="tank.id">
      <QuantityField label="Fire reserve" kind="volume" :value="tank.reserveL" :set="keep(tank.id)" /> of
      {{ tank.name }} stay below every draw-off; a hydrant at its foot can reach them.
      <button type="button" class="plain small" @click="keep(tank.id)(0)">Keep nothing back</button>
    </p>
    <p v-if="!kept.length">
      Nothing is kept back.
      <button type="button" class="move" @click="keep(target!)(1000)">Keep {{ litres(1000) }}</button> of
      <ChoiceField
        label="Tank that keeps a reserve"
        :value="target!"
        :choices="tanks.map(tank => ({ value: tank.id, name: tank.name }))"
        :set="id => (chosen = id)"
      />
    </p>
    <p class="small soft">How much a fire needs, and which coupling the hydrant wants, the local fire service says.</p>
  </section>
</template>
