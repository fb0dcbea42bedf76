<script setup lang="ts">
import AnswerFailure from './AnswerFailure.vue'
import { answerFailure, askAgain } from '~/engine/answers'

/** Stands where something of a large site will, until it is worked out; or says why it could not be. */
const props = defineProps<{ what: string }>()
const sentence = computed(() => props.what.charAt(0).toUpperCase() + props.what.slice(1))
</script>

<template>
  <AnswerFailure v-if="answerFailure" :failure="answerFailure" :what="sentence" :again="askAgain" />
  <p v-else class="soft">Working out {{ what }}…</p>
</template>
