<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { counted } from '#core/words'
import type { StepFinding } from '#core/review'

/**
 * What follows from a finding: folded, for it is looked at anew once the cause is mended; what only the person can
 * know of it is asked here.
 */
defineProps<{ followers: StepFinding[] }>()
const store = useSite()
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
      <button
        v-for="answer in finding.answers"
        :key="phrase(answer.label)"
        type="button"
        class="plain small"
        @click="store.make(answer.move)"
      >
        {{ phrase(answer.label) }}
      </button>
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
button {
  margin-right: 8px;
}
</style>
