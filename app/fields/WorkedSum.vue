<script setup lang="ts">
import { whyNot } from '#core/answers'
import { useUnits } from '~/fields/useUnits'
import { fieldRow, type Kind } from '#core/units'
import { digits, findSum, solveSum } from '#core/sums'

/**
 * A worked sum written out: formula, each step with its numbers, source. Where a site does not speak SI, what goes in
 * and every step stand in its own units, with the working in SI beneath.
 */
const props = defineProps<{ name: string; input: Record<string, unknown> }>()
const { show, system } = useUnits()
/** A figure of the working in the site's units, where those are not SI. */
const KINDS: Record<string, [Kind, number]> = {
  m: ['length', 1],
  mm: ['bore', 1],
  'm²': ['area', 1],
  L: ['volume', 1],
  'm³': ['volume', 1000],
  'L/s': ['flow', 1],
  'L/h': ['hourFlow', 1],
  'L/day': ['dailyVolume', 1],
  'mm/h': ['intensity', 1],
  kPa: ['pressure', 1],
  kg: ['mass', 1],
}
function spoken({ value, unit }: { value: number; unit: string }): string | undefined {
  const known = KINDS[unit]
  return system.value === 'metric' || !known ? undefined : show(value * known[1], known[0])
}
const sum = computed(() => findSum(props.name))
const begins = computed(() =>
  system.value === 'metric'
    ? []
    : Object.entries(props.input).flatMap(([name, value]) =>
        typeof value === 'number' ? [`${fieldRow(name).words} ${show(value, fieldRow(name).kind)}`] : [],
      ),
)
const solved = computed(() => solveSum(props.name, props.input))
</script>

<template>
  <span v-if="sum" class="worked">
    <span class="line soft"
      >{{ sum.purpose }}: <span class="formula">{{ sum.formula }}</span></span
    >
    <template v-if="solved.ok">
      <span v-if="begins.length" class="line">With {{ begins.join(', ') }}</span>
      <template v-for="(step, index) in solved.working" :key="index">
        <span v-if="spoken(step)" class="line step"
          ><i>{{ step.symbol }}</i> = <b>{{ spoken(step) }}</b></span
        >
        <span class="line step" :class="{ beneath: spoken(step) }"
          ><template v-if="!spoken(step)"
            ><i>{{ step.symbol }}</i> = </template
          >{{ step.expression }} = <b>{{ digits(step.value) }}</b> {{ step.unit }}</span
        >
      </template>
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
.beneath {
  padding-left: 16px;
  color: var(--soft);
}
.step i {
  font-style: italic;
}
.source {
  font-size: 12.5px;
}
</style>
