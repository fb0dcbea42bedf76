<script setup lang="ts">
import SeasonsTable from './SeasonsTable.vue'
import { useKeep } from './useKeep'
import FoldGroup from '~/fields/FoldGroup.vue'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { moveOf, setField } from '#core/moves'
import { roofLosses, type Move } from '#core/site'
import type { Backcast, Today } from '#core/keep'

/** What the log has taught: the roof and the uses as they are and not as planned, offered to the plan. */
const store = useSite()
const { litres } = useUnits()
const { today, failure, again } = useKeep()
const percent = (share: number) => `${Math.round(100 * share)} %`
const off = ({ mean, low, high }: { mean: number; low: number; high: number }) => Math.max(high - mean, mean - low)
const times = (value: number) => value.toFixed(2)
/** Worth taking over: the plan lies outside what eight of ten hold. */
const differs = ({ low, high }: { low: number; high: number }, planned: number) => planned < low || planned > high
/** The roofs' coefficients, each by the same factor, none over 1. */
const roofMoves = (of: Today): Move[] =>
  store.site!.roofs.map(roof => {
    const learned = roofLosses(roof).runoffCoefficient * (of.coefficient.mean / of.coefficient.planned)
    return setField('roof', roof.id, 'runoffCoefficient', Math.min(1, Math.round(1000 * learned) / 1000))
  })
const useMoves = (of: Today): Move[] => [moveOf('scaleUses', { factor: Math.round(1000 * of.use.mean) / 1000 })]
const told = ({ saidL: { low, high }, isL }: Backcast) => isL >= low && isL <= high
const problem = ref<string>()
const take = (moves: Move[], label: string) => (problem.value = store.makeAll(moves, label))
const misses = computed(() => today.value?.misses.slice(-12).reverse() ?? [])
</script>

<template>
  <section data-notes="life">
    <h2>Plan against life</h2>
    <AnswerFailure :failure="failure" what="What the log has taught" :again="again" />
    <p v-if="today && !today.levels" class="soft">
      The log has no level yet: nothing is known but the plan. One a week and the rain teach most within a season.
    </p>
    <template v-else-if="today">
      <p data-learned="coefficient">
        The roof gives <b>{{ percent(today.coefficient.mean) }} ± {{ percent(off(today.coefficient)) }}</b> of what
        falls on it; the plan has {{ percent(today.coefficient.planned) }}.
        <button
          v-if="differs(today.coefficient, today.coefficient.planned)"
          type="button"
          class="move"
          @click="take(roofMoves(today), 'The roof as the log has it')"
        >
          Take it into the plan
        </button>
        <span v-else class="soft">That fits.</span>
      </p>
      <p data-learned="use">
        You take <b>{{ times(today.use.mean) }} ± {{ times(off(today.use)) }}</b> of what the plan asks ({{
          times(today.useByHalf.high.mean)
        }}
        in the half year that asks most, {{ times(today.useByHalf.low.mean) }} in the other).
        <button
          v-if="differs(today.use, 1)"
          type="button"
          class="move"
          @click="take(useMoves(today), 'Uses as the log has them')"
        >
          Take it into the plan
        </button>
        <span v-else class="soft">That fits.</span>
      </p>
      <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
      <p class="soft small">
        From {{ today.levels }} levels. Beyond the plan the log has taught {{ percent(today.coefficient.taught) }} of
        what there is to know of the roof, and {{ percent(today.use.taught) }} of the uses; eight of ten truths lie
        within the figures told. Rain and use of a day are taken to be off by an eighth and by a third. Where pumps,
        wells or floats move water, many figures are tried before one is told, and the bands are wider for it.
      </p>
      <p v-if="today.backcast" data-backcast>
        Four weeks ago it would have been said that the tanks hold <b>{{ litres(today.backcast.saidL.mean) }}</b> today,
        {{ litres(today.backcast.saidL.low) }} to {{ litres(today.backcast.saidL.high) }}; they hold
        <b>{{ litres(today.backcast.isL) }}</b>{{
          told(today.backcast) ? '.' : ', which is outside of that: one in five is.'
        }}
      </p>
      <FoldGroup id="keep-seasons" title="Season and year" summary="as planned, and as it was" open>
        <SeasonsTable />
      </FoldGroup>
      <FoldGroup id="keep-misses" title="Reckoned against read" summary="the last twelve levels">
        <div class="wide">
          <table data-misses>
            <thead>
              <tr>
                <th scope="col">day</th>
                <th scope="col">tank</th>
                <th scope="col">read less reckoned</th>
                <th scope="col">usual scatter</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="miss in misses" :key="`${miss.at} ${miss.pool}`">
                <td>{{ miss.at }}</td>
                <td>{{ today.held[miss.pool]?.name }}</td>
                <td>{{ miss.missedL < 0 ? '−' : '+' }}{{ litres(Math.abs(miss.missedL)) }}</td>
                <td class="soft">± {{ litres(miss.sdL) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </FoldGroup>
    </template>
  </section>
</template>

<style scoped>
p {
  line-height: 1.7;
}
.move {
  margin-left: 6px;
}
</style>
