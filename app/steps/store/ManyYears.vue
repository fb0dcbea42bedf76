<script setup lang="ts">
import { counted } from '#core/words'
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import { useUnits } from '~/fields/useUnits'
import { useManyYears } from '~/stores/manyYears'
import { MONTH_NAMES } from '#core/units'

/**
 * What many made-up years say: how full the tanks stand through the year in good and bad ones, and the chance that a
 * month runs short.
 */
const many = useManyYears()
const { litres, show } = useUnits()
const FEW = 40
const MANY = 1000
/** The weeks of a year, and the middles of its months. */
const WEEKS = 52
const months = MONTH_NAMES.map((_, month) => ((month + 0.5) * WEEKS) / 12)
/** A month by a week in it, with the chance that it runs short under its name. */
function monthOf(week: number): string {
  const month = Math.min(11, Math.floor((week * 12) / WEEKS))
  const chance = many.answer?.dryByMonth[month] ?? 0
  return `${MONTH_NAMES[month]!.slice(0, 3)}\n${chance < 0.005 ? '–' : `${Math.round(chance * 100)} %`}`
}
const axes = computed((): PlotAxes => ({
  x: { from: 0, until: WEEKS, marks: months, mostMarks: 12, text: monthOf },
  y: { words: 'full', from: 0, until: 1, mostMarks: 3, text: share => show(share, 'share') },
}))
const curves = computed((): Series[] => {
  const level = many.answer?.level ?? []
  const at = (week: number) => week + 0.5
  return [
    {
      draws: 'band',
      label: 'from a bad year to a good one',
      colour: 'water',
      points: level.map(([low, , high], week) => ({ x: at(week), low, high })),
    },
    {
      draws: 'line',
      label: 'the middle year',
      colour: 'deep',
      points: level.map(([, middle], week) => ({ x: at(week), y: middle })),
    },
  ]
})
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
      <div class="drawn">
        <Plot
          :axes="axes"
          :series="curves"
          :spoken="`How full the tanks stand through the year; they run short most in ${MONTH_NAMES[worst]}`"
        />
      </div>
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
.drawn {
  width: min(100%, 620px);
}
.old {
  opacity: 0.7;
  text-decoration: line-through;
}
</style>
