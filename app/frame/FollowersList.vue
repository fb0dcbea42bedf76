<script setup lang="ts">
import AnswerButtons from './AnswerButtons.vue'
import { useUnits } from '~/fields/useUnits'
import { counted } from '#core/words'
import type { StepFinding } from '#core/review'

/**
 * What follows from a finding: folded, for it is looked at anew once the cause is mended; what only the person can
 * know of it is asked here.
 */
defineProps<{ followers: StepFinding[] }>()
const { phrase } = useUnits()
</script>

<template>
  <details class="followers">
    <summary>{{ counted(followers.length, 'thing follows', 'things follow') }} from it</summary>
    <p v-for="finding in followers" :key="finding.id" :data-check="finding.check">
      <span class="unseen">{{ finding.severity === 'wrong' ? 'Wrong:' : 'Look again:' }}</span><b>{{
        phrase(finding.sentence)
      }}</b>
      {{ phrase(finding.why) }}
      <span class="acts"><AnswerButtons :answers="finding.answers" /></span>
    </p>
  </details>
</template>

<style scoped>
.followers {
  font-size: 13px;
  color: var(--soft);
  margin-top: 2px;
}
summary {
  cursor: pointer;
  width: max-content;
}
p {
  margin: 4px 0 0;
  padding-left: 10px;
  border-left: 1px solid var(--hair);
}
b {
  font-weight: 650;
}
.acts {
  display: flex;
  gap: 4px 12px;
  flex-wrap: wrap;
}
</style>
