<script setup lang="ts">
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import { usePrint } from '~/print/printNotes'
import MarksField from './MarksField.vue'
import RolledWall from './RolledWall.vue'
import { group } from 'd3-array'
import { buildFor } from './describe'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { portId, tanksOf } from '#core/site'
import { moveOf, setField } from '#core/moves'
import { holeSheets } from '#core/exchange'
import { landsAtMm, type Hole } from '#core/build'
import type { Tank } from '#core/kinds'

/** Each tank's holes: how high, which way they face, what saw, from which side; the wall rolled flat; true-size templates. */
const store = useSite()
const { show } = useUnits()
const { saveAs } = useFiles()
const holes = computed(() => buildFor(store.site!)!.holes)
const byTank = computed(() => group(holes.value, ({ tankId }) => tankId))
const tanks = computed(() => tanksOf(store.site!).filter(({ id }) => byTank.value.has(id)))
const tankOf = ({ id }: Tank) => id
const of = (tank: Tank) => byTank.value.get(tank.id) ?? []
const BY: Record<Hole['by'], string> = {
  bulkhead: 'for a bulkhead fitting',
  ring: 'for a rubber ring',
  lid: 'through the lid, with a rubber ring',
  'fitting of its own': 'there already',
}
const sheetsOf = (tank: Tank) =>
  holeSheets(
    tank.name,
    of(tank),
    hole =>
      `${of(tank).indexOf(hole) + 1}: ${hole.port.role}, ${show(hole.sawMm, 'bore')}, ${show(hole.heightM, 'length')} up`,
    store.system,
  )
async function savePdf(tank: Tank): Promise<void> {
  const { pagesAsPdf } = await import('~/print/pdf')
  saveAs(`holes-${tank.id}.pdf`, 'application/pdf', await pagesAsPdf(sheetsOf(tank), store.system))
}
function saveSvg(tank: Tank): void {
  const sheets = sheetsOf(tank)
  for (const [at, svg] of sheets.entries())
    saveAs(`holes-${tank.id}${sheets.length > 1 ? `-${at + 1}` : ''}.svg`, 'image/svg+xml', svg)
}
const print = usePrint()
</script>

<template>
  <section data-notes="holes" class="printed">
    <h2>Holes</h2>
    <p class="unprinted">
      Measure twice: from the floor of the tank, and round from its front. Clear of ribs, seams and the float’s arm ·
      <button type="button" class="plain" @click="print">Print it</button>
    </p>
    <LongList v-slot="{ item: tank }" :items="tanks" :key-of="tankOf">
      <FoldGroup
        :id="`build-holes-${tank.id}`"
        :title="tank.name"
        :summary="of(tank).length === 1 ? 'one hole' : `${of(tank).length} holes`"
        :open="tank === tanks[0]"
      >
        <RolledWall :tank="tank" :holes="of(tank)" />
        <div class="wide">
          <table>
            <thead>
              <tr>
                <th scope="col" />
                <th scope="col">above the floor</th>
                <th scope="col">faces</th>
                <th scope="col">saw</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="(hole, at) in of(tank)" :key="hole.id" :data-hole="hole.id">
                <th scope="row">{{ at + 1 }}. {{ hole.words }}</th>
                <td>
                  <QuantityField
                    :label="`Height of ${hole.port.name} of ${tank.name}`"
                    kind="length"
                    :value="hole.heightM"
                    :set="
                      value => store.make(moveOf('setPort', { tank: tank.id, port: hole.port.name, heightM: value }))
                    "
                  />
                </td>
                <td>
                  <QuantityField
                    :label="`Bearing of ${hole.port.name} of ${tank.name}`"
                    kind="angle"
                    :value="hole.bearingDeg"
                    :set="value => store.make(setField('port', portId(tank.id, hole.port.name), 'bearingDeg', value))"
                  /><span v-if="hole.guessed" class="soft small"> guessed</span>
                </td>
                <td>
                  {{ show(hole.sawMm, 'bore') }} <span class="soft small">{{ BY[hole.by] }}, from {{ hole.from }}</span>
                </td>
                <td>
                  <span v-if="hole.runId" class="soft small"
                    >an elbow turns {{ show(landsAtMm(store.site!, hole.runId), 'bore') }} out.
                  </span>
                  <span v-for="words in hole.faults" :key="words" class="wrong small">{{ words }}. </span>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="small">
          <MarksField
            label="ribs"
            kind="length"
            :values="tank.ribsM ?? []"
            :set="values => store.make(setField('node', tank.id, 'ribsM', values.length ? values : undefined))"
          />;
          <MarksField
            label="seams"
            kind="angle"
            :values="tank.seamsDeg ?? []"
            :set="values => store.make(setField('node', tank.id, 'seamsDeg', values.length ? values : undefined))"
          />; its maker lets fittings through up to
          <QuantityField
            :label="`Fittings up to, ${tank.name}`"
            kind="length"
            :value="tank.fittingsUpToM"
            empty="not said"
            :set="value => store.make(setField('node', tank.id, 'fittingsUpToM', value))"
          />.
        </p>
        <p class="unprinted small">
          <button type="button" class="plain" :data-save="`holes-${tank.id}`" @click="savePdf(tank)">
            Templates at true size, as PDF
          </button>
          ·
          <button type="button" class="plain" @click="saveSvg(tank)">as SVG</button>
        </p>
      </FoldGroup>
    </LongList>
  </section>
</template>

<style scoped>
h3 {
  margin: 10px 0 2px;
}
</style>
