<script setup lang="ts">
import { portHeightM, type Part } from '#core/site'

/** The Section in words: every run, walked in the order of the water. */
const open = useSite()
const { show } = useUnits()
const { pickRun, runId } = useSelection()
const nameOf = (id: string) => open.site!.nodes.find(node => node.id === id)?.name ?? id

function partText(part: Part): string {
  switch (part.kind) {
    case 'pipe': return `${show(part.lengthM, 'length')} of ${show(part.innerDiameterMm, 'bore')} pipe`
    case 'valve': return `valve, ${part.open ? 'open' : 'shut'}`
    case 'check': return 'check valve'
    case 'float': return 'float valve'
    case 'screen': return `screen of ${show(part.meshMm, 'bore')}`
    case 'filter': return part.medium === 'carbon' ? 'carbon filter' : `filter of ${part.ratingUm} µm`
    case 'lamp': return part.sensor ? 'ultraviolet lamp with sensor' : 'ultraviolet lamp'
    case 'pump': return `${part.pump} pump, ${show(part.flowLps, 'flow')}`
    default: return part.kind
  }
}
</script>

<template>
  <ol class="runs">
    <li v-for="run in open.site!.runs" :key="run.id" :class="{ on: run.id === runId }">
      <button type="button" class="plain" @click="pickRun(run.id)">{{ run.name }}</button>
      <span class="small"> from {{ nameOf(run.from.node) }} at {{ show(portHeightM(open.site!, run.from), 'length') }}<template v-for="(part, index) in run.parts" :key="index">, {{ partText(part) }}</template>, to {{ nameOf(run.to.node) }} at {{ show(portHeightM(open.site!, run.to), 'length') }}.</span>
    </li>
  </ol>
</template>

<style scoped>
.runs { margin: 34px 20px 12px 12px; padding-left: 28px; }
li { padding: 2px 0; }
.on { background: var(--field); }
</style>
