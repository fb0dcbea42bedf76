<script setup lang="ts">
import { useMode } from './useMode'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'

/** The way of running it in which everything here is told. */
const store = useSite()
const { mode, pickMode } = useMode()
const AS_IT_STANDS = 'now'
const choices = computed(() => [
  { value: AS_IT_STANDS, name: 'as its valves stand' },
  ...store.site!.modes.map(({ id, name }) => ({ value: id, name: `in “${name}”` })),
])
</script>

<template>
  <p v-if="store.site!.modes.length" class="mode">
    Told
    <ChoiceField
      label="Way of running it"
      :value="mode?.id ?? AS_IT_STANDS"
      :choices="choices"
      :set="id => pickMode(id === AS_IT_STANDS ? undefined : id)"
    />, with all taps open and tanks low.
  </p>
  <p v-else class="mode soft small">Told as its valves stand, with all taps open and tanks low.</p>
</template>

<style scoped>
.mode {
  margin: 0 0 8px;
}
</style>
