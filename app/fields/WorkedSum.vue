<script setup lang="ts">
import { whyNot } from '#core/answers'
import { digits, findSum, solveSum } from '#core/sums'

/** A worked sum written out: formula, each step with its numbers, source. */
const props = defineProps<{ name: string; input: Record<string, unknown> }>()
const sum = computed(() => findSum(props.name))
const solved = computed(() => solveSum(props.name, props.input))
</script>

<template>
  <span v-if="sum" class="worked">
    <span class="line soft"
      >{{ sum.purpose }}: <span class="formula">{{ sum.formula }}</span></span
    >
    <template v-if="solved.ok">
      <span v-for="(step, index) in solved.working" :key="index" class="line step"
        ><i>{{ step.symbol }}</i> = {{ step.expression }} = <b>{{ digits(step.value) }}</b> {{ step.unit }}</span
      >
    </template>
    <span v-else class="line">{{ whyNot(solved) }}</span>
    <span class="line soft source">Source: {{ sum.source }}</span>
  </span>
</template>

<style scoped>
.worked {
  display: block;
  border-left: 2px solid var(--oak);
  background: var(--sheet);
  padding: 6px 10px;
  margin: 4px 0 8px;
  font-size: 13.5px;
  line-height: 1.55;
}
.line {
  display: block;
  overflow-wrap: anywhere;
}
.formula,
.step {
  font-family: var(--mono);
  font-size: 13px;
}
.step i {
  font-style: italic;
}
.source {
  font-size: 12.5px;
}
</style>
