<script setup lang="ts">
import LinesTable from './LinesTable.vue'
import PumpNotes from './PumpNotes.vue'
import TapNotes from './TapNotes.vue'
import TogetherNotes from './TogetherNotes.vue'
import type { Subject } from '~/steps/step'
import { useSite } from '~/stores/site'
import { graphOf } from '#core/site'
import { pumpsOf } from '#core/network'

/** How the water comes to the taps: what each gives, what all give at once, and every line in numbers. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const tap = computed(() => {
  const node = props.subject && graphOf(store.site!).node(props.subject.id)
  return node?.kind === 'tap' ? node : undefined
})
const pump = computed(() => pumpsOf(store.site!).find(({ pump }) => pump.id === props.subject?.id))
</script>

<template>
  <TapNotes v-if="tap" :key="tap.id" :tap="tap" />
  <PumpNotes v-else-if="pump" :key="pump.pump.id" v-bind="pump" />
  <LinesTable v-else-if="subject?.id === 'lines'" />
  <TogetherNotes v-else-if="subject" />
  <p v-else class="soft">No tap yet. Add a use at Need, and what its tap gives stands here.</p>
</template>
