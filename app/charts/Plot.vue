<script setup lang="ts">
import PlotRows from './PlotRows.vue'
import { measuresOf, type PlotAxes, type PlotGrip, type PlotMark, type Series } from './plot'
import { useUnits } from '~/fields/useUnits'

/** Figures along two axes, in our look: hover reads them, and they stand in figures below for whoever asks. */
const props = withDefaults(
  defineProps<{
    axes: PlotAxes
    series: readonly Series[]
    /** What it says, in one sentence, for whoever does not see it. */
    spoken: string
    marks?: readonly PlotMark[]
    grip?: PlotGrip
    heightPx?: number
    legend?: boolean
    /** A small one that is glanced at: it is not hovered over, nor told in figures. */
    glance?: boolean
  }>(),
  { marks: () => [], grip: undefined, heightPx: 190 },
)
/** What draws it comes by itself, with the chart library: its room is kept until it is there. */
const PlotDrawn = defineAsyncComponent(() => import('./PlotDrawn.vue'))
const { system } = useUnits()
const measures = computed(() => measuresOf(props.axes, props.series, system.value))
</script>

<template>
  <div class="plot">
    <div class="drawn" :style="{ height: `${heightPx}px` }">
      <PlotDrawn
        :axes="axes"
        :series="series"
        :measures="measures"
        :marks="marks"
        :grip="grip"
        :spoken="spoken"
        :legend="legend"
        :glance="glance"
      />
    </div>
    <PlotRows v-if="!glance" :axes="axes" :series="series" :measures="measures" :spoken="spoken" />
  </div>
</template>

<style scoped>
.plot {
  min-width: 0;
  width: 100%;
}
.drawn {
  position: relative;
  min-width: 0;
}
</style>
