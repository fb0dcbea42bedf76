<script setup lang="ts">
import type { Pool } from '#core/balance'
import { BASE_IDS, BASES, TANK_KINDS } from '#core/catalog'
import { baseLoad, staticPressure, tankHeight } from '#core/sums'
import { contactAreaM2, moveOf, portsByRole, runsFrom, tankNominalL, type Tank } from '#core/site'

/** One tank in words, every figure a field. */
const props = defineProps<{ tank: Tank, pool: Pool }>()
const open = useSite()
const { litres, show } = useUnits()
const { nodeId, pickNode } = useSelection()

const index = computed(() => open.site!.nodes.findIndex(node => node.id === props.tank.id))
const set = (...path: (string | number)[]) => (value: unknown) => open.make(moveOf('change', { path: ['nodes', index.value, ...path], value }))
const resize = (field: string) => (value: number) => open.make(moveOf('resizeTank', { tank: props.tank.id, shape: { [field]: value } }))
const port = (name: string, field: 'heightM' | 'boreMm') => (value: number) => open.make(moveOf('setPort', { tank: props.tank.id, port: name, [field]: value }))

const shape = computed(() => props.tank.shape)
const volumeInput = computed(() => ({ ...shape.value, levelM: tankHeight(shape.value) }))
const loadInput = computed(() => ({ volumeL: tankNominalL(props.tank), emptyMassKg: props.tank.emptyMassKg, contactAreaM2: contactAreaM2(props.tank) }))
const load = computed(() => baseLoad(loadInput.value))
const headInput = computed(() => ({ headM: Math.round(Math.max(0, props.pool.capM - props.tank.groundM) * 100) / 100 }))
const overflow = computed(() => portsByRole(props.tank, 'overflow').find(candidate => runsFrom(open.site!, props.tank.id, candidate.name).length))
const spillsTo = computed(() => { const run = overflow.value && runsFrom(open.site!, props.tank.id, overflow.value.name)[0]; return run && open.site!.nodes.find(node => node.id === run.to.node)?.name })
const inlet = computed(() => portsByRole(props.tank, 'inlet')[0])
const outlets = computed(() => portsByRole(props.tank, 'outlet'))
const links = computed(() => open.site!.runs.map((run, at) => ({ run, at })).filter(({ run }) => run.from.node === props.tank.id && run.from.port.startsWith('link')))
const setLink = (link: { run: { from: { port: string }, to: { node: string, port: string } }, at: number }, boreMm: number) => {
  const key = `link:${link.at}`
  const problem = open.make(moveOf('setPort', { tank: props.tank.id, port: link.run.from.port, boreMm }), key) ?? open.make(moveOf('setPort', { tank: link.run.to.node, port: link.run.to.port, boreMm }), key)
  open.settle()
  return problem
}

const BASE_WORDS = BASE_IDS.map(value => ({ value, name: BASES[value].name }))
const LIGHT = [{ value: true, name: 'lets no light in' }, { value: false, name: 'lets light through' }]
const SUN = [{ value: true, name: 'in the sun' }, { value: false, name: 'in the shade' }]
const LIDS = [{ value: true, name: 'with a lid' }, { value: false, name: 'open' }]
const INLETS = [{ value: 'top' as const, name: 'from the top' }, { value: 'calmed' as const, name: 'calmed, at the bottom' }]
</script>

