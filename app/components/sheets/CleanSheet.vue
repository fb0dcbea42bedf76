<script setup lang="ts">
import { lineFrom, moveOf, spoutAreaM2, usualFlushMm, type NodeOf } from '#core/site'

/** The ways from the spouts to the tanks, and what keeps the first, dirty rain out of them. */
const open = useSite()
const { show, litres } = useUnits()
const site = computed(() => open.site!)
const spouts = computed(() => site.value.nodes.filter(node => node.kind === 'spout'))
const chambers = computed(() => site.value.nodes.flatMap((node, index) => node.kind === 'chamber' ? [{ chamber: node, index }] : []))
/** Spouts whose water meets no chamber, each with the others that share its line. */
const bare = computed(() => spouts.value.filter(spout => spoutAreaM2(site.value, spout.id) > 0 && lineFrom(site.value, spout.id).length > 0 && !lineFrom(site.value, spout.id).some(run => site.value.nodes.find(node => node.id === run.to.node)?.kind === 'chamber')))
const sharing = (spout: NodeOf<'spout'>) => bare.value.filter(other => lineFrom(site.value, other.id).at(-1) === lineFrom(site.value, spout.id).at(-1))
const sharesLine = (spout: NodeOf<'spout'>) => sharing(spout).length > 1
const depthMm = computed(() => usualFlushMm(site.value))
const area = (spout: NodeOf<'spout'>) => Math.round(spoutAreaM2(site.value, spout.id) * 10) / 10
</script>

<template>
  <div>
    <h2>The lines to the tanks</h2>
    <p v-if="!spouts.length" class="soft">No spout yet. Add a roof at Catch, and its line to the tank stands here.</p>
    <LineNotes v-for="spout in spouts" :key="spout.id" :spout="spout" />
    <h2>What keeps the first rain out</h2>
    <p v-if="!chambers.length" class="soft">No first-flush chamber yet. The first millimetres of a rain carry the dirt of the roof.</p>
    <ChamberNotes v-for="{ chamber, index } in chambers" :key="chamber.id" :chamber="chamber" :index="index" />
    <p v-for="spout in bare" :key="spout.id">
      {{ spout.name }} has no first flush; the first <b class="figure">{{ show(depthMm, 'rain') }}</b> off it are <SumFigure name="first-flush-volume" :input="{ planAreaM2: area(spout), depthMm }">{{ litres(area(spout) * depthMm) }}</SumFigure><template v-if="sharesLine(spout)">, of the whole line {{ litres(sharing(spout).reduce((sum, other) => sum + area(other), 0) * depthMm) }}</template>. <button type="button" class="move" @click="open.make(moveOf('fitFirstFlush', { spout: spout.id }))">Fit a chamber to {{ spout.name }}</button>
      <button v-if="sharesLine(spout)" type="button" class="move" @click="open.make(moveOf('fitFirstFlush', { spout: spout.id, at: 'line' }))">Fit one for the whole line</button>
    </p>
    <p class="small soft">A chamber that nobody cleans turns foul and is worse than none.</p>
  </div>
</template>
