<script setup lang="ts">
import { counted } from '#core/words'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { useUnits } from '~/fields/useUnits'
import SmallSection from '~/section/SmallSection.vue'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import type { Site, PlanOption } from '#core/site'
import type { Weighed } from '#core/options'
import { moveOf, type LeftMove, replay } from '#core/moves'

/** Variants of the plan side by side: what each comes to, where it differs, and the press that adopts it. */
const store = useSite()
const { litres, money, show } = useUnits()
const options = computed(() => store.site!.options)
const { answer: weighings, fresh: weighedAnew, failure, again } = useAnswer('weighings', () => ({}))
const { answer: offered, fresh: offeredAnew } = useAnswer('ways', () => ({}))
/** Made for the plan they were asked of; until they are made for the plan of now, none can be taken. */
const ways = computed(() =>
  (offered.value ?? []).filter(way => !options.value.some(option => option.name === way.name)),
)

const [FROM_OUTSIDE, OUTSIDE_COST] = ['From outside a year', 'Outside water costs a year']
const ROWS: {
  name: string
  of: (weighed: Weighed) => number | undefined
  text: (value: number) => string
  better: -1 | 1 | 0
}[] = [
  { name: 'Nominal', of: weighed => weighed.nominalL, text: litres, better: 0 },
  { name: 'Can be drawn', of: weighed => weighed.usableL, text: litres, better: 1 },
  {
    name: 'Days short a year',
    of: weighed => weighed.shortDays,
    text: value => (value < 0.5 ? 'none' : String(Math.round(value))),
    better: -1,
  },
  { name: 'Of what is asked, met', of: weighed => weighed.metShare, text: value => show(value, 'share'), better: 1 },
  { name: 'Lasts without rain', of: weighed => weighed.autonomyDays, text: value => counted(value, 'day'), better: 1 },
  { name: 'Runs over a year', of: weighed => weighed.spilledL, text: litres, better: -1 },
  { name: FROM_OUTSIDE, of: weighed => weighed.broughtL, text: litres, better: -1 },
  { name: 'The tanks cost', of: weighed => weighed.price, text: money, better: -1 },
  { name: OUTSIDE_COST, of: weighed => weighed.yearlyCost, text: money, better: -1 },
  { name: 'Wrong', of: weighed => weighed.findings.wrong, text: String, better: -1 },
  { name: 'Look again', of: weighed => weighed.findings.look, text: String, better: -1 },
]
interface Column {
  id: string
  name: string
  option?: PlanOption
  weighed?: Weighed
  site?: Site
  differs: string[]
  differing: Set<string>
  /** Moves of it that no longer fit the plan, each with the reason. */
  left: LeftMove[]
}
const columns = computed((): Column[] => [
  {
    id: '',
    name: 'The plan',
    weighed: weighings.value?.now,
    site: store.site,
    differs: [],
    differing: new Set(),
    left: [],
  },
  ...options.value.map((option): Column => {
    const said = weighings.value?.options.find(({ id }) => id === option.id)
    const { site, left } = replay(store.site!, option.moves, option.name)
    return {
      id: option.id,
      name: option.name,
      option,
      weighed: said?.weighed,
      site,
      differs: said?.differs ?? [],
      differing: new Set(said?.differing),
      left,
    }
  }),
])
/** Rows that say nothing of any way are left out. */
const rows = computed(() =>
  ROWS.filter(
    row =>
      (row.name !== OUTSIDE_COST && row.name !== FROM_OUTSIDE) ||
      columns.value.some(column => column.weighed && row.of(column.weighed)),
  ),
)
const best = (row: (typeof ROWS)[number]) => {
  const figures = columns.value.flatMap(column => (column.weighed ? [row.of(column.weighed) ?? Infinity] : []))
  return !row.better || figures.length < 2 || Math.max(...figures) - Math.min(...figures) < 1e-9
    ? undefined
    : row.better > 0
      ? Math.max(...figures)
      : Math.min(...figures)
}
const value = (row: (typeof ROWS)[number], column: Column) => {
  const figure = column.weighed && row.of(column.weighed)
  return !column.weighed
    ? '…'
    : figure === undefined
      ? row.name === 'Lasts without rain'
        ? 'over 2 years'
        : '–'
      : row.text(figure)
}
const isBest = (row: (typeof ROWS)[number], column: Column) =>
  column.weighed !== undefined && best(row) !== undefined && (row.of(column.weighed) ?? Infinity) === best(row)
