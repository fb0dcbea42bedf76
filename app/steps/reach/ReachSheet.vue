<script setup lang="ts">
import BreakNotes from './BreakNotes.vue'
import LineNotes from './LineNotes.vue'
import ModesNotes from './ModesNotes.vue'
import WallCard from './WallCard.vue'
import WrongWays from './WrongWays.vue'
import { runSubjectId } from './describe'
import { momentAsRun } from './useMode'
import LongList from '~/fields/LongList.vue'
import WorkingOut from '~/fields/WorkingOut.vue'
import { useSite } from '~/stores/site'
import { tanksOf } from '#core/site'
import type { Subject } from '~/steps/step'

/** Every line part by part, the ways of running the site, and where water can go wrong. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const idOf = ({ id }: { id: string }) => id
const run = computed(() => store.site!.runs.find(each => runSubjectId(each) === props.subject?.id))
</script>

<template>
  <div class="reach">
    <WorkingOut v-if="store.site!.runs.length && !momentAsRun(store.site!)" what="what flows" />
    <LineNotes v-else-if="run" :key="run.id" :run="run" />
    <WrongWays v-else-if="subject?.id === 'wrong'" />
    <section v-else-if="subject?.id === 'tears'" data-notes="tears">
      <h2>If a tank tears</h2>
      <LongList v-slot="{ item: tank }" :items="tanksOf(store.site!)" :key-of="idOf" :few="6">
        <h3>{{ tank.name }}</h3>
        <BreakNotes :of="tank.id" />
      </LongList>
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
