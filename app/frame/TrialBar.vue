<script setup lang="ts">
import { counted } from '#core/words'
import { useSite } from '~/stores/site'

/** While somebody tries things out: how far they are, and the ways to end it. It stands at every step. */
const store = useSite()
const name = ref('')
function keep(): void {
  store.endTrial(name.value.trim() || `Option ${store.site!.options.length + 1}`)
  name.value = ''
}
</script>

<template>
  <p class="trial">
    You are trying things out: {{ counted(store.trialMoves.length, 'change') }} so far. Change what you like, here or at
    any step, then
    <input v-model="name" class="name" aria-label="Name of the option" placeholder="give it a name" maxlength="80" />
    <button type="button" class="move" :disabled="!store.trialMoves.length" @click="keep">
      Keep it as an option, and put the plan back
    </button>
    <button type="button" class="plain" @click="store.endTrial()">Keep it as the plan</button>
  </p>
</template>

<style scoped>
.trial {
  border-left: 3px solid var(--straw);
  padding-left: 10px;
}
.name {
  font: inherit;
  color: var(--ink);
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  padding: 1px 6px;
  width: 18ch;
}
</style>
