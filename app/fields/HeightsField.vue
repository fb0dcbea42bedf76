<script setup lang="ts">
import PairsField from './PairsField.vue'
import { useUnits } from './useUnits'
import { useSite } from '~/stores/site'
import type { Run } from '#core/site'
import { moveOf } from '#core/moves'

/** Where the heights of a line between its ends are typed: how far along it, and how high it stands there. */
const props = defineProps<{ run: Run }>()
const store = useSite()
const { show } = useUnits()
const COLUMNS = [
  { words: 'distance along it', kind: 'length' },
  { words: 'height', kind: 'length' },
] as const
const shape = (pairs: [number, number][]) =>
  store.make(moveOf('shapeRun', { run: props.run.id, places: pairs.map(([alongM, heightM]) => ({ alongM, heightM })) }))
</script>

<template>
  <PairsField
    label="Type heights along it"
    :columns="COLUMNS"
    :hint="`${show(5, 'length')}, ${show(0.4, 'length')}\n${show(12, 'length')}, ${show(1.1, 'length')}`"
    :set="shape"
  />
  <button v-if="run.profile" type="button" class="plain small" @click="shape([])">Take them away</button>
</template>
