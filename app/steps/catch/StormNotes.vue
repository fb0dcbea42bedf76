<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { designStorm } from '#core/site'
import { catchLimits } from '#core/network'
import { fiveYearDayMm, SPLIT_MINUTES, stormOfDay, weatherSeries } from '#core/climate'
import { WET_DAY_HOURS } from '#core/catalog'

/**
 * The design storm: how rare it may be or how hard it is known to be, and how a hard day's rain comes down hour by
 * hour.
 */
const store = useSite()
const { show } = useUnits()
const storm = computed(() => designStorm(store.site!))
const climate = computed(() => store.site!.climate)
const byReturn = computed(() => climate.value.storm.returnYears !== undefined && Boolean(climate.value.burst))
const ways = computed(() => [
  ...(climate.value.burst ? [{ value: 'return' as const, name: 'comes back once in' }] : []),
  { value: 'typed' as const, name: 'is known to bring' },
])
const storms = useThing('site')
const set = (field: string) => storms(`climate.storm.${field}`)
function setWay(way: 'return' | 'typed'): void {
  const { minutes } = climate.value.storm
  storms('climate.storm')(
    way === 'return'
      ? { returnYears: 5, minutes }
      : { intensityMmPerH: Math.round(storm.value?.intensityMmPerH ?? 75), minutes },
  )
}

const HOURS = WET_DAY_HOURS
const day = computed(() => {
  const series = weatherSeries(store.site!)
  if (!series.split || !storm.value) return undefined
  const rainMm = fiveYearDayMm(series.rainMm)
  const intensities = stormOfDay(rainMm, series.split)
  const first = Math.min(Infinity, ...catchLimits(store.site!).map(limit => limit.spillsAtMmPerH))
  return { rainMm, first, intensities, most: Math.max(...intensities) }
})
/** Above so many times the day's hardest rain the line where the first thing spills is not drawn: it would flatten it. */
const LINE_SHARE = 1.15
const axes: PlotAxes = {
  x: { from: 0, until: HOURS, marks: [0, HOURS / 2, HOURS], text: hours => `${Number(hours.toFixed(1))} h` },
  y: { kind: 'intensity', from: 0, mostMarks: 3 },
}
const curves = computed((): Series[] => {
  const { intensities, first, most } = day.value!
  const hoursEach = HOURS / intensities.length
  const bars: Series = {
    draws: 'bars',
    label: 'rain',
    colour: 'deep',
    narrow: true,
    over: ({ y }) => y > first,
    points: intensities.map((y, at) => ({ x: (at + 0.5) * hoursEach, y })),
  }
  if (first > most * LINE_SHARE) return [bars]
  const limit: Series = {
    draws: 'line',
    label: 'the first spills',
    colour: 'oak',
    dashed: true,
    thin: true,
    unnamed: true,
    points: [0, HOURS].map(x => ({ x, y: first })),
  }
  return [bars, limit]
})
</script>

<template>
  <div class="storm">
    <p>
      The design storm
      <ChoiceField
        label="How the storm is known"
        :value="byReturn ? ('return' as const) : ('typed' as const)"
        :choices="ways"
        :set="setWay"
      />
      <template v-if="byReturn"
        ><QuantityField
          label="Years between such storms"
          kind="count"
          :value="climate.storm.returnYears"
          :set="set('returnYears')"
        />
        years and brings
        <SumFigure v-if="storm?.sum" :name="storm.sum.name" :input="storm.sum.input">{{
          show(storm.intensityMmPerH, 'intensity')
        }}</SumFigure></template
      >
      <QuantityField
        v-else
        label="Design storm"
        kind="intensity"
        :value="climate.storm.intensityMmPerH"
        empty="unknown"
        :set="set('intensityMmPerH')"
      />
      for
      <QuantityField label="Minutes of the storm" kind="count" :value="climate.storm.minutes" :set="set('minutes')" />
      minutes.
      <span v-if="!byReturn && storm && climate.shift?.fewerDaysShare" class="small soft"
        >Shifted, {{ show(storm.intensityMmPerH, 'intensity') }}.</span
      >
    </p>
    <figure v-if="day">
      <Plot
        class="plot"
        :axes="axes"
        :series="curves"
        :height-px="120"
        :spoken="`A day of ${show(day.rainMm, 'rain')} in ${HOURS} hours, at most ${show(day.most, 'intensity')}`"
      />
      <figcaption class="small soft">
        The day that comes back once in five years, {{ show(day.rainMm, 'rain') }}, {{ SPLIT_MINUTES }} minutes by
        {{ SPLIT_MINUTES }} minutes<template v-if="day.first < Infinity"
          >; the line is where the first gutter, downpipe or line spills, {{ show(day.first, 'intensity') }}</template
        >.
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
p {
  line-height: 1.85;
  margin-bottom: 2px;
}
figure {
  margin: 0 0 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: end;
}
.plot {
  width: 320px;
  max-width: 100%;
}
figcaption {
  max-width: 34ch;
  line-height: 1.4;
}
</style>
