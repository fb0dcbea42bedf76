<script setup lang="ts">
import BinderNotes from './BinderNotes.vue'
import DevicesNotes from './devices/DevicesNotes.vue'
import ChoresNotes from './ChoresNotes.vue'
import DroughtNotes from './DroughtNotes.vue'
import LifeNotes from './LifeNotes.vue'
import LogNotes from './LogNotes.vue'
import SignsNotes from './SignsNotes.vue'
import TodayNotes from './TodayNotes.vue'
import { useIntervalFn } from '@vueuse/core'
import { useDevices } from './devices/devices'
import { provideKeep } from './useKeep'
import { showInSection } from '~/section/shown'
import { useSite } from '~/stores/site'
import { poolsOf } from '#core/balance'
import { tanksOf } from '#core/site'
import type { Component } from 'vue'
import type { Subject } from '~/steps/step'

/** The system as it is lived with: what it holds today, what was written down, what is due, and what it has taught. */
defineProps<{ subject: Subject | undefined }>()
const { today } = provideKeep()
const store = useSite()
// Devices are asked while this step is open.
const devices = useDevices()
const MINUTE_MS = 60_000
useIntervalFn(() => void devices.askDue(), MINUTE_MS, { immediateCallback: true })
// The Section shows what is in the tanks today, each by its own floor.
showInSection(() => {
  if (!today.value) return {}
  const floors = new Map(tanksOf(store.site!).map(({ id, baseM }) => [id, baseM]))
  const levels = poolsOf(store.site!).flatMap(({ id, tanks }) => {
    const held = today.value!.held.find(each => each.id === id)
    const topM = (floors.get(tanks[0]!.id) ?? 0) + (held?.levelM.mean ?? 0)
    return held ? tanks.map(tank => [tank.id, Math.max(0, topM - tank.baseM)] as const) : []
  })
  return { levels: Object.fromEntries(levels) }
})
const NOTES: Record<string, Component> = {
  today: TodayNotes,
  log: LogNotes,
  devices: DevicesNotes,
  chores: ChoresNotes,
  life: LifeNotes,
  drought: DroughtNotes,
  signs: SignsNotes,
  binder: BinderNotes,
}
</script>

<template>
  <div class="keep">
    <component :is="NOTES[subject.id]" v-if="subject && NOTES[subject.id]" />
    <p v-else class="soft">Nothing to keep yet. Add a roof at Catch and a tank at Store.</p>
  </div>
</template>

<style scoped>
.keep :deep(.wrong:not(.quantity)) {
  color: var(--rust);
}
.keep :deep(table) {
  border-collapse: collapse;
  font-size: 14px;
}
.keep :deep(td),
.keep :deep(th) {
  padding: 3px 12px 3px 0;
  text-align: left;
  vertical-align: baseline;
  border-bottom: 1px dotted var(--hair);
  font-weight: inherit;
}
.keep :deep(.wide) {
  overflow-x: auto;
}
</style>
