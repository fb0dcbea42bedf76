<script setup lang="ts">
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { dayToday } from '~/fields/days'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import { placeName, type Came, type Season } from '#core/keep'

/** Season by season what came and went, as the log has it, and under it as planned. */
const store = useSite()
const { show, litres } = useUnits()
const { answer, failure, again } = useAnswer('lived', () => ({ on: dayToday() }))
const COLUMNS: { figure: keyof Came; name: string; says: (value: number) => string }[] = [
  { figure: 'rainMm', name: 'rain', says: value => show(value, 'rain') },
  { figure: 'harvestL', name: 'from the roofs', says: litres },
  { figure: 'usedL', name: 'used', says: litres },
  { figure: 'spilledL', name: 'spilled', says: litres },
  { figure: 'broughtL', name: 'from well, main, cart', says: litres },
]
const rows = computed((): Season[] => {
  const { value } = answer
  return value ? [...value.seasons, value.year] : []
})
/** Off the plan by more than this is marked, where it is more than a trifle. */
const [OFF_SHARE, TRIFLE] = [0.2, 1]
const off = ({ was, planned }: Season, figure: keyof Came): boolean =>
  Math.abs(was[figure] - planned[figure]) > Math.max(TRIFLE, OFF_SHARE * planned[figure])
</script>

<template>
  <AnswerFailure :failure="failure" what="What came and went" :again="again" />
  <p v-if="!answer && !failure" class="soft">Going through the log …</p>
  <div v-if="answer" class="wide">
    <table data-seasons>
      <thead>
        <tr>
          <th scope="col" />
          <th v-for="{ figure, name } in COLUMNS" :key="figure" scope="col">{{ name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="season in rows" :key="season.name" :class="{ year: season === answer.year }">
          <th scope="row">
            {{ season.name }} <span class="soft small">{{ season.days }} days</span>
          </th>
          <td v-for="{ figure, says } in COLUMNS" :key="figure">
            <b :class="{ off: off(season, figure) }">{{ says(season.was[figure]) }}</b>
            <span class="soft small">planned {{ says(season.planned[figure]) }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <p v-for="meter in answer?.meters" :key="meter.run" class="small" data-meter>
    The meter in “{{ placeName(store.site!, meter.run) }}” counted <b>{{ litres(meter.countedL) }}</b> between its
    readings; the uses behind it are reckoned at {{ litres(meter.reckonedL) }}.
  </p>
  <p class="soft small">
    As it was is reckoned with what the log has taught, each tank put right wherever its level was read; as planned is
    the same days of the plan’s mean year.
  </p>
</template>

<style scoped>
td span,
th span {
  display: block;
}
th[scope='col'] {
  font-weight: 600;
}
.off {
  color: var(--straw);
}
.year td,
.year th {
  border-top: 2px solid var(--hair);
}
</style>
