<script setup lang="ts">
import { clockText, SPEEDS, useTry } from './useTry'
import ChoiceField from '~/fields/ChoiceField.vue'

/** The plant's clock: run, pause, step, how fast it goes, and anew. */
const { notice, view, playing, speed, clockS, script, begin, run, pause, step } = useTry()
</script>

<template>
  <p class="clock" role="group" aria-label="The plant’s clock">
    <b class="figure" data-figure="clock">{{ view ? clockText(view.atS, clockS) : '…' }}</b>
    <button type="button" class="move" :aria-pressed="playing" @click="playing ? pause() : run()">
      {{ playing ? 'Pause' : 'Run' }}
    </button>
    <button type="button" class="move" :disabled="playing" @click="step">Step a minute</button>
    <ChoiceField label="Speed" :value="speed" :choices="SPEEDS" :set="value => void (speed = value)" />
    <button type="button" class="plain" @click="begin()">Begin anew</button>
    <span v-if="notice" class="small" role="status">{{ notice }}</span>
    <span v-if="script" class="soft small" role="status"
      >playing “{{ script.name }}”, {{ script.next }} of {{ script.steps.length }} steps done</span
    >
  </p>
</template>

<style scoped>
.clock {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin: 0 0 8px;
}
.figure {
  font-family: var(--mono);
  font-size: 17px;
}
</style>
