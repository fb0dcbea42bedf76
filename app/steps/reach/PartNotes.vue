<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import ThingField from '~/fields/ThingField.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import type { Run } from '#core/site'
import { moveOf } from '#core/moves'
import { partsOffered, type PartAlong } from '#core/network'
import { asksOf, PART_KINDS, type NewPart } from '#core/kinds'

/** The part in hand: what it is, what the water has before and behind it, and what may stand beside it or in its place. */
const props = defineProps<{ run: Run; along: PartAlong }>()
const store = useSite()
const { show } = useUnits()
const { pickRun } = useSelection()
const part = computed(() => props.along.part)
const set = useThing('part', () => part.value.id)
const OPEN = [
  { value: true, name: 'open' },
  { value: false, name: 'shut' },
]
const offered = computed(() => partsOffered(store.site!, props.run))
const NOTHING = 'nothing'
const choices = computed(() => [
  { value: NOTHING, name: 'fit something here' },
  ...offered.value.map(({ name }) => ({ value: name, name })),
])
const others = computed(() => [
  { value: NOTHING, name: 'something else' },
  ...offered.value.flatMap(({ name, part: { kind } }) => (kind === part.value.kind ? [] : [{ value: name, name }])),
])
const chosen = (name: string): NewPart | undefined => offered.value.find(each => each.name === name)?.part
const place = computed(() => props.run.parts.findIndex(({ id }) => id === part.value.id))
function fit(where: 'before' | 'behind', name: string): void {
  const given = chosen(name)
  if (!given) return
  const before = where === 'before' ? part.value.id : props.run.parts[place.value + 1]?.id
  store.make(moveOf('insertPart', { run: props.run.id, ...(before ? { before } : {}), part: { ...given } }))
}
function replace(name: string): void {
  const given = chosen(name)
  if (given) store.make(moveOf('replacePart', { part: part.value.id, with: { ...given } }))
}
function takeOut(): void {
  const next = props.run.parts[place.value + 1] ?? props.run.parts[place.value - 1]
  if (!store.make(moveOf('remove', { id: part.value.id }))) pickRun(props.run.id, next?.id)
}
const acts = useTemplateRef('acts')
/** Opens the choice of what may be fitted behind it. */
function offer(): void {
  const choice = acts.value?.querySelector<HTMLElement>('[aria-label="Fit behind it"]')
  choice?.focus()
  choice?.click()
}
defineExpose({ offer })
</script>

<template>
  <p class="notes" :data-part-notes="part.kind" aria-live="polite">
    <b>{{ PART_KINDS[part.kind].name }}</b><template v-if="part.kind === 'valve'"
      >, <ChoiceField label="Valve" :value="part.open" :choices="OPEN" :set="set('open')" /></template
    ><template v-for="[field, words] in asksOf(part)" :key="field"
      >,
      <ThingField
        :id="part.id"
        of="part"
        :name="field"
        :label="`${PART_KINDS[part.kind].name}: ${words || field}`"
        empty="not said"
      />
      {{ words }}</template
    >. It stands at {{ show(along.heightM, 'length')
    }}<template v-if="along.behindKPa !== undefined"
      >, with {{ show(along.beforeKPa!, 'pressure') }} before it and
      <b class="figure">{{ show(along.behindKPa, 'pressure') }}</b> behind</template
    >.
    <template v-if="along.lossM >= 0.005"
      >It takes {{ show(along.lossM, 'length') }} at {{ show(Math.abs(along.flowLps), 'flow') }}.</template
    >
  </p>
  <p ref="acts" class="acts">
    Before it
    <ChoiceField label="Fit before it" :value="NOTHING" :choices="choices" :set="name => fit('before', name)" />, behind
    it <ChoiceField label="Fit behind it" :value="NOTHING" :choices="choices" :set="name => fit('behind', name)" />, in
    its place <ChoiceField label="Put in its place" :value="NOTHING" :choices="others" :set="replace" /> ·
    <button type="button" class="plain" @click="takeOut">Take it out</button>
  </p>
</template>

<style scoped>
.notes {
  margin: 0;
}
.acts {
  margin: 0 0 10px;
}
</style>
