<script setup lang="ts">
import TrueSize from './TrueSize.vue'
import PhotoStrip from '~/photos/PhotoStrip.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { portId, tanksOf } from '#core/site'
import { setField } from '#core/moves'
import { acrossOf, identify, type Question, type Seen } from '#core/build'
import { endFamily, endSize, sizeWords, type Sex } from '#core/catalog'

/** What end a thing has, asked with the part in hand: what is sure, and what to look at or measure next. */
const store = useSite()
const { show } = useUnits()
const seen = ref<Seen>({ sex: 'male' })
/** A pitch is told over as many turns as can be seen. */
const overTurns = ref(4)
const found = computed(() => identify(seen.value))
const best = computed(() => found.value.candidates[0])
const sex = computed<Sex>(() => seen.value.sex ?? 'male')
const MOST = 6

type Three = 'yes' | 'no' | 'unsure'
const THREE: { value: Three; name: string }[] = [
  { value: 'unsure', name: 'not sure' },
  { value: 'yes', name: 'yes' },
  { value: 'no', name: 'no' },
]
const SEXES = [
  { value: 'male' as const, name: 'on its outside, or it goes into another' },
  { value: 'female' as const, name: 'inside it, or another goes in' },
]
const ASKS: { of: 'threaded' | 'ears' | 'tapered' | 'freely'; words: string }[] = [
  { of: 'threaded', words: 'Does it have a thread?' },
  { of: 'ears', words: 'Two levers or ears, or a groove for them?' },
  { of: 'tapered', words: 'Does it grow thicker, and bind before it is in?' },
  { of: 'freely', words: 'Does a cap turn freely until it seats?' },
]
const answer = (of: 'threaded' | 'ears' | 'tapered' | 'freely'): Three =>
  seen.value[of] === undefined ? 'unsure' : seen.value[of] ? 'yes' : 'no'
function say(of: Question, value: Seen[Question] | undefined): undefined {
  const { [of]: _before, ...others } = seen.value
  seen.value = value === undefined ? others : { ...others, [of]: value }
  return undefined
}
const NEXT: Record<Question, string> = {
  sex: 'see whether the thread is outside or inside',
  threaded: 'see whether there is a thread',
  ears: 'look for levers, ears or a groove',
  tapered: 'feel whether it grows thicker',
  freely: 'turn a cap on it',
  turns: 'count the turns in sight',
  pitchMm: 'lay a rule along the thread, over as many turns as there are',
  acrossMm: 'measure across it, over the crests',
}
const ports = computed(() => [
  { value: '', name: 'a tank’s hole' },
  ...tanksOf(store.site!).flatMap(tank =>
    tank.ports.map(port => ({ value: portId(tank.id, port.name), name: `${tank.name}, ${port.role} “${port.name}”` })),
  ),
])
const kept = ref('')
/** The hole that photos of the part in hand are kept with: the one that was set last, else the first that is known. */
const pictured = ref('')
const photosOf = computed(
  () =>
    pictured.value ||
    tanksOf(store.site!).flatMap(tank =>
      tank.ports.flatMap(port => (port.end ? [portId(tank.id, port.name)] : [])),
    )[0] ||
    ports.value[1]?.value ||
    '',
)
const keep = (id: string) => {
  if (!id || !best.value) return
  const { family, size } = best.value
  const problem = store.make(setField('port', id, 'end', { family, size, sex: sex.value }))
  pictured.value = id
  kept.value = problem ?? `It is set on ${ports.value.find(port => port.value === id)!.name}.`
}
</script>

<template>
  <section data-notes="finder">
    <h2>What do I have here?</h2>
    <div class="two">
      <div>
        <p>
          The thread is
          <ChoiceField label="Side" :value="sex" :choices="SEXES" :set="value => say('sex', value)" />.
        </p>
        <p v-for="ask in ASKS" :key="ask.of">
          {{ ask.words }}
          <ChoiceField
            :label="ask.words"
            :value="answer(ask.of)"
            :choices="THREE"
            :set="value => say(ask.of, value === 'unsure' ? undefined : value === 'yes')"
          />
        </p>
        <p>
          Across it measures
          <QuantityField
            label="Across it"
            kind="bore"
            :value="seen.acrossMm"
            empty="not measured"
            :set="value => say('acrossMm', value)"
          /><template v-if="seen.threaded !== false"
            >; over
            <ChoiceField
              label="Turns of the rule"
              :value="overTurns"
              :choices="
                [1, 2, 3, 4, 5, 8, 10].map(value => ({ value, name: value === 1 ? 'one turn' : `${value} turns` }))
              "
              :set="value => void (overTurns = value)"
            />
            the rule says
            <QuantityField
              label="Length of those turns"
              kind="bore"
              :value="seen.pitchMm === undefined ? undefined : seen.pitchMm * overTurns"
              empty="not measured"
              :set="value => say('pitchMm', value / overTurns)"
            /> </template
          >.
        </p>
        <p><button type="button" class="plain" @click="((seen = { sex }), (kept = ''))">Begin anew</button></p>
      </div>
      <div aria-live="polite" data-found>
        <p v-if="!best" class="wrong">
          Nothing known fits all of that. Take back what you are least sure of; a worn or a foreign part may fit
          nothing.
        </p>
        <template v-else>
          <p>
            <b v-if="found.size">Sure: {{ sizeWords(best) }} {{ endFamily(best.family).name }}.</b>
            <b v-else-if="found.family">Sure: {{ endFamily(best.family).name }}; its size is not.</b>
            <template v-else>{{ found.candidates.length }} ends fit so far.</template>
            <template v-if="found.next"> Next, {{ NEXT[found.next] }}.</template>
          </p>
          <ul>
            <li v-for="each in found.candidates.slice(0, MOST)" :key="`${each.family} ${each.size}`">
              {{ sizeWords(each) }} {{ endFamily(each.family).name }}
              <span class="soft small"
                >· {{ show(acrossOf(endSize(each)!, sex), 'bore') }} across{{
                  endSize(each)!.pitchMm ? `, ${show(endSize(each)!.pitchMm!, 'bore')} a turn` : ''
                }}; {{ endFamily(each.family).seen }}</span
              >
            </li>
          </ul>
          <p v-if="found.family">
            Set it on <ChoiceField label="Set it on" value="" :choices="ports" :set="keep" />
            <span role="status">{{ kept }}</span>
          </p>
        </template>
      </div>
    </div>
    <div v-if="photosOf" class="pictured">
      Photos of
      <ChoiceField
        label="Photos of"
        :value="photosOf"
        :choices="ports.slice(1)"
        :set="value => void (pictured = value)"
      />
      <PhotoStrip :subject="photosOf" :label="ports.find(port => port.value === photosOf)?.name ?? ''" />
    </div>
    <TrueSize v-if="best" :end="{ ...best, sex }" />
  </section>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 8px 24px;
}
p {
  line-height: 1.8;
  margin: 2px 0;
}
ul {
  list-style: none;
  margin: 4px 0;
  padding: 0;
}
li {
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
  line-height: 1.4;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
