<script setup lang="ts">
import BypassNotes from './BypassNotes.vue'
import ChamberNotes from './ChamberNotes.vue'
import FlushOffer from './FlushOffer.vue'
import LineNotes from './LineNotes.vue'
import ScreenNotes from './ScreenNotes.vue'
import FoldGroup from '~/fields/FoldGroup.vue'
import { useUnits } from '~/fields/useUnits'
import type { Subject } from '~/steps/step'
import { useFound } from '~/steps/useFound'
import { useSite } from '~/stores/site'
import { monthNames } from '#core/words'
import { chamberVolumeL, graphOf, lineFrom, nameOf } from '#core/site'

/** The way from one spout to its tank, and what keeps the first, dirty rain out of it. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const { litres } = useUnits()
const site = computed(() => store.site!)
const spout = computed(() => {
  const node = props.subject && graphOf(site.value).node(props.subject.id)
  return node?.kind === 'spout' ? node : undefined
})
const runs = computed(() => (spout.value ? lineFrom(site.value, spout.value.id) : []))
const chambers = computed(() =>
  runs.value.map(run => graphOf(site.value).node(run.to.node)).filter(node => node?.kind === 'chamber'),
)
const screens = computed(() => runs.value.flatMap(run => run.parts).filter(part => part.kind === 'screen').length)
const found = useFound('clean', () => props.subject)
const bypass = computed(() => {
  const { bypassMonths = [], bypassWhenFull } = spout.value!
  return bypassMonths.length ? monthNames(bypassMonths) : bypassWhenFull ? 'once the tank is full' : 'none'
})
</script>

<template>
  <div v-if="spout" :key="spout.id">
    <h2>The line from {{ nameOf(site, spout.id) }}</h2>
    <LineNotes :spout="spout" />
    <FoldGroup
      id="clean-flush"
      title="First flush"
      :summary="chambers.length ? chambers.map(chamber => litres(chamberVolumeL(chamber))).join(', ') : 'no chamber'"
      open
    >
      <ChamberNotes v-for="chamber in chambers" :key="chamber.id" :chamber="chamber" />
      <FlushOffer v-if="!chambers.length" :spout="spout" />
      <p class="small soft">A chamber that nobody cleans turns foul and is worse than none.</p>
    </FoldGroup>
    <FoldGroup
      id="clean-screens"
      title="Screens"
      :summary="screens ? `${screens} on its way` : 'none'"
      :found="found(['mosquito-mesh'])"
    >
      <ScreenNotes :spout="spout" />
    </FoldGroup>
    <FoldGroup
      id="clean-bypass"
      title="By-pass"
      :summary="bypass"
      :found="found(['bypass-in-filling', 'bypass-shut-in-frost'])"
    >
      <BypassNotes :spout="spout" />
    </FoldGroup>
  </div>
  <p v-else class="soft">No spout yet. Add a roof at Catch, and its line to the tank stands here.</p>
</template>
