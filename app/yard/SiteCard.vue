<script setup lang="ts">
import SiteFigures from './SiteFigures.vue'
import SmallSection from '~/section/SmallSection.vue'
import { formatDistanceToNow } from 'date-fns'
import type { Site } from '#core/site'
import type { StoredHead } from '~/db/repository'
import { useFiles } from '~/stores/useFiles'
import { useYard } from '~/stores/yard'

/** A site at a glance: its section in small, its roof and its tanks. */
const props = defineProps<{ entry: StoredHead }>()
defineEmits<{ remove: [] }>()
const yard = useYard()
const { exportAsItIs } = useFiles()
const site = shallowRef<Site>()
/** Why it cannot be shown: no site keeps the others from being so. */
const problems = ref<string[]>([])
watch(
  () => props.entry.revision,
  async () => {
    const looked = await yard.documentOf(props.entry.id)
    problems.value = looked.problems.map(({ sentence }) => sentence)
    site.value = problems.value.length ? undefined : (looked.site ?? site.value)
  },
  { immediate: true },
)
onErrorCaptured(error => {
  problems.value = [`It cannot be shown: ${error.message}.`]
  site.value = undefined
  return false
})
const saveAsItIs = async () => exportAsItIs(props.entry.name, await yard.wholeOf(props.entry.id))
</script>

<template>
  <li class="card">
    <NuxtLink :to="`/site/${entry.id}/store`">
      <div class="small-section"><SmallSection v-if="site" :site="site" /></div>
      <h3>{{ entry.name }}</h3>
    </NuxtLink>
    <SiteFigures v-if="site" :site="site" :entry="entry" />
    <div v-if="problems.length" class="wrong small" role="alert">
      <p v-for="sentence in problems" :key="sentence">{{ sentence }}</p>
      <button type="button" class="plain small" @click="saveAsItIs">Save it as a file</button>
    </div>
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
