<script setup lang="ts">
/** Finds anything on the site by a part of its name, and goes there. */
const shown = defineModel<boolean>({ required: true })
const open = useSite()
const results = useResults()
const { phrase } = useUnits()
const { pickNode, pickRun } = useSelection()
const input = useTemplateRef('input')
const wanted = ref('')
const at = ref(0)

interface Found { kind: string, name: string, go: () => void }
const everything = computed((): Found[] => {
  const site = open.site!
  const toStep = (step: string) => navigateTo(`/site/${site.id}/${step}`)
  return [
    ...site.nodes.map(node => ({ kind: node.kind, name: node.name, go: () => { pickNode(node.id); if (node.kind === 'tank') void toStep('store'); else if (node.kind === 'chamber') void toStep('clean') } })),
    ...site.roofs.map(roof => ({ kind: 'roof', name: roof.name, go: () => { pickNode(roof.id); void toStep('catch') } })),
    ...site.runs.map(run => ({ kind: 'run', name: run.name, go: () => pickRun(run.id) })),
    ...site.uses.map(use => ({ kind: 'use', name: use.name, go: () => { pickNode(use.at); void toStep('need') } })),
    ...(results.readings?.findings ?? []).map(finding => ({ kind: 'finding', name: phrase(finding.sentence), go: () => void toStep(stepOf(finding)) })),
    ...STEPS.filter(step => step.open).map(step => ({ kind: 'step', name: step.name, go: () => void toStep(step.id) })),
  ]
})
const found = computed(() => everything.value.filter(entry => `${entry.kind} ${entry.name}`.toLowerCase().includes(wanted.value.trim().toLowerCase())).slice(0, 12))
watch(wanted, () => at.value = 0)
watch(shown, () => wanted.value = '')

function go(entry: Found | undefined): void {
  if (!entry) return
  shown.value = false
  entry.go()
}
const step = (by: number) => at.value = (at.value + by + found.value.length) % Math.max(1, found.value.length)
</script>

<template>
  <el-dialog v-model="shown" title="Find" width="min(520px, 94vw)" append-to-body @opened="input?.focus()">
    <input ref="input" v-model="wanted" class="wanted" aria-label="Find by name" placeholder="tank, roof, run, use, finding …" @keydown.enter="go(found[at])" @keydown.down.prevent="step(1)" @keydown.up.prevent="step(-1)">
    <ul>
      <li v-for="(entry, index) in found" :key="index"><button type="button" :class="{ on: index === at }" @click="go(entry)"><span class="soft small">{{ entry.kind }}</span> {{ entry.name }}</button></li>
      <li v-if="!found.length" class="soft">Nothing here is called that.</li>
    </ul>
  </el-dialog>
</template>

<style scoped>
.wanted { width: 100%; font: inherit; color: var(--ink); background: var(--field); border: 0; border-bottom: 2px solid var(--oak); padding: 6px 8px; }
ul { list-style: none; margin: 8px 0 0; padding: 0; }
li button { width: 100%; text-align: left; background: none; border: 0; padding: 5px 8px; cursor: pointer; border-radius: 3px; }
li button:hover, li .on { background: var(--field); }
</style>
