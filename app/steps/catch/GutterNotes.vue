<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ThingField from '~/fields/ThingField.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { downpipeFlow } from '#core/sums'
import { designStorm, gutterSum, nodeById, type Gutter, type Roof, type GutterStretch, nameOf } from '#core/site'
import { catchLimits } from '#core/network'
import { moveOf } from '#core/moves'
import { GUARD_IDS, GUARDS, GUTTER_PROFILES, GUTTER_WORDS, type GutterProfile } from '#core/catalog'

/**
 * The stretch of gutter that leads to one spout, and its downpipe: what each carries against the storm, and what
 * spills.
 */
const props = defineProps<{ roof: Roof; stretch: GutterStretch }>()
const store = useSite()
const results = useResults()
const { show, litres } = useUnits()
const site = computed(() => store.site!)
const share = computed(() => props.stretch)
const spout = computed(() => nodeById(site.value, share.value.nodeId))
const gutter = computed(() => share.value.gutter)
const limit = computed(() =>
  catchLimits(site.value).find(entry => entry.roof === props.roof && entry.spout.id === share.value.nodeId)!,
)
const storm = computed(() => designStorm(site.value))
const carries = computed(() => gutter.value && gutterSum(gutter.value))
const downpipe = computed(() => ({ innerDiameterMm: limit.value.spout.boreMm }))
const lost = computed(() =>
  results.roofYear?.catches.find(entry => entry.roofId === props.roof.id && entry.spoutId === share.value.nodeId),
)
const spills = computed(() => storm.value && limit.value.spillsAtMmPerH < storm.value.intensityMmPerH * 0.98)
const set = useThing('stretch', () => props.stretch.id)
const setSpout = useThing('node', () => props.stretch.nodeId)
const profiles = GUTTER_PROFILES.map(value => ({ value, name: GUTTER_WORDS[value] }))
const guards = choicesOf(GUARD_IDS, GUARDS)
const ENDS = [
  { value: 'end' as const, name: 'at its end' },
  { value: 'middle' as const, name: 'in its middle' },
]
const BELOW = [
  { value: 'unknown' as const, name: 'what nobody has looked at yet' },
  { value: 'harmless' as const, name: 'nothing that is harmed' },
  { value: 'door' as const, name: 'a door or a footing' },
]
const setProfile = (profile: GutterProfile) =>
  set('gutter')({
    ...gutter.value,
    profile,
    slope: profile !== 'half-round' ? Math.max(0.003, gutter.value?.slope ?? 0) : 0,
  } satisfies Partial<Gutter>)
function size(): void {
  store.make(moveOf('fitGutter', { roof: props.roof.id, spout: share.value.nodeId }), `size:${share.value.nodeId}`)
  store.make(moveOf('fitDownpipe', { spout: share.value.nodeId }), `size:${share.value.nodeId}`)
  store.settle()
}
</script>

<template>
  <p class="gutter" :data-spout="share.nodeId">
    <b><NameField :value="nameOf(site, spout.id)" label="Name of the spout" :set="setSpout('name')" /></b> takes
    <ThingField :id="stretch.id" of="stretch" name="share" label="Share of the roof" /> of it, its outlet at
    <QuantityField
      label="Height of the outlet"
      kind="length"
      :value="spout.baseM"
      :set="baseM => store.make(moveOf('setHeight', { node: spout.id, baseM }))"
    />.
    <template v-if="gutter && carries">
      The gutter is <ChoiceField label="Gutter" :value="gutter.profile" :choices="profiles" :set="setProfile" />{{
        ' '
      }}
      <ThingField :id="stretch.id" of="stretch" name="gutter.widthMm" label="Width of the gutter" />
      wide<template v-if="gutter.profile !== 'half-round'"
        >,
        <ThingField :id="stretch.id" of="stretch" name="gutter.depthMm" label="Depth of the gutter" />
        deep, falling
        <ThingField :id="stretch.id" of="stretch" name="gutter.slope" label="Fall of the gutter" /></template
      >, with the outlet
      <ChoiceField
        label="Where the outlet is"
        :value="gutter.outletAt"
        :choices="ENDS"
        :set="set('gutter.outletAt')"
      />; it carries
      <SumFigure :name="carries.name" :input="carries.input">{{ show(limit.gutterLps!, 'flow') }}</SumFigure><template
        v-if="gutter.outletAt === 'middle'"
      >
        from its two sides</template
      >.
    </template>
    <template v-else
      >Its gutter is not described.
      <button
        type="button"
        class="plain"
        @click="store.make(moveOf('fitGutter', { roof: roof.id, spout: share.nodeId }))"
      >
        Take one that carries the storm</button
      >.</template
    >
    The downpipe of
    <QuantityField label="Bore of the downpipe" kind="pipe" :value="limit.spout.boreMm" :set="setSpout('boreMm')" />
    passes
    <SumFigure name="downpipe-flow" :input="downpipe">{{ show(downpipeFlow(downpipe).flowLps, 'flow') }}</SumFigure>.
    <template v-if="storm && limit.stormLps !== undefined">
      The storm brings {{ show(limit.stormLps, 'flow') }}:
      <b v-if="spills" class="wrong"
        >the {{ limit.first }} spills from {{ show(limit.spillsAtMmPerH, 'intensity') }} on</b
      ><template v-else-if="limit.first"
        >all of it gets through; the {{ limit.first }} would spill first, from
        {{ show(limit.spillsAtMmPerH, 'intensity') }}</template
      ><template v-else>nothing is known that would spill</template
      ><template v-if="lost && lost.overGutterL >= 1"
        >, and <b class="figure">{{ litres(lost.overGutterL) }}</b> a year never reach the tank</template
      >.
    </template>
    <template v-if="gutter">
      <br /><span class="small"
        >It has
        <ChoiceField label="Leaf guard" :value="gutter.guard" :choices="guards" :set="set('gutter.guard')" /><template
          v-if="gutter.guard !== 'none'"
          >, which keeps out {{ GUARDS[gutter.guard].keepsOut }}, lets through {{ GUARDS[gutter.guard].letsThrough }},
          throws off {{ show(GUARDS[gutter.guard].lossShare, 'share') }} and wants cleaning every
          {{ GUARDS[gutter.guard].cleanEveryDays }} days</template
        >. Below it lies
        <ChoiceField
          label="What lies below the gutter"
          :value="gutter.below"
          :choices="BELOW"
          :set="set('gutter.below')"
        />.
        <button v-if="storm" type="button" class="plain small" @click="size">
          Size gutter and downpipe for the storm</button
        >{{ storm ? ' ·' : '' }}</span
      >
    </template>
    {{ ' '
    }}<button type="button" class="plain small" @click="store.make(moveOf('remove', { id: spout.id }))">
      Take this spout out
    </button>
  </p>
</template>

<style scoped>
.gutter {
  margin: 4px 0;
  padding-left: 8px;
  border-left: 2px solid var(--line-roof);
}
.wrong {
  color: var(--rust);
}
</style>
