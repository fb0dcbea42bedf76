<script setup lang="ts">
import { ROOFING, ROOFING_IDS } from '#core/catalog'
import { roofYield, stormFlow } from '#core/sums'
import { meanYearYieldInput, moveOf, roofAreaM2, roofLosses, type Roof } from '#core/site'

/** What the roofs and the weather give. */
const open = useSite()
const { show, litres } = useUnits()
const { nodeId } = useSelection()
const materials = ROOFING_IDS.map(value => ({ value, name: ROOFING[value].name }))
const set = (...path: (string | number)[]) => (value: unknown) => open.make(moveOf('change', { path: ['roofs', ...path], value }))
const spoutOf = (id: string) => open.site!.nodes.find(node => node.id === id)
const setNode = (id: string, field: string) => (value: unknown) => open.make(moveOf('change', { path: ['nodes', open.site!.nodes.findIndex(node => node.id === id), field], value }))
const bypassOf = (id: string) => { const node = spoutOf(id); return node?.kind === 'spout' ? node.bypassMonths ?? [] : [] }
const stormInput = (roof: Roof) => ({ planAreaM2: roofAreaM2(roof), intensityMmPerH: open.site!.climate.storm.intensityMmPerH })
const addRoof = () => open.make(moveOf('addRoof', { name: `Roof ${open.site!.roofs.length + 1}`, lengthM: 6, widthM: 4, material: 'steel' }))
</script>

<template>
  <div>
    <h2>What the roofs give</h2>
    <p v-if="!open.site!.roofs.length" class="soft">No roof yet. Add the first: its footprint seen from above, eaves included, is what counts.</p>
    <div v-for="(roof, index) in open.site!.roofs" :key="roof.id" class="roof" :class="{ on: nodeId === roof.id }">
      <p>
        <b><NameField :value="roof.name" label="Name of the roof" :set="set(index, 'name')" /></b>
        is <ChoiceField label="Roofing" :value="roof.material" :choices="materials" :set="set(index, 'material')" />,
        <template v-for="(piece, at) in roof.pieces" :key="at">
          <template v-if="at"> and </template>
          <template v-if="roof.pieces.length > 1 || piece.count !== 1"><QuantityField label="How many pieces" kind="count" :value="piece.count" :set="set(index, 'pieces', at, 'count')" /> of </template>
          <QuantityField label="Length of the piece" kind="length" :value="piece.lengthM" :set="set(index, 'pieces', at, 'lengthM')" /> by <QuantityField label="Width of the piece" kind="length" :value="piece.widthM" :set="set(index, 'pieces', at, 'widthM')" />
          <button v-if="roof.pieces.length > 1" type="button" class="plain small" @click="set(index, 'pieces')(roof.pieces.filter((_, other) => other !== at))">(take out)</button>
        </template>:
        <b class="figure">{{ show(roofAreaM2(roof), 'area') }}</b> seen from above, pitched <QuantityField label="Pitch" kind="angle" :value="roof.pitchDeg" :set="set(index, 'pitchDeg')" />.
        In a mean year it gives <SumFigure name="roof-yield" :input="meanYearYieldInput(open.site!, roof)">{{ litres(roofYield(meanYearYieldInput(open.site!, roof)).volumeL) }}</SumFigure>; the design storm sends
        <SumFigure name="storm-flow" :input="stormInput(roof)">{{ show(stormFlow(stormInput(roof)).flowLps, 'flow') }}</SumFigure> down it.
        <span v-if="ROOFING[roof.material].drinkingCaution" class="small soft"> For drinking: {{ ROOFING[roof.material].drinkingCaution }}.</span>
      </p>
      <p v-for="(spout, at) in roof.spouts" :key="spout.nodeId" class="small">
        {{ spoutOf(spout.nodeId)?.name }}, outlet at <QuantityField label="Height of the outlet" kind="length" :value="spoutOf(spout.nodeId)!.baseM" :set="baseM => open.make(moveOf('setHeight', { node: spout.nodeId, baseM }))" />,
        takes <QuantityField label="Share of the roof" kind="share" :value="spout.share" :set="set(index, 'spouts', at, 'share')" /> of it.
        {{ bypassOf(spout.nodeId).length ? 'Sent to ground in' : 'Sent to ground in no month:' }} <MonthsField :value="bypassOf(spout.nodeId)" :label="`By-pass months of ${spoutOf(spout.nodeId)?.name}`" :set="setNode(spout.nodeId, 'bypassMonths')" />
      </p>
      <p class="small soft">
        Of the rain {{ show(roofLosses(roof).runoffCoefficient, 'share') }} runs off after {{ show(roofLosses(roof).wettingLossMm, 'rain') }} has wetted it{{ roof.runoffCoefficient === undefined ? ', as the material usually gives' : ', as measured' }}.
        <button type="button" class="plain small" @click="open.make(moveOf('addRoofPiece', { roof: roof.id, lengthM: 3, widthM: 3 }))">Add a piece</button> ·
        <button type="button" class="plain small" @click="open.make(moveOf('addSpout', { roof: roof.id }))">Add a spout</button> ·
        <button type="button" class="plain small" @click="open.make(moveOf('remove', { id: roof.id }))">Take this roof out</button>
      </p>
    </div>
    <div class="moves"><button type="button" class="move" @click="addRoof">Add a roof</button></div>
    <ClimateBlock />
  </div>
</template>

<style scoped>
.roof { border-bottom: 1px solid var(--hair); margin-bottom: 8px; line-height: 1.85; }
.roof.on { background: color-mix(in srgb, var(--oak) 7%, transparent); }
.roof p { margin-bottom: 2px; }
</style>
