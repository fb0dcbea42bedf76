<script setup lang="ts">
import AddUse from './AddUse.vue'
import NeedPicture from './NeedPicture.vue'
import ReserveNotes from './ReserveNotes.vue'
import UseNotes from './UseNotes.vue'
import type { Subject } from '~/steps/step'
import { useSite } from '~/stores/site'

/** What the water is for: one use at a time, what all ask together, and what is kept back. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const use = computed(() => store.site!.uses.find(each => each.id === props.subject?.id))
</script>

<template>
  <UseNotes v-if="use" :key="use.id" :use="use" />
  <div v-else-if="subject?.id === 'picture'">
    <h2>Asked against given, by month</h2>
    <NeedPicture />
    <p class="small soft">
      The amounts are starting points from the catalog; habits differ, and a month with a meter beats them. How many
      taps run at once decides the pump, not this total.
    </p>
  </div>
  <ReserveNotes v-else-if="subject?.id === 'fire'" />
  <AddUse v-else />
</template>
