<script setup lang="ts">
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

const [WIDTH, HEIGHT, HOURS] = [300, 64, WET_DAY_HOURS]
const day = computed(() => {
  const series = weatherSeries(store.site!)
  if (!series.split || !storm.value) return undefined
  const rainMm = fiveYearDayMm(series.rainMm)
  const bars = stormOfDay(rainMm, series.split)
  const first = Math.min(Infinity, ...catchLimits(store.site!).map(limit => limit.spillsAtMmPerH))
  const most = Math.max(...bars, first < Infinity ? Math.min(first, Math.max(...bars) * 1.15) : 0)
  const y = (intensity: number) => HEIGHT - (HEIGHT * intensity) / most
  return {
    rainMm,
    first,
    most,
    lineY: first <= most ? y(first) : undefined,
    bars: bars.map((intensity, at) => ({
      x: (at * WIDTH) / bars.length,
      y: y(intensity),
      height: (HEIGHT * intensity) / most,
      over: intensity > first,
    })),
  }
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
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT + 12}`"
        role="img"
        :aria-label="`A day of ${show(day.rainMm, 'rain')} in ${HOURS} hours, at most ${show(day.most, 'intensity')}`"
      >
        <rect
          v-for="(bar, at) in day.bars"
          :key="at"
          :x="bar.x"
          :y="bar.y"
          :width="WIDTH / day.bars.length - 0.8"
          :height="bar.height"
          :class="{ over: bar.over }"
        />
        <path v-if="day.lineY !== undefined" :d="`M0 ${day.lineY} H${WIDTH}`" class="limit" />
        <text x="0" :y="HEIGHT + 11">0 h</text>
        <text :x="WIDTH" :y="HEIGHT + 11" text-anchor="end">{{ HOURS }} h</text>
      </svg>
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
svg {
  width: 300px;
  max-width: 100%;
}
rect {
  fill: var(--water-deep);
}
rect.over {
  fill: var(--rust);
}
.limit {
  stroke: var(--oak);
  stroke-width: 1.4;
  stroke-dasharray: 5 3;
}
text {
  font: 10px var(--text);
  fill: var(--soft);
}
figcaption {
  max-width: 34ch;
  line-height: 1.4;
}
</style>
