<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { nameOf, portHeightM, runName } from '#core/site'
import { partWords } from '#core/kinds'

/** The Section in words: every run, walked in the order of the water. */
const store = useSite()
const { phrase, show } = useUnits()
const { pickRun, runId } = useSelection()
</script>

<template>
  <ol class="runs">
    <li v-for="run in store.site!.runs" :key="run.id" :class="{ on: run.id === runId }">
      <button type="button" class="plain" @click="pickRun(run.id)">{{ runName(store.site!, run) }}</button>
      <span class="small">
        from {{ nameOf(store.site!, run.from.node) }} at {{ show(portHeightM(store.site!, run.from), 'length')
        }}<template v-for="part in run.parts" :key="part.id">, {{ phrase(partWords(part)) }}</template
        >, to {{ nameOf(store.site!, run.to.node) }} at {{ show(portHeightM(store.site!, run.to), 'length') }}.</span
      >
    </li>
  </ol>
</template>

<style scoped>
.runs {
  margin: 34px 20px 12px 12px;
  padding-left: 28px;
}
li {
  padding: 2px 0;
}
.on {
  background: var(--field);
}
</style>
