<script setup lang="ts">
import { counted } from '#core/words'
import ChoiceField from '~/fields/ChoiceField.vue'
import { dayAndShortMonth } from '~/fields/dayWords'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useYearDay } from '~/stores/useYearDay'
import { useYearName } from '~/stores/useYearName'
import { useElementSize } from '@vueuse/core'
import { area, line } from 'd3-shape'
import { MONTH_NAMES } from '#core/units'
import { isoDate, monthsFrom } from '#core/climate'
import { unlikeYears } from '#core/balance'

/**
 * Twelve months of water held, with short days as notches and spill as foam. Hover reads the day; a press opens the
 * chart.
 */
const emit = defineEmits<{ open: [] }>()
const results = useResults()
const { litres, show } = useUnits()
const { hovered, pinned, day } = useYearDay()
const { number: yearName } = useYearName()

const frame = useTemplateRef('frame')
const { width } = useElementSize(frame)
const HEIGHT = 92
const [TOP, FOOT] = [20, 70]

const shape = computed(() => {
  const { outlook, year } = results
  if (!outlook || !year || width.value < 50) return undefined
  const capL = Math.max(
    1,
    outlook.pools.reduce((sum, pool) => sum + pool.capL, 0),
  )
  const days = Array.from({ length: year.to - year.from }, (_, offset) => year.from + offset)
  const step = width.value / days.length
  const x = (at: number) => (at - year.from + 0.5) * step
  const y = (held: number) => FOOT - (held / capL) * (FOOT - TOP)
  const { run } = outlook
  const months = monthsFrom(outlook.startDay + year.from, days.length)
  const most = Math.max(1, ...days.map(at => run.spilledL[at]!))
  return {
    x,
    y,
    step,
    fill:
      area<number>()
        .x(x)
        .y0(FOOT)
        .y1(at => y(run.storedL[at]!))(days) ?? '',
    edge:
      line<number>()
        .x(x)
        .y(at => y(run.storedL[at]!))(days) ?? '',
    short: days.filter(at => run.shortL[at]! > run.askedL[at]! * 1e-3),
    foam: days
      .filter(at => run.spilledL[at]! > 0)
      .map(at => ({ at, tall: 2 + 9 * Math.sqrt(run.spilledL[at]! / most) })),
    months: MONTH_NAMES.map((name, month) => ({ letter: name[0], from: months.indexOf(month) }))
      .filter(({ from }) => from >= 0)
      .map(({ letter, from }) => ({ letter, x: from * step })),
  }
})
const reading = computed(() => {
  const { outlook } = results
  const at = hovered.value ?? pinned.value
  if (!outlook || at === undefined || day.value !== at) return undefined
  const { run } = outlook
  const missing = run.shortL[at]!
  return (
    `${dayAndShortMonth(isoDate(outlook.startDay + at))}: ${litres(run.storedL[at]!)} held, rain ` +
    `${show(outlook.rainMm[at]!, 'rain')}` +
    (run.spilledL[at]! > 0.5 ? `, ${litres(run.spilledL[at]!)} spilled` : '') +
    (missing > 0.5 ? `, ${litres(missing)} short` : '')
  )
})
const choices = computed(() => {
  const { outlook } = results
  if (!outlook) return []
  const several = outlook.years.length > 1
  return [
    { value: 'middle' as const, name: several ? 'a middling year' : 'the one year' },
    ...(several
      ? [
          { value: 'dry' as const, name: 'a dry year' },
          { value: 'wet' as const, name: 'a wet year' },
        ]
      : []),
    ...outlook.years.map((year, index) => ({
      value: index,
      name: `${yearName(index, year)}: ${year.shortDays} short`,
    })),
  ]
})

function openAt(event: MouseEvent): void {
  pinned.value = dayAt(event)
  emit('open')
}
function dayAt(event: PointerEvent | MouseEvent): number | undefined {
  const { year } = results
  if (!year || !shape.value) return undefined
  const left = (event.currentTarget as Element).getBoundingClientRect().left
  return Math.max(year.from, Math.min(year.to - 1, year.from + Math.floor((event.clientX - left) / shape.value.step)))
}
function walk(event: KeyboardEvent): void {
  const steps = { ArrowLeft: -1, ArrowRight: 1, PageUp: -30, PageDown: 30 }[event.key]
  const { year } = results
  if (!steps || !year) return
  event.preventDefault()
  pinned.value = Math.max(year.from, Math.min(year.to - 1, (day.value ?? year.from) + steps))
}
const short = computed(() => {
  const { year, outlook, yearIndex } = results
  if (!year) return 'working it out…'
  const unlike = outlook && unlikeYears(outlook, yearIndex)
  const beside = unlike ? `, ${unlike} than most` : ''
  return `${yearName(yearIndex, year)}: ${counted(year.shortDays, 'day')} short${beside}`
})
const spoken = computed(
  () =>
    `Water held through the year, ${counted(results.year?.shortDays ?? 0, 'day')} short. ` +
    'Arrow keys read the days, Enter opens the chart.',
)
</script>

