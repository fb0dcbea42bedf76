<script setup lang="ts">
import BreakNotes from './BreakNotes.vue'
import LineEnds from './LineEnds.vue'
import LineStrip from './LineStrip.vue'
import ModeChoice from './ModeChoice.vue'
import PartNotes from './PartNotes.vue'
import ProfileStrip from './ProfileStrip.vue'
import { asRun, momentAsRun } from './useMode'
import { showInSection } from '~/section/shown'
import NameField from '~/fields/NameField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { portHeightM, runName, type Run } from '#core/site'
import { setField } from '#core/moves'
import { partsAlong, pipeLengthM } from '#core/network'

/** One line from end to end: its parts in the order in which water meets them, its heights, and what a break loses. */
const props = defineProps<{ run: Run }>()
const store = useSite()
const { show } = useUnits()
const { partId, runId } = useSelection()
const site = computed(() => asRun(store.site!))
/** All taps open shows the most that this line carries as it is run. */
const moment = computed(() => momentAsRun(store.site!)!)
const along = computed(() =>
  partsAlong(
    site.value,
    site.value.runs.find(({ id }) => id === props.run.id)!,
    moment.value,
  ),
)
const picked = computed(() => along.value.find(({ part }) => part.id === partId.value) ?? along.value[0])
const notes = useTemplateRef('notes')
const risesM = computed(() => portHeightM(store.site!, props.run.to) - portHeightM(store.site!, props.run.from))
const wayWords = computed(() => {
  const length = show(pipeLengthM(props.run), 'length')
  const by = show(Math.abs(risesM.value), 'length')
  return `${length}, ${Math.abs(risesM.value) < 0.005 ? 'level' : `${risesM.value > 0 ? 'rises' : 'falls'} ${by}`}`
})
// The line in hand is lit in the Section too.
watchEffect(() => {
  if (runId.value === undefined) runId.value = props.run.id
})
showInSection(() => ({
  flows: Object.fromEntries(Object.entries(moment.value.runs).map(([id, { flowLps }]) => [id, flowLps])),
}))
</script>

<template>
  <section :data-line="run.id">
    <h2>
      <NameField
        :value="runName(store.site!, run)"
        label="Name of the line"
        :set="(name: string) => store.make(setField('run', run.id, 'name', name))"
      />
      <small class="soft">{{ wayWords }}</small>
    </h2>
    <ModeChoice />
    <LineStrip :run="run" :along="along" @fit="notes?.offer()" />
    <PartNotes v-if="picked" :key="picked.part.id" ref="notes" :run="run" :along="picked" />
    <ProfileStrip :run="run" />
    <BreakNotes :of="run.id" />
    <LineEnds :run="run" />
  </section>
</template>

<style scoped>
h2 {
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}
small {
  font: 400 13.5px var(--text);
}
</style>
