<script setup lang="ts">
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { lineFrom, spoutAreaM2, usualFlushMm } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'

/** A spout whose water meets no chamber: what its first rain comes to, and the chambers that would keep it. */
const props = defineProps<{ spout: NodeOf<'spout'> }>()
const store = useSite()
const { show, litres } = useUnits()
const site = computed(() => store.site!)
const last = (id: string) => lineFrom(site.value, id).at(-1)
/** Spouts that share the end of its line, itself among them. */
const sharing = computed(() =>
  site.value.nodes.filter(node => node.kind === 'spout' && last(node.id) && last(node.id) === last(props.spout.id)),
)
const depthMm = computed(() => usualFlushMm(site.value))
const areaM2 = (id: string) => Math.round(spoutAreaM2(site.value, id) * 10) / 10
const lineL = computed(() => sharing.value.reduce((sum, { id }) => sum + areaM2(id), 0) * depthMm.value)
</script>

<template>
  <p v-if="areaM2(spout.id) > 0 && last(spout.id)">
    {{ spout.name }} has no first flush; the first <b class="figure">{{ show(depthMm, 'rain') }}</b> off it are
    <SumFigure name="first-flush-volume" :input="{ planAreaM2: areaM2(spout.id), depthMm }">{{
      litres(areaM2(spout.id) * depthMm)
    }}</SumFigure><template v-if="sharing.length > 1">, of the whole line {{ litres(lineL) }}</template
    >.
    <button type="button" class="move" @click="store.make(moveOf('fitFirstFlush', { spout: spout.id }))">
      Fit a chamber to {{ spout.name }}
    </button>
    <button
      v-if="sharing.length > 1"
      type="button"
      class="move"
      @click="store.make(moveOf('fitFirstFlush', { spout: spout.id, at: 'line' }))"
    >
      Fit one for the whole line
    </button>
  </p>
  <p v-else class="soft">The first of a rain carries the dirt of the roof; no roof drains here yet.</p>
</template>
