<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import { counted } from '#core/words'
import type { StepFinding } from '#core/review'

/** What was found and is as its owner wants it: counted, and struck through once it is unfolded. */
defineProps<{ accepted: StepFinding[] }>()
const store = useSite()
const { phrase } = useUnits()
const isShown = ref(false)
function tellAgain({ id }: StepFinding): void {
  store.make(moveOf('tellAgain', { finding: id }))
}
</script>

<template>
  <div class="accepted soft small">
    {{ counted(accepted.length, 'finding is', 'findings are') }} as you want it ·
    <button type="button" class="plain small" :aria-expanded="isShown" @click="isShown = !isShown">
      {{ isShown ? 'hide' : 'show' }}
    </button>
    <ul v-if="isShown">
      <li v-for="finding in accepted" :key="finding.id">
        <s>{{ phrase(finding.sentence) }}</s>
        <template v-if="finding.accepted?.reason"> {{ finding.accepted.reason }}</template>
        <button type="button" class="plain small" @click="tellAgain(finding)">Tell of it again</button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  margin: 4px 0 0;
  padding-left: 18px;
}
li + li {
  margin-top: 4px;
}
</style>
