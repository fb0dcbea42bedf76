<script setup lang="ts">
import AnswerFailure from '~/fields/AnswerFailure.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import CoverCurve from './CoverCurve.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import { counted, listed } from '#core/words'
import { isPumped } from '#core/site'
import { setField } from '#core/moves'
import type { OutageRule } from '#core/kinds'
import { hoursAYear, medianHours, poolsOf, type Cover } from '#core/balance'

/** What fails, how often and for how long; how long the tanks then last, and how many outages they bridge. */
const store = useSite()
const { span } = useUnits()
const site = computed(() => store.site!)
const { answer, failure, again } = useAnswer('covers', () => ({}))
const POWER = 'power'
/** What can fail: each well and main, and the power where a pump hangs on it. */
const things = computed(() => [
  ...site.value.nodes.flatMap(node =>
    node.kind === 'well' || node.kind === 'main'
      ? [{ id: node.id, name: node.name, kind: node.kind, rule: node.outage }]
      : [],
  ),
  ...(site.value.runs.some(isPumped) || site.value.power?.outage
    ? [{ id: POWER, name: 'The power', kind: 'power' as const, rule: site.value.power?.outage }]
    : []),
])
const FIRST: Record<'chance' | 'rota', OutageRule> = {
  chance: { by: 'chance', timesPerYear: 6, meanHours: 8, mostHours: 72 },
  rota: { by: 'rota', daysOn: 2, daysOff: 5 },
}
const HOW = [
  { value: 'never' as const, name: 'never fails' },
  { value: 'chance' as const, name: 'fails now and then' },
  { value: 'rota' as const, name: 'comes by a rota' },
]
type Thing = (typeof things.value)[number]
function setRule({ id }: Thing, rule: OutageRule | undefined): string | undefined {
  return id === POWER
    ? store.make(setField('site', '', 'power', rule ? { outage: rule } : undefined))
    : store.make(setField('node', id, 'outage', rule))
}
const setHow = (thing: Thing) => (how: 'never' | 'chance' | 'rota') =>
  setRule(thing, how === 'never' ? undefined : FIRST[how])
const setPart = (thing: Thing, field: string) => (value: number) =>
  setRule(thing, { ...thing.rule!, [field]: value } as OutageRule)

const coverOf = ({ id }: Thing): Cover | undefined => answer.value?.find(cover => cover.id === id)
const lasts = (hours: number | undefined) => (hours === undefined ? 'two months and more' : span(hours))
const pools = computed(() => poolsOf(store.site!))
const picked = ref('')
const pool = computed(() => pools.value.find(({ id }) => id === picked.value) ?? pools.value[0])
</script>

<template>
  <section class="outages">
    <h2>When it fails</h2>
    <AnswerFailure :failure="failure" what="How long it lasts" :again="again" />
    <p v-if="!things.length" class="soft">
      Nothing here hangs on a main, a well or the power. Lead one to a tank or a use, and say here how it fails.
    </p>
    <div v-for="thing in things" :key="thing.id" class="thing" :data-outage="thing.id">
      <p>
        <b>{{ thing.name }}</b>
        {{ ' '
        }}<ChoiceField
          :label="`How ${thing.name} fails`"
          :value="thing.rule?.by ?? 'never'"
          :choices="HOW"
          :set="setHow(thing)"
        /><template v-if="thing.rule?.by === 'chance'"
          >:
          <QuantityField
            label="Times a year"
            kind="count"
            :value="thing.rule.timesPerYear"
            :set="setPart(thing, 'timesPerYear')"
          />
          times a year, for
          <QuantityField
            label="Hours in the mean"
            kind="duration"
            :value="thing.rule.meanHours"
            :set="setPart(thing, 'meanHours')"
          />
          in the mean and
          <QuantityField
            label="Hours at most"
            kind="duration"
            empty="no end"
            :value="thing.rule.mostHours"
            :set="setPart(thing, 'mostHours')"
          />
          at most</template
        ><template v-else-if="thing.rule?.by === 'rota'"
          >:
          <QuantityField label="Days on" kind="count" :value="thing.rule.daysOn" :set="setPart(thing, 'daysOn')" />
          days on,
          <QuantityField label="Days off" kind="count" :value="thing.rule.daysOff" :set="setPart(thing, 'daysOff')" />
          days off</template
        >.
        <template v-if="thing.rule">
          {{ thing.rule.by === 'chance' ? 'Half of the outages are shorter than' : 'Each outage lasts' }}
          <b class="figure">{{ span(medianHours(thing.rule)) }}</b>; in all it is out for
          {{ span(hoursAYear(thing.rule)) }} a year.</template
        >
      </p>
      <template v-if="thing.rule && coverOf(thing)">
        <p v-if="!coverOf(thing)!.uses.length" class="soft">No use hangs on it.</p>
        <p v-else>
          {{ listed(coverOf(thing)!.uses) }} {{ coverOf(thing)!.uses.length > 1 ? 'hang' : 'hangs' }} on it. Without it
          or rain they last <b class="figure">{{ lasts(coverOf(thing)!.fullHours) }}</b> from full tanks<template
            v-if="coverOf(thing)!.first && coverOf(thing)!.uses.length > 1"
          >
            ({{ coverOf(thing)!.first }} goes short first)</template
          >, <b class="figure">{{ lasts(coverOf(thing)!.usualHours) }}</b> from the level of a middling day. In the
          years of the plan
          <b class="figure" :class="{ wrong: coverOf(thing)!.bridged < coverOf(thing)!.cuts / 2 }"
            >{{ coverOf(thing)!.bridged }} of {{ counted(coverOf(thing)!.cuts, 'outage') }}</b
          >
          were bridged with nothing short.
        </p>
        <template v-if="pool && coverOf(thing)!.uses.length">
          <p v-if="pools.length > 1" class="small">
            How big should
            <ChoiceField
              label="Which tanks"
              :value="pool.id"
              :choices="pools.map(each => ({ value: each.id, name: each.name }))"
              :set="id => (picked = id)"
            />
            be for it?
          </p>
          <CoverCurve :cover="coverOf(thing)!" :pool="pool" />
        </template>
      </template>
    </div>
    <p v-if="things.some(({ id, rule }) => id === POWER && rule)" class="small soft">
      While the power is out nothing that a pump lifts comes; a tap by gravity still runs. Battery and inverter are a
      matter of Lift.
    </p>
  </section>
</template>

<style scoped>
.outages {
  line-height: 1.85;
}
.thing p {
  margin-bottom: 2px;
}
.wrong {
  color: var(--rust);
}
</style>
