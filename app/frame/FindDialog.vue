<script setup lang="ts">
import { useStepContext } from '~/steps/useStepContext'
import { STEPS } from '~/steps/steps'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSelection } from '~/stores/useSelection'
import { nameOf, runName } from '#core/site'

/** Finds anything on the site by a part of its name, and goes there. */
const shown = defineModel<boolean>({ required: true })
const results = useResults()
const { phrase } = useUnits()
const { pickNode, pickRun, pickSubject } = useSelection()
const input = useTemplateRef('input')
const wanted = ref('')
const at = ref(0)
const context = useStepContext()

interface Found {
  kind: string
  name: string
  go: () => void
}
const everything = computed((): Found[] => {
  const { site } = context.value
  const toStep = (step: string) => void navigateTo(`/site/${site.id}/${step}`)
  /** Picks a thing, and goes to the step whose Sheet tells of it. */
  const toThing = (id: string, pick: () => void) => () => {
    pick()
    const step = STEPS.find(each => each.subjects?.(context.value).some(subject => subject.holds.includes(id)))
    if (step) toStep(step.id)
  }
  return [
    ...site.nodes.map(({ id, kind }) => ({ kind, name: nameOf(site, id), go: toThing(id, () => pickNode(id)) })),
    ...site.roofs.map(({ id, name }) => ({ kind: 'roof', name, go: toThing(id, () => pickNode(id)) })),
    ...site.runs.map(run => ({ kind: 'run', name: runName(site, run), go: toThing(run.id, () => pickRun(run.id)) })),
    ...site.uses.map(({ id, name, at }) => ({ kind: 'use', name, go: toThing(id, () => pickNode(at)) })),
    ...(results.review?.findings ?? []).map(finding => ({
      kind: 'finding',
      name: phrase(finding.sentence),
      go: () => {
        pickSubject(site, finding.subject)
        toStep(finding.step)
      },
    })),
    ...STEPS.filter(step => step.sheet).map(({ id, name }) => ({ kind: 'step', name, go: () => toStep(id) })),
  ]
})
const found = computed(() =>
  everything.value
    .filter(entry => `${entry.kind} ${entry.name}`.toLowerCase().includes(wanted.value.trim().toLowerCase()))
    .slice(0, 12),
)
watch(wanted, () => (at.value = 0))
watch(shown, () => (wanted.value = ''))

/** Goes there. Enter goes no further than this: focus falls back on the button before, which it would press too. */
function go(entry: Found | undefined): void {
  if (!entry) return
  shown.value = false
  entry.go()
}
const step = (by: number) => (at.value = (at.value + by + found.value.length) % Math.max(1, found.value.length))
</script>

<template>
  <el-dialog v-model="shown" title="Find" width="min(520px, 94vw)" append-to-body @opened="input?.focus()">
    <input
      ref="input"
      v-model="wanted"
      class="wanted"
      aria-label="Find by name"
      placeholder="tank, roof, run, use, finding …"
      @keydown.enter.prevent="go(found[at])"
      @keydown.down.prevent="step(1)"
      @keydown.up.prevent="step(-1)"
    />
    <ul>
      <li v-for="(entry, index) in found" :key="index">
        <button type="button" :class="{ on: index === at }" @click="go(entry)">
          <span class="soft small">{{ entry.kind }}</span> {{ entry.name }}
        </button>
      </li>
      <li v-if="!found.length" class="soft">Nothing here is called that.</li>
    </ul>
  </el-dialog>
</template>

<style scoped>
.wanted {
  width: 100%;
  font: inherit;
  color: var(--ink);
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  padding: 6px 8px;
}
ul {
  list-style: none;
  margin: 8px 0 0;
  padding: 0;
}
li button {
  width: 100%;
  text-align: left;
  background: none;
  border: 0;
  padding: 5px 8px;
  cursor: pointer;
  border-radius: 3px;
}
li button:hover,
li .on {
  background: var(--field);
}
</style>
