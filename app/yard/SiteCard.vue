<script setup lang="ts">
import TodayAtGlance from './TodayAtGlance.vue'
import SmallSection from '~/section/SmallSection.vue'
import { formatDistanceToNow } from 'date-fns'
import { showQuantity, showVolume } from '#core/units'
import { roofAreaM2 } from '#core/site'
import { poolsOf } from '#core/balance'
import type { YardEntry } from '~/stores/yard'

/** A site at a glance: its section in small, its roof and its tanks. */
const props = defineProps<{ entry: YardEntry }>()
defineEmits<{ remove: [] }>()
const site = computed(() => props.entry.site)
const system = computed(() => site.value.standards.units)
const area = computed(
  () =>
    showQuantity(
      site.value.roofs.reduce((sum, roof) => sum + roofAreaM2(roof), 0),
      'area',
      system.value,
    ).text,
)
const held = computed(
  () =>
    showVolume(
      poolsOf(site.value).reduce((sum, pool) => sum + pool.capL, 0),
      system.value,
    ).text,
)
</script>

<template>
  <li class="card">
    <NuxtLink :to="`/site/${entry.id}/store`">
      <SmallSection :site="site" class="small-section" />
      <h3>{{ entry.name }}</h3>
    </NuxtLink>
    <p v-if="site.note" class="small soft">{{ site.note }}</p>
    <p class="small">
      <span class="figure">{{ area }}</span> of roof · <span class="figure">{{ held }}</span> of tanks
    </p>
    <TodayAtGlance :entry="entry" />
    <p class="small soft foot">
      <span
        >{{ entry.demo ? 'demo · ' : '' }}changed {{ formatDistanceToNow(entry.changedAt, { addSuffix: true }) }}</span
      >
      <button type="button" class="plain small" :aria-label="`Take out ${entry.name}`" @click="$emit('remove')">
        Take out
      </button>
    </p>
  </li>
</template>

<style scoped>
.card {
  border: 1px solid var(--hair);
  background: var(--sheet);
  border-radius: 3px;
  padding: 0 14px 8px;
  display: flex;
  flex-direction: column;
  overflow: hidden;
}
.card:hover {
  border-color: var(--oak);
}
a {
  color: var(--ink);
  text-decoration: none;
  display: block;
  margin: 0 -14px;
}
.small-section {
  display: block;
  width: 100%;
  height: 124px;
  border-bottom: 1px solid var(--hair);
}
h3 {
  font-size: 18px;
  padding: 10px 14px 2px;
}
p {
  margin: 0 0 4px;
}
.foot {
  margin-top: auto;
  display: flex;
  justify-content: space-between;
}
</style>