<template>
  <div class="tank" :class="{ on: nodeId === tank.id }" @focusin="pickNode(tank.id)">
    <p>
      <b><NameField :value="tank.name" label="Name of the tank" :set="set('name')" /></b>, {{ /^[aeiou]/.test(TANK_KINDS[tank.tankKind].name) ? 'an' : 'a' }} {{ TANK_KINDS[tank.tankKind].name }}
      <template v-if="shape.shape !== 'box'"><QuantityField label="Diameter" kind="length" :value="shape.diameterM" :set="resize('diameterM')" /> across </template>
      <template v-if="shape.shape === 'box'"><QuantityField label="Length" kind="length" :value="shape.lengthM" :set="resize('lengthM')" /> by <QuantityField label="Width" kind="length" :value="shape.widthM" :set="resize('widthM')" /> </template>
      <template v-if="shape.shape === 'lying-cylinder'">and <QuantityField label="Length" kind="length" :value="shape.lengthM" :set="resize('lengthM')" /> long</template>
      <template v-else>and <QuantityField label="Height" kind="length" :value="shape.heightM" :set="resize('heightM')" /> tall</template>:
      <SumFigure name="tank-volume" :input="volumeInput">{{ litres(tankNominalL(tank)) }}</SumFigure> to the rim, <ChoiceField label="Lid" :value="tank.lid" :choices="LIDS" :set="set('lid')" />,
      on <ChoiceField label="Base" :value="tank.base" :choices="BASE_WORDS" :set="set('base')" /> at <QuantityField label="Height of the floor" kind="length" :value="tank.baseM" :set="baseM => open.make(moveOf('setHeight', { node: tank.id, baseM }))" />, ground at <QuantityField label="Height of the ground" kind="length" :value="tank.groundM" :set="set('groundM')" />.
      Full, it weighs <SumFigure name="base-load" :input="loadInput">{{ show(load.massKg, 'mass') }}</SumFigure> and presses {{ show(load.pressureKPa, 'pressure') }} on its base<template v-if="headInput.headM > 0">; at the ground beside it the full water gives <SumFigure name="static-pressure" :input="headInput">{{ show(staticPressure(headInput).pressureKPa, 'pressure') }}</SumFigure></template>.
    </p>
    <p>
      <template v-if="inlet">Water comes in <ChoiceField label="Inlet" :value="tank.inletStyle" :choices="INLETS" :set="set('inletStyle')" /> through <QuantityField label="Bore of the inlet" kind="bore" :value="inlet.boreMm" :set="port(inlet.name, 'boreMm')" /> at <QuantityField label="Height of the inlet" kind="length" :value="inlet.heightM" :set="port(inlet.name, 'heightM')" /> above the floor</template>
      <template v-if="overflow"> and spills at <QuantityField label="Height of the overflow" kind="length" :value="overflow.heightM" :set="port(overflow.name, 'heightM')" /> through <QuantityField label="Bore of the overflow" kind="bore" :value="overflow.boreMm" :set="port(overflow.name, 'boreMm')" /> to {{ spillsTo }}</template>
      <template v-else-if="pool.tanks.length > 1"> and spills through {{ pool.spillsAt.tank.name }}</template>.
      <template v-for="outlet in outlets" :key="outlet.name"> Drawn at <QuantityField label="Height of the outlet" kind="length" :value="outlet.heightM" :set="port(outlet.name, 'heightM')" /> through <QuantityField label="Bore of the outlet" kind="bore" :value="outlet.boreMm" :set="port(outlet.name, 'boreMm')" />.</template>
      <template v-for="link in links" :key="link.run.id"> Joined by <QuantityField label="Bore of the link" kind="bore" :value="tank.ports.find(candidate => candidate.name === link.run.from.port)?.boreMm" :set="boreMm => setLink(link, boreMm)" /> pipe.</template>
      It <ChoiceField label="Light" :value="tank.lightTight" :choices="LIGHT" :set="set('lightTight')" /> and stands <ChoiceField label="Sun" :value="tank.sunlit" :choices="SUN" :set="set('sunlit')" />, with a vent of <QuantityField label="Bore of the vent" kind="bore" :value="tank.ventMm" :set="set('ventMm')" />.
      <button type="button" class="plain small" @click="open.make(moveOf('remove', { id: tank.id }))">Take it out</button>
    </p>
  </div>
</template>

<style scoped>
.tank { margin-bottom: 6px; line-height: 1.9; padding-left: 8px; border-left: 2px solid transparent; }
.tank.on { border-left-color: var(--oak); }
p { margin-bottom: 2px; }
</style>
