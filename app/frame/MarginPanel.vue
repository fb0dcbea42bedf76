<script setup lang="ts">
import { group } from 'd3-array'
import { counted } from '#core/words'
import type { StepDefinition } from '~/steps/step'
import { useStepContext } from '~/steps/useStepContext'
import FigureRow from '~/frame/FigureRow.vue'
import FindingCard from '~/frame/FindingCard.vue'
import { isWorking } from '~/engine/answers'
import { useResults } from '~/stores/results'
import { fewAtATime } from '~/stores/fewAtATime'
import { unchanged } from '~/stores/unchanged'
import { byRoot } from '#core/review/roots'
import type { StepFinding } from '#core/review'

/** What this means: the four figures that matter for the step, then the findings, worst first. */
const AcceptedList = defineAsyncComponent(() => import('~/frame/AcceptedList.vue'))
const props = defineProps<{ step: StepDefinition }>()
const results = useResults()
const context = useStepContext()
const figures = computed(() => props.step.figures?.(context.value) ?? [])
const showSound = ref(false)
const found = unchanged(
  () => results.review?.findings ?? [],
  finding => finding.id,
)
const findings = computed<StepFinding[]>(() => {
  const all = found.value
  const here = (finding: StepFinding) => finding.step === props.step.id
  return [...all].sort(
    (a, b) => Number(a.severity !== 'wrong') - Number(b.severity !== 'wrong') || Number(here(b)) - Number(here(a)),
  )
})
/** Causes first; what follows from one is told in it. */
const roots = computed(() => byRoot(findings.value))
const followersOf = computed(() => new Map(roots.value.map(({ root, followers }) => [root, followers])))
/** Where one check finds many alike, the first speaks for them. */
const FEW = 2
const NONE: StepFinding[] = []
const cardOf = (card: { finding: StepFinding }) => card.finding.id
const allCards = computed(() => {
  const told = roots.value.map(({ root }) => root)
  const followers = (of: StepFinding[]) => of.flatMap(each => followersOf.value.get(each)!)
  const byCheck = group(told, finding => finding.check)
  return told.flatMap(finding => {
    const same = byCheck.get(finding.check)!
    if (same.length <= FEW) return [{ finding, alike: NONE, followers: followers([finding]) }]
    return same[0] === finding ? [{ finding, alike: same.slice(1), followers: followers(same) }] : []
  })
})
const cards = fewAtATime(
  () => allCards.value,
  cardOf,
  () => 8,
)
const told = computed(() => {
  const wrong = findings.value.filter(finding => finding.severity === 'wrong').length
  const all = counted(findings.value.length, 'finding')
  return wrong ? `${all}, ${wrong} wrong` : all
})
</script>

<template>
  <aside class="margin" aria-label="The Margin: what this means">
    <div class="summary">
      <dl class="figures" :class="{ waiting: !results.fresh }">
        <FigureRow
          v-for="{ early, ...figure } in figures"
          :key="figure.name"
          v-bind="figure"
          :waiting="isWorking || (early ? !results.outlined : !results.fresh)"
        />
      </dl>
      <p v-if="results.progress !== undefined" class="small">
        Working out the years <progress :value="results.progress" aria-label="How far" />
        <button type="button" class="plain" @click="results.stop()">Stop</button>
      </p>
      <p v-if="results.failure" class="small" role="alert">{{ results.failure }}</p>
      <a v-if="findings.length" class="down small" href="#findings">{{ told }}</a>
    </div>
    <div class="advice" :class="{ waiting: !results.reviewed }">
      <h2 id="findings" class="unseen">Findings</h2>
      <FindingCard
        v-for="{ finding, alike, followers } in cards"
        :key="finding.id"
        :finding="finding"
        :alike="alike"
        :followers="followers"
      />
      <AcceptedList v-if="results.review?.accepted.length" :accepted="results.review.accepted" />
      <div v-if="results.review" class="soft small">
        Nothing found by {{ results.review.sound.length }} checks ·
        <button type="button" class="plain small" :aria-expanded="showSound" @click="showSound = !showSound">
          {{ showSound ? 'hide' : 'show' }}
        </button>
        <ul v-if="showSound">
          <li v-for="check in results.review.sound" :key="check.check">{{ check.sentence }}.</li>
        </ul>
      </div>
      <p class="caution">{{ step.caution }}</p>
    </div>
  </aside>
</template>

<style scoped>
.margin {
  position: relative;
  border-left: 1px solid var(--hair);
  padding: 12px 16px;
  overflow-y: auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-width: 0;
}
.summary,
.advice {
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.summary p {
  margin: 0;
}
.advice {
  flex: 1;
}
.advice.waiting .finding {
  opacity: 0.6;
  transition: opacity 0.2s 0.6s;
}
.down {
  display: none;
}
.figures {
  margin: 0;
}
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
.caution {
  margin: auto 0 0;
  font-size: 13px;
  line-height: 1.4;
  color: var(--soft);
  border-top: 1px solid var(--hair);
  padding-top: 8px;
}
/* On a phone the figures stand before the Section and the findings after the Sheet. */
@media (max-width: 700px) {
  .margin {
    display: contents;
  }
  .summary,
  .advice {
    padding: 12px 16px;
  }
  .summary {
    order: 2;
    border-bottom: 1px solid var(--hair);
  }
  .advice {
    order: 5;
    flex: none;
  }
  .down {
    display: block;
    padding: 4px 0;
  }
}
</style>
