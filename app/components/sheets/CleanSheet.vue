<script setup lang="ts">
import { FLUSH_SCHOOLS } from '#core/catalog'
import { chamberDrainTime, chamberLength } from '#core/sums'
import { chamberVolumeL, moveOf, runsTo, spoutAreaM2, type NodeOf } from '#core/site'

/** What keeps the first, dirty rain out of the tanks. */
const open = useSite()
const { show, litres } = useUnits()
const { nodeId } = useSelection()
const chambers = computed(() => open.site!.nodes.flatMap((node, index) => {
  if (node.kind !== 'chamber') return []
  const areaM2 = runsTo(open.site!, node.id).reduce((sum, run) => sum + spoutAreaM2(open.site!, run.from.node), 0)
  return [{ chamber: node, index, areaM2, depthMm: areaM2 ? chamberVolumeL(node) / areaM2 : 0 }]
}))
const bare = computed(() => open.site!.nodes.filter(node => node.kind === 'spout').filter(spout => open.site!.runs.some(run => run.from.node === spout.id && open.site!.nodes.find(node => node.id === run.to.node)?.kind === 'tank')))
const set = (index: number, field: string) => (value: unknown) => open.make(moveOf('change', { path: ['nodes', index, field], value }))
const lengthInput = (chamber: NodeOf<'chamber'>) => ({ volumeL: Math.round(chamberVolumeL(chamber) * 10) / 10, innerDiameterMm: chamber.innerDiameterMm })
const drainInput = (chamber: NodeOf<'chamber'>) => ({ innerDiameterMm: chamber.innerDiameterMm, heightM: chamber.heightM, orificeMm: Math.min(chamber.orificeMm ?? 1, chamber.innerDiameterMm) })
const FORMS = [{ value: 'standpipe' as const, name: 'a standpipe' }, { value: 'drum' as const, name: 'a sealed drum' }]
const CLEANED = [{ value: true, name: 'opens for cleaning' }, { value: false, name: 'cannot be opened' }]
const wayOf = (chamber: NodeOf<'chamber'>) => chamber.orificeMm !== null ? 'outlet' as const : chamber.emptiedEveryDays !== null ? 'hand' as const : 'never' as const
const WAYS = [{ value: 'outlet' as const, name: 'through a small outlet' }, { value: 'hand' as const, name: 'by hand' }, { value: 'never' as const, name: 'never' }]
function setWay(chamber: NodeOf<'chamber'>, index: number, way: 'outlet' | 'hand' | 'never'): void {
  if (way === 'outlet') open.make(moveOf('fitChamberOutlet', { chamber: chamber.id }))
  else {
    open.make(moveOf('change', { path: ['nodes', index, 'orificeMm'], value: null }), `way:${chamber.id}`)
    open.make(moveOf('change', { path: ['nodes', index, 'emptiedEveryDays'], value: way === 'hand' ? 7 : null }), `way:${chamber.id}`)
    open.settle()
  }
}
</script>

<template>
  <div>
    <h2>What keeps the dirt out</h2>
    <p v-if="!chambers.length" class="soft">No first-flush chamber yet. The first millimetres of a rain carry the dirt of the roof.</p>
    <div v-for="{ chamber, index, areaM2, depthMm } in chambers" :key="chamber.id" class="chamber" :class="{ on: nodeId === chamber.id }">
      <p>
        <b><NameField :value="chamber.name" label="Name of the chamber" :set="set(index, 'name')" /></b>
        is <ChoiceField label="Form" :value="chamber.form" :choices="FORMS" :set="set(index, 'form')" />
        <QuantityField label="Inner diameter" kind="bore" :value="chamber.innerDiameterMm" :set="set(index, 'innerDiameterMm')" /> across and <QuantityField label="Height of the chamber" kind="length" :value="chamber.heightM" :set="set(index, 'heightM')" /> tall, its foot at <QuantityField label="Foot of the chamber" kind="length" :value="chamber.baseM" :set="baseM => open.make(moveOf('setHeight', { node: chamber.id, baseM }))" />.
        It holds <SumFigure name="chamber-length" :input="lengthInput(chamber)">{{ litres(chamberVolumeL(chamber)) }}</SumFigure><template v-if="areaM2">, the first <b class="figure">{{ show(depthMm, 'rain') }}</b> off <SumFigure name="first-flush-volume" :input="{ planAreaM2: areaM2, depthMm: Math.round(depthMm * 100) / 100 }">{{ show(areaM2, 'area') }}</SumFigure></template>.
      </p>
      <p>
        It empties <ChoiceField label="How it empties" :value="wayOf(chamber)" :choices="WAYS" :set="way => setWay(chamber, index, way)" /><template v-if="chamber.orificeMm !== null"> of <QuantityField label="Bore of the outlet" kind="bore" :value="chamber.orificeMm" :set="set(index, 'orificeMm')" />, in <SumFigure name="chamber-drain-time" :input="drainInput(chamber)">{{ show(chamberDrainTime(drainInput(chamber)).hours, 'duration') }}</SumFigure>. Aim for less than a day; faster wastes water all through the rain.</template>
        <template v-else-if="chamber.emptiedEveryDays !== null"> every <QuantityField label="Days between emptyings" kind="count" :value="chamber.emptiedEveryDays" :set="set(index, 'emptiedEveryDays')" /> days. Right for someone who is there; when nobody is, the next rain goes in dirty.</template>
        <template v-else>. A chamber that stays full lets every later rain in dirty.</template>
        It <ChoiceField label="Cleaning" :value="chamber.cleanable" :choices="CLEANED" :set="set(index, 'cleanable')" />.
      </p>
      <div class="moves">
        <button v-for="school in FLUSH_SCHOOLS" :key="school.name" type="button" class="move" :aria-pressed="Math.abs(depthMm - school.depthMm) < 0.05" @click="open.make(moveOf('sizeChamber', { chamber: chamber.id, depthMm: school.depthMm }))">Size it {{ school.name }}: {{ show(school.depthMm, 'rain') }}, for {{ school.when }}</button>
        <button type="button" class="plain small" @click="open.make(moveOf('takeOutChamber', { chamber: chamber.id }))">Take it out</button>
      </div>
      <p v-if="chamber.form === 'standpipe' && areaM2" class="small soft">Heavy would take {{ show(chamberLength({ volumeL: areaM2 * FLUSH_SCHOOLS.heavy.depthMm, innerDiameterMm: chamber.innerDiameterMm }).lengthM, 'length') }} of this pipe. A drum is cheaper past two lengths and opens for cleaning.</p>
    </div>
    <p v-for="spout in bare" :key="spout.id">
      {{ spout.name }} has no first flush. <button type="button" class="move" @click="open.make(moveOf('fitFirstFlush', { spout: spout.id }))">Fit a chamber to {{ spout.name }}</button>
    </p>
    <p class="small soft">More flush is cleaner water and less of it. A chamber that nobody cleans turns foul and is worse than none.</p>
  </div>
</template>

<style scoped>
.chamber { border-bottom: 1px solid var(--hair); margin-bottom: 8px; line-height: 1.85; }
.chamber.on { background: color-mix(in srgb, var(--oak) 7%, transparent); }
.chamber p { margin-bottom: 2px; }
.move[aria-pressed='true'] { background: var(--field); border-width: 2px; }
</style>
