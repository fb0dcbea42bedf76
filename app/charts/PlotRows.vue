<script setup lang="ts">
import { plotRows, type Measures, type PlotAxes, type Series } from './plot'

/** A plot in figures, for whoever would rather read it: worked out once it is asked for. */
const props = defineProps<{ axes: PlotAxes; series: readonly Series[]; measures: Measures; spoken: string }>()
const open = ref(false)
const table = computed(() => (open.value ? plotRows(props.axes, props.series, props.measures) : undefined))
</script>

<template>
  <details class="rows small" @toggle="open = ($event.currentTarget as HTMLDetailsElement).open">
    <summary>In figures</summary>
    <div v-if="table" class="wide" tabindex="0" role="region" :aria-label="`In figures: ${spoken}`">
      <table class="compare">
        <thead>
          <tr>
            <th v-for="name in table.head" :key="name" scope="col">{{ name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in table.rows" :key="row[0]">
            <td v-for="(cell, at) in row" :key="at">{{ cell }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  color: var(--soft);
  width: max-content;
}
.wide {
  max-height: 260px;
  overflow: auto;
}
</style>
