<script setup lang="ts">
import BreakNotes from './BreakNotes.vue'
import LineNotes from './LineNotes.vue'
import ModesNotes from './ModesNotes.vue'
import WallCard from './WallCard.vue'
import WrongWays from './WrongWays.vue'
import { runSubject } from './told'
import { momentAsRun } from './useMode'
import { useSite } from '~/stores/site'
import { tanksOf } from '#core/site'
import type { Subject } from '~/steps/step'

/** Every line part by part, the ways of running the site, and where water can go wrong. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const run = computed(() => store.site!.runs.find(each => runSubject(each) === props.subject?.id))
</script>

<template>
  <div class="reach">
    <p v-if="store.site!.runs.length && !momentAsRun(store.site!)" class="soft">Working out what flows…</p>
    <LineNotes v-else-if="run" :key="run.id" :run="run" />
    <WrongWays v-else-if="subject?.id === 'wrong'" />
    <section v-else-if="subject?.id === 'tears'" data-notes="tears">
      <h2>If a tank tears</h2>
      <template v-for="tank in tanksOf(store.site!)" :key="tank.id">
        <h3>{{ tank.name }}</h3>
        <BreakNotes :of="tank.id" />
      </template>
    </section>
    <ModesNotes v-else-if="subject?.id === 'modes'" />
    <WallCard v-else-if="subject?.id === 'card'" />
    <p v-else class="soft">No line yet. Lead a roof to a tank at Catch, or a tap from one at Need.</p>
  </div>
</template>

<style scoped>
.reach :deep(p) {
  line-height: 1.85;
}
.reach :deep(.wrong:not(.quantity)) {
  color: var(--rust);
}
</style>
