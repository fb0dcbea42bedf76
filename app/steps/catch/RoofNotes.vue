<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ThingField from '~/fields/ThingField.vue'
import BesideFigure from '~/fields/BesideFigure.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import GutterNotes from '~/steps/catch/GutterNotes.vue'
import RoofPlan from '~/steps/catch/RoofPlan.vue'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { roofYield, stormFlow } from '#core/sums'
import { designStorm, lossSchool, meanYearYieldInput, roofAreaM2, roofLosses, type Roof } from '#core/site'
import { moveOf, setField } from '#core/moves'
import {
  DIRTINESS,
  DIRTINESS_IDS,
  QUALITY_WORDS,
  ROOF_EXTRA_IDS,
  ROOF_EXTRAS,
  ROOFING,
  ROOFING_IDS,
  type Quality,
  type RoofExtraId,
} from '#core/catalog'

/** One roof: how large, of what, how dirty, and the gutters and spouts that take its water. */
const props = defineProps<{ roof: Roof }>()
const store = useSite()
const { show, litres } = useUnits()
const { nodeId } = useSelection()
const site = computed(() => store.site!)
const outlining = ref(false)
const LazyOutlineDialog = defineAsyncComponent(() => import('~/steps/catch/OutlineDialog.vue'))
const materials = choicesOf(ROOFING_IDS, ROOFING)
const dirt = choicesOf(DIRTINESS_IDS, DIRTINESS)
const MEASURES = [
  { value: 'pieces' as const, name: 'rectangles' },
  { value: 'outline' as const, name: 'an outline' },
  { value: 'area' as const, name: 'its area' },
]
/** Spouts of other roofs, which may take some of this one's water too. */
const others = computed(() =>
  site.value.nodes.filter(node => node.kind === 'spout' && !props.roof.spouts.some(spout => spout.nodeId === node.id)),
)
const set = useThing('roof', () => props.roof.id)
const setPiece = (id: string, field: string) => (value: unknown) => store.make(setField('piece', id, field, value))
const areaM2 = computed(() => roofAreaM2(props.roof))
const losses = computed(() => roofLosses(props.roof, lossSchool(site.value)))
const yieldInput = computed(() => meanYearYieldInput(site.value, props.roof))
const storm = computed(() => designStorm(site.value))
const stormInput = computed(() => ({
  planAreaM2: Math.round(areaM2.value * 100) / 100,
  intensityMmPerH: Math.round((storm.value?.intensityMmPerH ?? 0) * 10) / 10,
}))
const cautions = computed(() => {
  const causes = [
    ROOFING[props.roof.material],
    ...(props.roof.extras ?? []).map(extra => ROOF_EXTRAS[extra] as { unfitFor?: Quality[]; caution?: string }),
  ]
  return causes
    .filter(cause => cause.unfitFor)
    .map(
      ({ unfitFor, caution }) =>
        `Doubtful for ${unfitFor!.map(quality => QUALITY_WORDS[quality]).join(', ')}: ${caution}.`,
    )
})
const toggle = (extra: RoofExtraId) =>
  set('extras')(
    props.roof.extras?.includes(extra)
      ? props.roof.extras.filter(other => other !== extra)
      : [...(props.roof.extras ?? []), extra],
  )
function measureBy(by: 'pieces' | 'outline' | 'area'): void {
  if (by === 'outline' && !props.roof.outline) outlining.value = true
  else store.make(moveOf('measureRoof', { roof: props.roof.id, by }))
}
</script>

