<script setup lang="ts">
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import ChainRow from './ChainRow.vue'
import EndField from './EndField.vue'
import { buildFor } from './describe'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { graphOf, nameOf, portId, runName, tanksOf } from '#core/site'
import { setField } from '#core/moves'
import { chains, mainPipe, pipeEnd, WEIGHING_IDS, WEIGHINGS, type WeighingId } from '#core/build'
import { endWords, endFamily, type End } from '#core/catalog'

/** Adapters between two ends: cheapest, fewest joints, easiest to find; and each tank's own ends with what they ask for. */
const store = useSite()
const { price } = useUnits()
const WORDS: Record<WeighingId, string> = {
  cheapest: 'Cheapest',
  fewest: 'Fewest joints',
  easiest: 'Easiest to find',
}
const TOTE: End = { family: 'buttress-6', size: '60', sex: 'male' }
/** Every hole of a tank that a line ends at, with the pipe of that line. */
const holes = computed(() =>
  tanksOf(store.site!).flatMap(tank =>
    tank.ports.flatMap(port => {
      const run = graphOf(store.site!)
        .at(tank.id)
        .find(each => [each.from, each.to].some(({ node, port: at }) => node === tank.id && at === port.name))
      return run ? [{ tank, port, run, to: pipeEnd(mainPipe(store.site!, run)) }] : []
    }),
  ),
)
const from = ref<End>({ ...TOTE })
const to = ref<End>(
  holes.value.find(({ port }) => port.role === 'outlet')?.to ?? { family: 'tapered', size: '1', sex: 'male' },
)
const prices = computed(
  () => new Map(store.site!.prices?.flatMap(({ id, price }) => (price === undefined ? [] : [[id, price] as const]))),
)
const ways = computed(() =>
  WEIGHING_IDS.map(id => ({ id, chains: chains(from.value, to.value, WEIGHINGS[id], 3, prices.value) })),
)
const inNeed = computed(() =>
  chains(from.value, to.value, { ...WEIGHINGS.fewest, forNow: 0 }, 1, prices.value).find(
    ({ holds }) => holds === 'now',
  ),
)
const told = computed(() => new Map(buildFor(store.site!)!.chains.map(chain => [chain.at, chain])))
const holeOf = ({ tank, port }: (typeof holes.value)[number]) => `${tank.id}:${port.name}`
const joints = (count: number) => (count === 1 ? 'one joint' : `${count} joints`)
const setEnd = (tankId: string, port: string, end: End | undefined) =>
  store.make(setField('port', portId(tankId, port), 'end', end))
</script>

<template>
  <section data-notes="chain">
    <h2>From this to that</h2>
    <p>
      From <EndField label="From" :value="from" :set="end => void (from = end)" /> to
      <EndField label="To" :value="to" :set="end => void (to = end)" />
    </p>
    <template v-if="ways[0]!.chains.length">
      <div v-for="{ id, chains: found } in ways" :key="id" :data-way="id">
        <h3>
          {{ WORDS[id] }}
          <small class="soft"
            >{{ price(found[0]!.price) }}, {{ joints(found[0]!.joints.length) }},
            {{ found[0]!.holds === 'good' ? 'holds for good' : 'only for now: it leaks in time' }}</small
          >
        </h3>
        <ChainRow :from="from" :to="to" :chain="found[0]!" />
        <p v-if="id === 'cheapest' && found.length > 1" class="small soft">
          Next:
          <template v-for="(other, at) in found.slice(1)" :key="at">
            {{ at ? ' · ' : '' }}{{ other.steps.map(({ adapter }) => adapter.name).join(' + ') }},
            {{ price(other.price) }}
          </template>
        </p>
      </div>
      <p v-if="inNeed" class="small">
        In need: {{ inNeed.steps.map(({ adapter }) => adapter.name).join(' + ') }}, {{ price(inNeed.price) }}. It works
        in an emergency, and leaks.
      </p>
      <p class="small soft">
        {{ endFamily(from.family).name }}: {{ endFamily(from.family).tight }}. A union belongs where the first thing
        behind it will wear.
      </p>
    </template>
    <p v-else class="wrong" data-none>
      No adapters meet between {{ endWords(from) }} and {{ endWords(to) }}. People change the valve for one with a
      thread, or cut a hole of their own for a bulkhead fitting beside it.
    </p>

    <FoldGroup v-if="holes.length" id="build-ends" title="At the tanks" :summary="`${holes.length} holes`">
      <div class="wide">
        <table v-if="holes.length">
          <tbody>
            <LongList v-slot="{ item: { tank, port, run } }" :items="holes" :key-of="holeOf">
              <tr :data-port="`${tank.id}:${port.name}`">
                <th scope="row">
                  {{ nameOf(store.site!, tank.id) }}, {{ port.role }}<br /><small class="soft">{{
                    runName(store.site!, run)
                  }}</small>
                </th>
                <td>
                  <template v-if="port.end">
                    <EndField
                      :label="`End of ${tank.name}, ${port.name}`"
                      :value="port.end"
                      :set="end => setEnd(tank.id, port.name, end)"
                    />
                    <br />
                    <small v-if="told.get(`${tank.id}:${port.name}`)?.none" class="wrong"
                      >no adapters meet its pipe</small
                    >
                    <small v-else class="soft">{{
                      told
                        .get(`${tank.id}:${port.name}`)
                        ?.steps.map(({ adapter }) => adapter.name)
                        .join(' + ') || 'meets its pipe as it is'
                    }}</small>
                  </template>
                  <button v-else type="button" class="plain" @click="setEnd(tank.id, port.name, from)">
                    It has the end above: {{ endWords(from) }}
                  </button>
                </td>
                <td>
                  <button
                    v-if="port.end"
                    type="button"
                    class="plain small"
                    @click="setEnd(tank.id, port.name, undefined)"
                  >
                    A hole with a bulkhead
                  </button>
                </td>
              </tr>
            </LongList>
          </tbody>
        </table>
      </div>
    </FoldGroup>
  </section>
</template>

<style scoped>
h3 {
  margin: 8px 0 0;
}
small {
  font: 400 13px var(--text);
}
p {
  line-height: 1.7;
  margin: 4px 0;
}
</style>
