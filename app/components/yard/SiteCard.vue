<script setup lang="ts">
import { formatDistanceToNow } from 'date-fns'
import { poolsOf } from '#core/balance'
import { drawSection } from '#core/section'
import { roofAreaM2 } from '#core/site'
import { showQuantity, showVolume } from '#core/units'
import type { YardEntry } from '~/stores/yard'

/** A site at a glance: its section in small, its roof and its tanks. */
const props = defineProps<{ entry: YardEntry }>()
defineEmits<{ remove: [] }>()
const site = computed(() => props.entry.site)
const drawing = computed(() => drawSection(site.value, 720, 250))
const system = computed(() => site.value.standards.units)
const area = computed(() => showQuantity(site.value.roofs.reduce((sum, roof) => sum + roofAreaM2(roof), 0), 'area', system.value).text)
const held = computed(() => showVolume(poolsOf(site.value).reduce((sum, pool) => sum + pool.capL, 0), system.value).text)
const ground = computed(() => drawing.value.ground.map(([x, y], index) => `${index ? 'L' : 'M'}${x} ${y}`).join(' '))
const tanks = computed(() => drawing.value.slots.flatMap((slot) => {
  const node = slot.kind === 'node' && site.value.nodes.find(candidate => candidate.id === slot.nodeId)
  if (!node || node.kind !== 'tank') return []
  const heightM = node.shape.shape === 'lying-cylinder' ? node.shape.diameterM : node.shape.heightM
  const y = drawing.value.scale.y
  return [{ id: node.id, x: slot.x, width: slot.width, top: y(node.baseM + heightM), foot: y(node.baseM) }]
}))
const roofs = computed(() => drawing.value.slots.flatMap(slot => slot.kind === 'roof' ? [{ id: slot.roof.id, x: slot.x, width: slot.width, y: drawing.value.scale.y(slot.spouts[0]?.baseM ?? 2.6), foot: drawing.value.scale.y(slot.groundM) }] : []))
</script>

<template>
  <li class="card">
    <NuxtLink :to="`/site/${entry.id}/store`">
      <svg :viewBox="`44 0 ${drawing.widthPx - 44} 250`" preserveAspectRatio="none" aria-hidden="true">
        <path :d="`${ground} V250 H0 Z`" class="earth" />
        <g v-for="roof in roofs" :key="roof.id"><path :d="`M${roof.x + 8} ${roof.y} V${roof.foot} M${roof.x + roof.width - 8} ${roof.y} V${roof.foot}`" class="wall" /><path :d="`M${roof.x} ${roof.y} l${roof.width / 2} -30 l${roof.width / 2} 30 z`" class="roof" /></g>
        <path v-for="route in drawing.routes" :key="route.runId" :d="route.points.map(([x, y], index) => `${index ? 'L' : 'M'}${x} ${y}`).join(' ')" class="line" />
        <g v-for="tank in tanks" :key="tank.id"><rect :x="tank.x" :y="tank.top" :width="tank.width" :height="tank.foot - tank.top" class="tank" /><rect :x="tank.x + 1" :y="tank.top + (tank.foot - tank.top) * 0.35" :width="tank.width - 2" :height="(tank.foot - tank.top) * 0.65 - 1" class="water" /></g>
      </svg>
      <h3>{{ entry.name }}</h3>
    </NuxtLink>
    <p v-if="site.note" class="small soft">{{ site.note }}</p>
    <p class="small"><span class="figure">{{ area }}</span> of roof · <span class="figure">{{ held }}</span> of tanks</p>
    <p class="small soft foot"><span>{{ entry.demo ? 'demo · ' : '' }}changed {{ formatDistanceToNow(entry.changedAt, { addSuffix: true }) }}</span> <button type="button" class="plain small" :aria-label="`Take out ${entry.name}`" @click="$emit('remove')">Take out</button></p>
  </li>
</template>

<style scoped>
.card { border: 1px solid var(--hair); background: var(--sheet); border-radius: 3px; padding: 0 14px 8px; display: flex; flex-direction: column; overflow: hidden; }
.card:hover { border-color: var(--oak); }
a { color: var(--ink); text-decoration: none; display: block; margin: 0 -14px; }
svg { display: block; width: 100%; height: 124px; border-bottom: 1px solid var(--hair); }
h3 { font-size: 18px; padding: 10px 14px 2px; }
p { margin: 0 0 4px; }
.foot { margin-top: auto; display: flex; justify-content: space-between; }
.earth { fill: var(--earth); }
.wall { stroke: var(--wall); stroke-width: 2; }
.roof { fill: var(--roofing); stroke: var(--ink); stroke-width: 3; stroke-linejoin: round; }
.line { fill: none; stroke: var(--line-roof); stroke-width: 3.4; opacity: .8; }
.tank { fill: var(--sheet); stroke: var(--ink); stroke-width: 3; }
.water { fill: var(--water); }
</style>