<template>
  <div class="roof" :class="{ on: nodeId === roof.id }" :data-roof="roof.id">
    <BesideFigure>
      <template v-if="roof.measuredBy !== 'area'" #figure><RoofPlan :roof="roof" /></template>
      <p>
        <b><NameField :value="roof.name" label="Name of the roof" :set="set('name')" /></b>
        is <ChoiceField label="Roofing" :value="roof.material" :choices="materials" :set="set('material')" />, measured
        by
        <ChoiceField label="Measured by" :value="roof.measuredBy ?? 'pieces'" :choices="MEASURES" :set="measureBy" />:
        <template v-if="roof.measuredBy === 'area'"
          ><ThingField :id="roof.id" of="roof" name="areaM2" label="Area of the roof"
        /></template>
        <template v-else-if="roof.measuredBy !== 'outline'">
          <template v-for="(piece, at) in roof.pieces" :key="piece.id">
            {{ piece.cut ? 'less ' : at ? 'and ' : ''
            }}<template v-if="roof.pieces.length > 1 || piece.count !== 1"
              ><QuantityField
                label="How many pieces"
                kind="count"
                :value="piece.count"
                :set="setPiece(piece.id, 'count')"
              />
              of
            </template>
            <QuantityField
              label="Length of the piece"
              kind="length"
              :value="piece.lengthM"
              :set="setPiece(piece.id, 'lengthM')"
            />
            by
            <QuantityField
              label="Width of the piece"
              kind="length"
              :value="piece.widthM"
              :set="setPiece(piece.id, 'widthM')"
            />{{ ' ' }}
          </template>
        </template>
        <template v-if="roof.measuredBy !== 'area'"
          >{{ roof.measuredBy === 'outline' ? '' : '– together ' }}<b class="figure">{{ show(areaM2, 'area') }}</b> seen
          from above</template
        >, pitched <ThingField :id="roof.id" of="roof" name="pitchDeg" label="Pitch" />. It
        <ChoiceField
          label="How dirty it gets"
          :value="roof.dirtiness ?? 'some'"
          :choices="dirt"
          :set="set('dirtiness')"
        />.
      </p>
      <p>
        In a mean year it gives
        <SumFigure name="roof-yield" :input="yieldInput">{{
          litres(roofYield(yieldInput).volumeL)
        }}</SumFigure><template v-if="storm"
          >; the design storm sends
          <SumFigure name="storm-flow" :input="stormInput">{{ show(stormFlow(stormInput).flowLps, 'flow') }}</SumFigure>
          down it</template
        >.
        <span class="small soft">
          <template v-if="losses.wettingLossMm"
            >{{ show(losses.wettingLossMm, 'rain') }} of each rain wet it, then </template
          ><QuantityField
            label="Runoff coefficient"
            kind="share"
            :value="roofLosses(roof).runoffCoefficient"
            :set="set('runoffCoefficient')"
          />
          runs off{{ roof.runoffCoefficient === undefined ? ', as the material usually gives' : ', as measured' }}.
          <button
            v-if="roof.runoffCoefficient !== undefined"
            type="button"
            class="plain small"
            @click="set('runoffCoefficient')(undefined)"
          >
            As the material gives
          </button>
        </span>
      </p>
      <p class="small">
        It carries
        <span role="group" aria-label="What else is on the roof"
          ><button
            v-for="extra in ROOF_EXTRA_IDS"
            :key="extra"
            type="button"
            class="tick"
            :aria-pressed="Boolean(roof.extras?.includes(extra))"
            @click="toggle(extra)"
          >
            {{ ROOF_EXTRAS[extra].name }}
          </button></span
        >
        <span v-for="caution in cautions" :key="caution" class="caution">{{ caution }}</span>
      </p>
      <GutterNotes v-for="stretch in roof.spouts" :key="stretch.id" :roof="roof" :stretch="stretch" />
      <p class="small soft">
        <button type="button" class="plain small" @click="store.make(moveOf('addSpout', { roof: roof.id }))">
          Add a spout
        </button>
        ·
        <template v-for="spout in others" :key="spout.id"
          ><button
            type="button"
            class="plain small"
            @click="store.make(moveOf('giveShare', { spout: spout.id, roof: roof.id }))"
          >
            Lead part of it to {{ spout.name }}
          </button>
          ·
        </template>
        <button type="button" class="plain small" @click="outlining = true">Read an outline</button> ·
        <button type="button" class="plain small" @click="store.make(moveOf('remove', { id: roof.id }))">
          Take this roof out
        </button>
      </p>
    </BesideFigure>
    <LazyOutlineDialog v-if="outlining" v-model="outlining" :roof="roof" />
  </div>
</template>

<style scoped>
.roof {
  border-bottom: 1px solid var(--hair);
  margin-bottom: 8px;
  line-height: 1.85;
  padding-bottom: 4px;
}
.roof.on {
  background: color-mix(in srgb, var(--oak) 7%, transparent);
}
p {
  margin-bottom: 2px;
}
.tick {
  border: 0;
  border-bottom: 2px solid var(--hair);
  background: none;
  color: var(--soft);
  font-size: 13.5px;
  cursor: pointer;
  padding: 0 4px;
  margin-right: 6px;
  border-radius: 2px 2px 0 0;
}
.tick[aria-pressed='true'] {
  background: var(--field);
  border-bottom-color: var(--oak);
  color: var(--ink);
  font-weight: 600;
}
.tick[aria-pressed='true']::before {
  content: '✓ ';
}
.caution {
  display: block;
  color: var(--straw-ink);
  line-height: 1.45;
}
</style>
