<script setup lang="ts">
import { counted } from '#core/words'
import { useUnits } from '~/fields/useUnits'
import { useManyYears } from '~/stores/manyYears'
import { scaleLinear } from 'd3-scale'
import { area, line } from 'd3-shape'
import { MONTH_NAMES } from '#core/units'

/**
 * What many made-up years say: how full the tanks stand through the year in good and bad ones, and the chance that a
 * month runs short.
 */
const many = useManyYears()
const { litres, show } = useUnits()
const FEW = 40
const MANY = 1000
const [WIDTH, HEIGHT, LEFT, FOOT] = [520, 190, 40, 44]
const x = scaleLinear([0, 52], [LEFT, WIDTH - 4])
const y = scaleLinear([0, 1], [HEIGHT - FOOT, 8])
const level = computed(() => many.answer?.level ?? [])
const band = computed(
  () =>
    area<[number, number, number]>(
      (_, week) => x(week + 0.5),
      each => y(each[0]),
      each => y(each[2]),
    )(level.value) ?? '',
)
const middle = computed(
  () =>
    line<[number, number, number]>(
      (_, week) => x(week + 0.5),
      each => y(each[1]),
    )(level.value) ?? '',
)
const monthX = (month: number) => x((month * 52) / 12)
const worst = computed(() => {
  const months = many.answer?.dryByMonth ?? []
  return months.indexOf(Math.max(...months))
})
const days = (count: number) => (count === 0 ? 'no day' : counted(count, 'day'))

onMounted(() => {
  if (!many.answer && many.progress === undefined) void many.ask(FEW)
})
</script>

<template>
  <section class="many" aria-labelledby="many-years">
    <h2 id="many-years">Many years</h2>
    <template v-if="many.answer">
      <p :class="{ old: !many.fresh }">
        In <b class="figure">{{ many.answer.years.toLocaleString('en').replaceAll(',', ' ') }}</b> made-up years,
        <b class="figure">{{ show(many.answer.dryShare, 'share') }}</b> run short somewhere. A good year is short on
        <b class="figure">{{ days(many.answer.shortDays[0]) }}</b>, a middle one on
        <b class="figure">{{ days(many.answer.shortDays[1]) }}</b>, a bad one on
        <b class="figure">{{ days(many.answer.shortDays[2]) }}</b>: one in ten is better than the first, one in ten
        worse than the last.
        <template v-if="many.answer.dryShare > 0"
          >It happens most in {{ MONTH_NAMES[worst] }}, in {{ show(many.answer.dryByMonth[worst]!, 'share') }} of
          years.</template
        >
        In the mean {{ litres(many.answer.meanL.short) }} are wanting and {{ litres(many.answer.meanL.spilled) }} run
        over<template v-if="many.answer.meanL.main + many.answer.meanL.well + many.answer.meanL.cart >= 1"
          >; {{ litres(many.answer.meanL.main + many.answer.meanL.well + many.answer.meanL.cart) }} come from
          outside</template
        >.
      </p>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        role="img"
        :aria-label="`How full the tanks stand through the year, and the chance of running short: most in ${MONTH_NAMES[worst]}`"
      >
        <g class="axis">
          <template v-for="share in [0, 0.5, 1]" :key="share">
            <path :d="`M${LEFT} ${y(share)} H${WIDTH - 4}`" />
            <text :x="LEFT - 5" :y="y(share) + 4" text-anchor="end">{{ show(share, 'share') }}</text>
          </template>
        </g>
        <path :d="band" class="band" />
        <path :d="middle" class="middle" />
        <g v-for="(chance, month) in many.answer.dryByMonth" :key="month">
          <title>{{ MONTH_NAMES[month] }}: runs short in {{ show(chance, 'share') }} of years</title>
          <text :x="(monthX(month) + monthX(month + 1)) / 2" :y="HEIGHT - FOOT + 14" text-anchor="middle">
            {{ MONTH_NAMES[month]!.slice(0, 3) }}
          </text>
          <text
            :x="(monthX(month) + monthX(month + 1)) / 2"
            :y="HEIGHT - FOOT + 31"
            text-anchor="middle"
            :class="{ dry: chance >= 0.005 }"
          >
            {{ chance < 0.005 ? '–' : `${Math.round(chance * 100)} %` }}
          </text>
        </g>
      </svg>
      <p class="small soft">
        Above, how full all tanks together stand: the middle year, and the band from a year in ten to nine in ten.
        Below, the chance that a month runs short. {{ many.fresh ? '' : 'These are from before the last change.' }}
      </p>
    </template>
    <p v-if="many.failure" role="alert">{{ many.failure }}</p>
    <p v-if="many.progress !== undefined">
      Running the years <progress :value="many.progress" aria-label="How many years are run" />
      {{ Math.round(many.progress * 100) }} % <button type="button" class="plain" @click="many.stop()">Stop</button>
    </p>
    <div v-else class="moves">
      <button type="button" class="move" @click="many.ask(MANY)">Run {{ MANY }} times 30 years</button>
      <button v-if="!many.fresh && many.answer" type="button" class="move" @click="many.ask(FEW)">
        Run {{ FEW }} times again
      </button>
      <span v-if="many.answer && many.fresh" class="small soft"
        >{{ many.answer.members }} times 30 years took {{ (many.took / 1000).toFixed(1) }} s.</span
      >
    </div>
  </section>
</template>

<style scoped>
svg {
  width: min(100%, 620px);
  display: block;
}
.old {
  opacity: 0.7;
  text-decoration: line-through;
}
.axis path {
  stroke: var(--hair);
}
text {
  font: 11px var(--text);
  fill: var(--soft);
  font-variant-numeric: tabular-nums;
}
.dry {
  fill: var(--rust);
  font-weight: 650;
}
.band {
  fill: var(--water);
  opacity: 0.45;
}
.middle {
  fill: none;
  stroke: var(--water-deep);
  stroke-width: 2.2;
}
</style>
