<script setup lang="ts">
import BreakNotes from './BreakNotes.vue'
import CommissionCard from './CommissionCard.vue'
import DoNotes from './DoNotes.vue'
import EventBook from './EventBook.vue'
import PlantClock from './PlantClock.vue'
import PlantStrips from './PlantStrips.vue'
import PlayNotes from './PlayNotes.vue'
import FindFault from './FindFault.vue'
import MineNotes from './MineNotes.vue'
import PinNotes from './PinNotes.vue'
import { usePins } from './usePins'
import { useTry } from './useTry'
import { showInSection } from '~/section/shown'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import type { Subject } from '~/steps/step'
import { graphOf } from '#core/site'

/** The site brought to life: what is done to it, how it stands, and the book of what happened. */
defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const { view, ready, act, pause, failure } = useTry()
const { words: pins, pinning, pinAt } = usePins()
const { nodeId, runId, partId, pickNode, pickRun } = useSelection()

onMounted(ready)
watch(() => store.revision, ready)
onBeforeUnmount(() => {
  pause()
  pinning.value = false
})

showInSection(() => {
  const now = view.value
  if (!now) return {}
  const { runs: flows, levels, valves, pumps, open, chambers, floatsShut } = now
  return { flows, levels, valves, pumps, open, chambers, floatsShut, pins: pins.value, alive: true }
})
// What is touched in the Section acts: a tap opens and shuts, a valve turns.
watch(nodeId, id => {
  if (id !== undefined && pinAt(id)) return pickNode(undefined)
  if (id === undefined || !view.value || graphOf(store.site!).node(id)?.kind !== 'tap') return
  void act({ tap: id, to: view.value.open[id] ? 0 : 1 })
  pickNode(undefined)
})
watch(runId, id => {
  if (id !== undefined && pinAt(id)) pickRun(undefined)
})
watch(partId, id => {
  const part = store.site!.runs.flatMap(run => run.parts).find(each => each.id === id)
  if (part?.kind !== 'valve' || !view.value) return
  void act({ valve: part.id, to: !(view.value.valves[part.id] ?? part.open) })
  pickRun(undefined)
})
</script>

<template>
  <div class="try">
    <PlantClock v-if="['live', 'play', 'break'].includes(subject?.id ?? '')" />
    <p v-if="failure" role="alert" class="wrong small">{{ failure }}</p>
    <div v-if="view && subject?.id === 'live'" class="live">
      <div>
        <DoNotes />
        <PinNotes />
      </div>
      <PlantStrips />
      <EventBook />
    </div>
    <PlayNotes v-else-if="subject?.id === 'play'" />
    <BreakNotes v-else-if="subject?.id === 'break'" />
    <FindFault v-else-if="subject?.id === 'find'" />
    <MineNotes v-else-if="subject?.id === 'mine'" />
    <CommissionCard v-else-if="subject?.id === 'card'" />
    <p v-if="!subject" class="soft">Nothing to play yet. Lead a roof to a tank at Catch, or a tap from one at Need.</p>
  </div>
</template>

<style scoped>
.try :deep(.wrong:not(.quantity)) {
  color: var(--rust);
}
.live {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr) minmax(180px, 230px);
  gap: 16px;
}
@media (max-width: 980px) {
  .live {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
