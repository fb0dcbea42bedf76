<script setup lang="ts">
import PlotHandle from './PlotHandle.vue'
import { chartLibrary } from './chartLibrary'
import {
  PLOT_COLOURS,
  plotData,
  plotOptions,
  type Measures,
  type Palette,
  type PlotAxes,
  type PlotGrip,
  type PlotMark,
  type Series,
} from './plot'
import { nextFrame } from '~/engine/nextTask'
import { usePrefs } from '~/stores/prefs'
import type { Chart } from 'chart.js'
import { Chart as VueChart } from 'vue-chartjs'

/** A plot as the chart library draws it, and over it what that does not draw: named marks, and one that is dragged. */
const props = defineProps<{
  axes: PlotAxes
  series: readonly Series[]
  measures: Measures
  marks: readonly PlotMark[]
  grip: PlotGrip | undefined
  spoken: string
  legend: boolean
  glance: boolean
}>()
chartLibrary()

const prefs = usePrefs()
const palette = computed((): Palette => {
  void prefs.dark
  const style = getComputedStyle(document.documentElement)
  const colours = Object.entries(PLOT_COLOURS).map(([name, variable]) => [
    name,
    style.getPropertyValue(variable).trim(),
  ])
  return Object.fromEntries(colours) as Palette
})
const data = computed(() => plotData(props.series, props.measures, palette.value))
const options = computed(() => {
  const { axes, series, measures, legend, glance } = props
  return plotOptions(axes, series, measures, palette.value, { legend, glance })
})

/** The chart once it is laid out, each time it is: what stands over it follows its axes. */
const laid = shallowRef<{ chart: Chart }>()
const follow = { id: 'follow', afterUpdate: (chart: Chart) => void (laid.value = { chart }) }
const placed = computed(() => {
  const chart = laid.value?.chart
  const { x, y } = chart?.scales ?? {}
  if (!chart || !x || !y) return undefined
  const leftOf = (value: number) => x.getPixelForValue(props.measures.x.of(value))
  const topOf = (value: number) => y.getPixelForValue(props.measures.y.of(value))
  return {
    marks: props.marks.map(mark => {
      const leftPx = leftOf(mark.x)
      return {
        ...mark,
        leftPx,
        topPx: mark.y === undefined ? undefined : topOf(mark.y),
        late: leftPx > chart.width * 0.7,
      }
    }),
    grip: props.grip && { leftPx: leftOf(props.grip.x), topPx: topOf(props.grip.y) },
    area: chart.chartArea,
    at: (leftPx: number) => props.measures.x.back(x.getValueForPixel(leftPx) ?? 0),
  }
})
/** It is drawn once what stands around it is laid out, in a task of its own: it measures itself and its words. */
const ready = ref(false)
onMounted(async () => {
  await nextFrame()
  ready.value = true
})
</script>

<template>
  <VueChart
    v-if="ready"
    type="line"
    :data="data"
    :options="options"
    :plugins="[follow]"
    role="img"
    :aria-label="spoken"
  />
  <template v-if="placed">
    <template v-for="(mark, at) in placed.marks" :key="at">
      <i
        v-if="mark.topPx === undefined"
        class="stem"
        :style="{
          left: `${mark.leftPx}px`,
          top: `${placed.area.top}px`,
          height: `${placed.area.height}px`,
          borderColor: `var(${PLOT_COLOURS[mark.colour]})`,
        }"
      />
      <span
        v-if="mark.words"
        class="words"
        :class="{ late: mark.late }"
        :style="{
          left: `${mark.leftPx}px`,
          top: `${mark.topPx ?? placed.area.top}px`,
          color: `var(${PLOT_COLOURS[mark.colour]})`,
        }"
        >{{ mark.words }}</span
      >
    </template>
    <PlotHandle v-if="grip && placed.grip" :grip="grip" :place="placed.grip" :area="placed.area" :at="placed.at" />
  </template>
</template>

<style scoped>
.stem {
  position: absolute;
  border-left: 1.4px dashed;
  pointer-events: none;
}
.words {
  position: absolute;
  transform: translate(7px, -1.5em);
  font-size: 12px;
  font-weight: 650;
  white-space: nowrap;
  pointer-events: none;
}
.words.late {
  transform: translate(calc(-100% - 7px), -1.5em);
}
</style>
