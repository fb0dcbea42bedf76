<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import type { Mend } from '#core/review'

/** What only the person can know of a finding: answers to choose from. */
defineProps<{ answers: readonly Mend[] | undefined }>()
const store = useSite()
const { phrase } = useUnits()
</script>

<template>
  <button
    v-for="answer in answers"
    :key="phrase(answer.label)"
    type="button"
    class="plain"
    @click="store.make(answer.move)"
  >
    {{ phrase(answer.label) }}
  </button>
</template>