<template>
  <footer class="year" aria-label="The Year: water held, day by day">
    <div class="title">
      <h2>The year</h2>
      <ChoiceField
        v-if="choices.length"
        label="Which year"
        :value="results.choice"
        :choices="choices"
        :set="choice => (results.choice = choice)"
      />
      <span class="small soft">{{ short }}</span>
    </div>
    <div ref="frame" class="frame">
      <svg
        v-if="shape"
        :width="width"
        :height="HEIGHT"
        tabindex="0"
        role="slider"
        :aria-label="spoken"
        :aria-valuemin="1"
        :aria-valuemax="results.year!.to - results.year!.from"
        :aria-valuenow="(day ?? results.year!.from) - results.year!.from + 1"
        :aria-valuetext="reading"
        @pointermove="hovered = dayAt($event)"
        @pointerleave="hovered = undefined"
        @click="openAt"
        @keydown="walk"
        @keydown.enter="$emit('open')"
      >
        <line v-for="month in shape.months" :key="month.x" :x1="month.x" :x2="month.x" y1="12" y2="74" class="month" />
        <path :d="shape.fill" class="water" />
        <path :d="shape.edge" class="edge" />
        <line
          v-for="drop in shape.foam"
          :key="`f${drop.at}`"
          :x1="shape.x(drop.at)"
          :x2="shape.x(drop.at)"
          :y1="TOP - 1"
          :y2="TOP - 1 - drop.tall"
          class="foam"
          :stroke-width="Math.max(1.4, shape.step * 0.7)"
        />
        <line
          v-for="at in shape.short"
          :key="`s${at}`"
          :x1="shape.x(at)"
          :x2="shape.x(at)"
          y1="64"
          y2="75"
          class="short"
          :stroke-width="Math.max(1.2, shape.step * 0.85)"
        />
        <line x1="0" :x2="width" :y1="FOOT" :y2="FOOT" class="base" />
        <line v-if="day !== undefined" :x1="shape.x(day)" :x2="shape.x(day)" y1="8" y2="76" class="now" />
        <text
          v-for="month in shape.months"
          :key="`t${month.x}`"
          :x="month.x + shape.step * 15"
          y="87"
          text-anchor="middle"
        >
          {{ month.letter }}
        </text>
      </svg>
      <p v-if="reading" class="reading small" aria-live="polite">{{ reading }}</p>
    </div>
  </footer>
</template>

<style scoped>
.year {
  display: grid;
  grid-template-columns: 178px 1fr;
  border-top: 1px solid var(--hair);
  background: var(--sheet);
  min-width: 0;
}
.title {
  padding: 8px 6px 4px 14px;
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 1px;
  font-size: 14px;
}
h2 {
  font-size: 14px;
  font-weight: 650;
}
.frame {
  position: relative;
  min-width: 0;
  overflow: hidden;
  margin-right: 14px;
  height: 92px;
}
svg {
  display: block;
  cursor: pointer;
}
.month {
  stroke: var(--hair);
}
.water {
  fill: var(--water);
}
.edge {
  fill: none;
  stroke: var(--water-deep);
  stroke-width: 1.5;
}
.foam {
  stroke: var(--line-spill);
}
.short {
  stroke: var(--rust);
}
.base {
  stroke: var(--earth-line);
}
.now {
  stroke: var(--ink);
  stroke-width: 1;
  stroke-dasharray: 2 2;
}
text {
  font: 11.5px var(--text);
  fill: var(--soft);
}
.reading {
  position: absolute;
  top: 0;
  left: 8px;
  margin: 0;
  background: var(--sheet);
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 0 6px;
  pointer-events: none;
  font-variant-numeric: tabular-nums;
}
@media (max-width: 700px) {
  .year {
    grid-template-columns: 1fr;
  }
  .title {
    flex-direction: row;
    align-items: baseline;
    gap: 12px;
  }
  .frame {
    margin: 0 8px;
  }
}
</style>
