<script setup lang="ts">
import { useSite } from '~/stores/site'
import { acceptMove, mayAccept } from '#core/review/accepted'
import type { StepFinding } from '#core/review'

/** Keeps findings as they are, because their owner wants it so; what is wrong wants a reason, and what hurts people stays. */
const props = defineProps<{ findings: StepFinding[] }>()
const store = useSite()
const may = computed(() => mayAccept(props.findings))
const asks = ref(false)
const reason = ref('')
const field = useTemplateRef('field')

function press(): void {
  if (may.value === 'freely') return keep()
  asks.value = !asks.value
  void nextTick(() => field.value?.focus())
}
function keep(): void {
  const why = reason.value.trim() || undefined
  store.makeAll(
    props.findings.map(finding => acceptMove(finding, why)),
    'Keep what was found as it is',
  )
}
</script>

<template>
  <button v-if="may !== 'no'" type="button" class="plain quiet" :aria-expanded="asks || undefined" @click="press">
    This is how I want it
  </button>
  <form v-if="asks" class="why" @submit.prevent="reason.trim() && keep()">
    <label
      ><span>Why</span> <input ref="field" v-model="reason" maxlength="500" placeholder="so that it can be read later"
    /></label>
    <button type="submit" class="plain" :disabled="!reason.trim()">Keep it so</button>
  </form>
</template>

<style scoped>
.quiet {
  font-weight: 400;
}
.why {
  flex-basis: 100%;
  display: flex;
  gap: 8px;
  align-items: center;
}
label {
  flex: 1;
  display: flex;
  gap: 6px;
  align-items: center;
}
input {
  flex: 1;
  min-width: 0;
}
</style>
