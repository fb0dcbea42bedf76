<script setup lang="ts">
import { breakPlaceName } from './book'
import { askedOf } from './readingWords'
import { useCauses } from './useCauses'
import ChoiceField from '~/fields/ChoiceField.vue'
import LongList from '~/fields/LongList.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useSite } from '~/stores/site'
import { FAULTS, readingPlaces, type Ranked, type Taken } from '#core/plant'

/** Readings from the real yard: what may be the matter there, and the reading that would tell the first two apart. */
const store = useSite()
const { diagnose, whole: wholeSite, progress, failure, stop } = useCauses()
/** Readings that were brought along from Keep, by their ids; only those that are such. */
function broughtIn(name: 'reads' | 'times'): Taken {
  try {
    const brought = JSON.parse(String(useRoute().query[name] ?? '{}')) as Record<string, unknown>
    const known = new Set(readingPlaces(store.site!).map(({ id }) => id))
    const read = Object.entries(brought).filter(([id, value]) => known.has(id) && Number.isFinite(value))
    return Object.fromEntries(read) as Taken
  } catch {
    return {}
  }
}
const taken = reactive<Taken>({ ...broughtIn('reads') })
/** What has become so many times as often is that many times what it would be with nothing broken. */
const times = broughtIn('times')
onMounted(async () => {
  const whole = Object.keys(times).length ? await wholeSite() : undefined
  for (const [id, factor] of Object.entries(times)) if (whole?.[id]) taken[id] ??= whole[id] * factor
})
const idOf = ({ id }: { id: string }) => id
const asked = computed(() => readingPlaces(store.site!).map(place => askedOf(store.site!, place)))
const answer = shallowRef<{ ranked: Ranked[]; apart?: string }>()
const SOME_SHARE = 0.02
async function look(): Promise<void> {
  answer.value = await diagnose({ ...taken })
}
function put(id: string, value: number | undefined): undefined {
  if (value === undefined) Reflect.deleteProperty(taken, id)
  else taken[id] = value
}
const YES = [
  { value: 'unsaid', name: 'not looked at' },
  { value: 'yes', name: 'yes' },
  { value: 'no', name: 'no' },
]
const wordsOf = (id: string) => asked.value.find(each => each.id === id)?.words ?? ''
const shown = computed(() => answer.value?.ranked.filter(({ share }) => share > SOME_SHARE) ?? [])
</script>

<template>
  <section data-notes="mine">
    <h2>What is wrong with mine?</h2>
    <p class="soft small">
      Tell what you can read; three to five readings are mostly enough. What you leave out is not held against anything.
    </p>
    <dl>
      <LongList v-slot="{ item: each }" :items="asked" :key-of="idOf">
        <dt>{{ each.words }}</dt>
        <dd>
          <ChoiceField
            v-if="each.kind === 'yes'"
            :label="each.words"
            :value="taken[each.id] === undefined ? 'unsaid' : taken[each.id] ? 'yes' : 'no'"
            :choices="YES"
            :set="value => put(each.id, value === 'unsaid' ? undefined : Number(value === 'yes'))"
          />
          <QuantityField
            v-else
            :label="each.words"
            :kind="each.kind"
            :value="taken[each.id] === undefined ? undefined : each.written(taken[each.id]!)"
            empty="not read"
            :set="value => put(each.id, each.taken(value))"
          />
        </dd>
      </LongList>
    </dl>
    <p>
      <button type="button" class="move" :disabled="!Object.keys(taken).length || progress !== undefined" @click="look">
        What may it be?
      </button>
      <template v-if="progress !== undefined">
        <progress :value="progress" aria-label="How far" /> every fault is played through
        <button type="button" class="plain" @click="stop">Stop</button>
      </template>
      <span v-if="failure" role="alert" class="wrong">{{ failure }}</span>
    </p>
    <ol v-if="shown.length" class="ranked">
      <li
        v-for="{ fault, share } in shown"
        :key="fault ? `${fault.fault} ${fault.at}` : 'none'"
        :data-cause="fault?.fault ?? 'none'"
      >
        <b>{{ Math.round(100 * share) }} %</b>
        <template v-if="fault">
          {{ FAULTS[fault.fault].name }}, at {{ breakPlaceName(store.site!, fault.at) }}
          <span class="soft small"> · {{ FAULTS[fault.fault].noticed }}</span>
        </template>
        <template v-else>nothing that can be read: all as it should be</template>
      </li>
    </ol>
    <p v-if="answer?.apart">
      To tell the first two apart, read: <b>{{ wordsOf(answer.apart) }}</b>.
    </p>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 16px;
  max-width: 620px;
  font-size: 14px;
}
dt,
dd {
  margin: 0;
  border-bottom: 1px dotted var(--hair);
  padding: 2px 0;
}
dd {
  text-align: right;
}
.ranked {
  padding-left: 20px;
}
</style>
