<script setup lang="ts">
import FeedNotes from './FeedNotes.vue'
import FillingNotes from './FillingNotes.vue'
import LiftUpForm from './LiftUpForm.vue'
import LinesTable from './LinesTable.vue'
import PumpNotes from './PumpNotes.vue'
import TapNotes from './TapNotes.vue'
import TogetherNotes from './TogetherNotes.vue'
import WellNotes from './WellNotes.vue'
import { feedSubject } from './describe'
import { atOnce, momentTogether, useStand } from './useMoment'
import WorkingOut from '~/fields/WorkingOut.vue'
import { dutyIn, momentIn } from '~/engine/moments'
import type { Subject } from '~/steps/step'
import { useSite } from '~/stores/site'
import { feedsOf, fillingsOf, graphOf, runName } from '#core/site'
import { pumpsOf } from '#core/network'

/** How the water comes to the taps: what each gives, what all give at once, and every line in numbers. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const node = computed(() => props.subject && graphOf(store.site!).node(props.subject.id))
/** The tap in hand by itself, its tank full and nearly empty, and shut. */
const moments = computed(() => {
  if (node.value?.kind !== 'tap') return undefined
  const { id } = node.value
  const full = momentIn(store.site!, [id], 'full')
  const low = momentIn(store.site!, [id], 'low')
  const still = momentIn(store.site!, [], 'full')
  return full && low && still && { full, low, still }
})
/** Whether all is known that the notes in hand tell of. */
const known = computed(() => {
  const site = store.site!
  const inHand = (feed.value?.pump ?? filling.value?.pump ?? pump.value?.pump)?.id
  const stands = filling.value ? (['full', 'low'] as const) : [useStand().value]
  const duties = inHand === undefined ? [] : stands.map(at => dutyIn(site, inHand, atOnce(site), at))
  return [momentTogether(site), ...duties].every(answer => answer !== undefined)
})
const feed = computed(() => feedsOf(store.site!).find(({ trunk }) => feedSubject(trunk[0]!) === props.subject?.id))
const filling = computed(() => fillingsOf(store.site!).find(({ runs }) => feedSubject(runs[0]!) === props.subject?.id))
const pump = computed(() => pumpsOf(store.site!).find(({ pump }) => pump.id === props.subject?.id))
</script>

<template>
  <div class="lift">
    <WorkingOut v-if="!known || (node?.kind === 'tap' && !moments)" what="what flows" />
    <FeedNotes v-else-if="feed" :key="feed.trunk[0]!.id" :feed="feed" />
    <FillingNotes v-else-if="filling" :key="filling.runs[0]!.id" :filling="filling" />
    <TapNotes v-else-if="node?.kind === 'tap'" :key="`tap ${node.id}`" :tap="node" :moments="moments!" />
    <WellNotes v-else-if="node?.kind === 'well'" :key="`well ${node.id}`" :well="node" />
    <section v-else-if="pump" :key="pump.pump.id">
      <h2>{{ runName(store.site!, pump.run) }}</h2>
      <PumpNotes v-bind="pump" />
    </section>
    <LiftUpForm v-else-if="subject?.id === 'up'" />
    <LinesTable v-else-if="subject?.id === 'lines'" />
    <TogetherNotes v-else-if="subject" />
    <p v-else class="soft">No tap yet. Add a use at Need, and what its tap gives stands here.</p>
  </div>
</template>

<style scoped>
.lift :deep(p) {
  line-height: 1.85;
}
.lift :deep(.wrong:not(.quantity)) {
  color: var(--rust);
}
</style>
