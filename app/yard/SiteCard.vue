<script setup lang="ts">
import TodayAtGlance from './TodayAtGlance.vue'
import SmallSection from '~/section/SmallSection.vue'
import { sum } from 'd3-array'
import { formatDistanceToNow } from 'date-fns'
import { showQuantity, showVolume } from '#core/units'
import { roofAreaM2, type Site } from '#core/site'
import { poolsOf } from '#core/balance'
import type { StoredHead } from '~/db/shelf'
import { useYard } from '~/stores/yard'

/** A site at a glance: its section in small, its roof and its tanks. */
const props = defineProps<{ entry: StoredHead }>()
defineEmits<{ remove: [] }>()
const yard = useYard()
const site = shallowRef<Site>()
watch(
  () => props.entry.revision,
  async () => (site.value = (await yard.documentOf(props.entry.id)) ?? site.value),
  { immediate: true },
)
const areaOf = ({ roofs, standards }: Site) => showQuantity(sum(roofs, roofAreaM2), 'area', standards.units).text
const heldIn = (of: Site) =>
  showVolume(
    sum(poolsOf(of), ({ capL }) => capL),
    of.standards.units,
  ).text
</script>

<template>
  <li class="card">
    <NuxtLink :to="`/site/${entry.id}/store`">
      <div class="small-section"><SmallSection v-if="site" :site="site" /></div>
      <h3>{{ entry.name }}</h3>
    </NuxtLink>
    <template v-if="site">
      <p v-if="site.note" class="small soft">{{ site.note }}</p>
      <p class="small">
        <span class="figure">{{ areaOf(site) }}</span> of roof · <span class="figure">{{ heldIn(site) }}</span> of tanks
      </p>
      <TodayAtGlance :entry="entry" :system="site.standards.units" />
    </template>
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
  height: 124px;
  border-bottom: 1px solid var(--hair);
}
.small-section > svg {
  display: block;
  width: 100%;
  height: 100%;
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
