<script setup lang="ts">
import type { Finding } from '#core/review'
import type { StepId } from '~/composables/useSteps'

/** What this means: the four figures that matter for the step, then the findings, worst first. */
const props = defineProps<{ step: StepId }>()
const results = useResults()
const figures = useStepFigures(() => props.step)
const showSound = ref(false)
const findings = computed<Finding[]>(() => {
  const all = results.readings?.findings ?? []
  const here = (finding: Finding) => stepOf(finding) === props.step
  return [...all].sort((a, b) => Number(a.severity !== 'wrong') - Number(b.severity !== 'wrong') || Number(here(b)) - Number(here(a)))
})
/** Where one check finds many alike, the first speaks for them. */
const FEW = 2
const cards = computed(() => findings.value.flatMap((finding) => {
  const same = findings.value.filter(other => other.check === finding.check)
  return same.length <= FEW ? [{ finding, alike: [] }] : same[0] === finding ? [{ finding, alike: same.slice(1) }] : []
}))
</script>

<template>
  <aside class="margin" aria-label="The Margin: what this means">
    <dl class="figures" :class="{ waiting: !results.fresh }">
      <FigureRow v-for="figure in figures" :key="figure.name" v-bind="figure" />
    </dl>
    <p v-if="results.progress !== undefined" class="small">Working out the years <progress :value="results.progress" aria-label="How far" /> <button type="button" class="plain" @click="results.stop()">Stop</button></p>
    <p v-if="results.failure" class="small" role="alert">{{ results.failure }}</p>
    <h2 class="unseen">Findings</h2>
    <FindingCard v-for="{ finding, alike } in cards" :key="finding.id" :finding="finding" :alike="alike" />
    <div v-if="results.readings" class="soft small">
      {{ results.readings.sound.length }} checks sound · <button type="button" class="plain small" :aria-expanded="showSound" @click="showSound = !showSound">{{ showSound ? 'hide' : 'show' }}</button>
      <ul v-if="showSound"><li v-for="check in results.readings.sound" :key="check.check">{{ check.sentence }}.</li></ul>
    </div>
    <p class="caution">{{ CAUTIONS[props.step] }}</p>
  </aside>
</template>

<style scoped>
.margin { position: relative; border-left: 1px solid var(--hair); padding: 12px 16px; overflow-y: auto; display: flex; flex-direction: column; gap: 12px; min-width: 0; }
.figures { margin: 0; }
ul { margin: 4px 0 0; padding-left: 18px; }
.caution { margin: auto 0 0; font-size: 13px; line-height: 1.4; color: var(--soft); border-top: 1px solid var(--hair); padding-top: 8px; }
</style>
