<script setup lang="ts">
import AnswerFailure from './AnswerFailure.vue'
import { askAgain, besideFailure } from '~/workers/beside'

/** Stands where something of a large site will, until it is worked out; or says why it could not be. */
const props = defineProps<{ what: string }>()
const sentence = computed(() => props.what.charAt(0).toUpperCase() + props.what.slice(1))
</script>

<template>
  <AnswerFailure v-if="besideFailure" :failure="besideFailure" :what="sentence" :again="askAgain" />
  <p v-else class="soft">Working out {{ what }}…</p>
</template>
