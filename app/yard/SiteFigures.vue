<script setup lang="ts">
import TodayAtGlance from './TodayAtGlance.vue'
import { sum } from 'd3-array'
import { showQuantity, showVolume } from '#core/units'
import { roofAreaM2, type Site } from '#core/site'
import { poolsOf } from '#core/balance'
import type { StoredHead } from '~/db/repository'

/** A site in a few words: its note, its roof, its tanks, and how it stands today. */
const props = defineProps<{ site: Site; entry: StoredHead }>()
const system = computed(() => props.site.standards.units)
const roof = computed(() => showQuantity(sum(props.site.roofs, roofAreaM2), 'area', system.value).text)
const held = computed(
  () =>
    showVolume(
      sum(poolsOf(props.site), ({ capL }) => capL),
      system.value,
    ).text,
)
</script>

<template>
  <p v-if="site.note" class="small soft">{{ site.note }}</p>
  <p class="small">
    <span class="figure">{{ roof }}</span> of roof · <span class="figure">{{ held }}</span> of tanks
  </p>
  <TodayAtGlance :entry="entry" :system="system" />
</template>

<style scoped>
p {
  margin: 0 0 4px;
}
</style>