</script>

<template>
  <section class="options" aria-labelledby="other-ways">
    <h2 id="other-ways">Other ways of doing it</h2>
    <p v-if="!options.length" class="soft">
      Set another way beside the plan: what it holds, what runs short, what it costs, and where it differs. The plan
      stays as it is until you adopt one.
    </p>
    <AnswerFailure :failure="failure" what="The comparison" :again="again" />
    <div v-if="options.length" class="scroll">
      <table class="compare" :class="{ old: weighings && !weighedAnew }">
        <thead>
          <tr>
            <td />
            <th v-for="column in columns" :key="column.id" scope="col" :data-option="column.id">
              <b>{{ column.name }}</b>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.name">
            <th scope="row">{{ row.name }}</th>
            <td v-for="column in columns" :key="column.id" :class="{ best: isBest(row, column) }">
              {{ value(row, column) }}
            </td>
          </tr>
          <tr>
            <th scope="row">In the Section</th>
            <td v-for="column in columns" :key="column.id">
              <SmallSection v-if="column.site" :site="column.site" :differing="column.differing" class="drawn" />
            </td>
          </tr>
          <tr>
            <th scope="row">Differs in</th>
            <td v-for="column in columns" :key="column.id" class="differs">
              {{ column.differs.slice(0, 4).join(', ')
              }}{{ column.differs.length > 4 ? ` and ${column.differs.length - 4} more` : '' }}
              <p v-for="(each, at) in column.left.slice(0, 3)" :key="at" class="left small">
                No longer fits: {{ each.label }}. {{ each.problem }}
              </p>
              <p v-if="column.left.length > 3" class="left small">And {{ column.left.length - 3 }} more.</p>
            </td>
          </tr>
          <tr>
            <td />
            <td v-for="column in columns" :key="column.id">
              <template v-if="column.id"
                ><button
                  type="button"
                  class="move"
                  :aria-label="`Adopt ${column.name}`"
                  @click="store.adopt(column.option!)"
                >
                  {{ column.left.length ? 'Adopt the rest' : 'Adopt' }}
                </button>
                <button
                  type="button"
                  class="plain small"
                  :aria-label="`Drop ${column.name}`"
                  @click="store.make(moveOf('dropOption', { id: column.id }))"
                >
                  Drop
                </button></template
              >
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <div v-if="ways.length" class="moves">
      <button
        v-for="way in ways"
        :key="way.id"
        type="button"
        class="move"
        :disabled="!offeredAnew"
        @click="store.addOption(way.name, way.moves)"
      >
        {{ way.name }}
      </button>
    </div>
    <p v-if="store.trialFrom === undefined">
      <button type="button" class="plain" @click="store.tryOut()">Or try changes of your own</button>{{ ' ' }}
      <span class="soft small">and keep them as an option.</span>
    </p>
  </section>
</template>

<style scoped>
.left {
  color: var(--rust);
  margin: 3px 0 0;
}
.scroll {
  overflow-x: auto;
  padding-bottom: 4px;
}
.compare th[scope='col'] {
  color: var(--ink);
  min-width: 108px;
  max-width: 170px;
  vertical-align: bottom;
}
.compare th[scope='row'] {
  white-space: nowrap;
  border-top: 1px solid var(--hair);
}
.compare td {
  vertical-align: top;
  max-width: 190px;
}
.drawn {
  display: block;
  width: 100%;
  min-width: 120px;
  max-width: 190px;
  height: 62px;
  background: var(--sheet);
  border: 1px solid var(--hair);
}
.old {
  opacity: 0.6;
}
.best {
  font-weight: 700;
}
.best::after {
  content: ' ✓';
  color: var(--moss);
}
.differs {
  color: var(--soft);
}
.move:disabled {
  opacity: 0.5;
}
</style>
