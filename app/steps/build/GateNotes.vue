<script setup lang="ts">
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import { group } from 'd3-array'
import { buildFor } from './describe'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { graphOf } from '#core/site'

/** What must be there before the first rain, and before water is let in; and what forgetting each would cost. */
const store = useSite()
const { litres } = useUnits()
const { pickNode, pickRun } = useSelection()
const gate = computed(() => buildFor(store.site!)!.gate)
const BEFORE = { rain: 'Before the first rain', water: 'Before water is let in' } as const
const nameOf = (what: string) => what.slice(0, what.indexOf(': '))
/** Without the name that stands over it. */
function shortly(what: string): string {
  const words = what.slice(what.indexOf(': ') + 2)
  return words.charAt(0).toUpperCase() + words.slice(1)
}
const parts = computed(() =>
  (['rain', 'water'] as const).map(before => ({
    before,
    words: BEFORE[before],
    things: [
      ...group(
        gate.value.filter(item => item.before === before),
        ({ at }) => at,
      ),
    ].map(([, items]) => ({
      name: nameOf(items[0]!.what),
      items,
      open: items.filter(item => item.open).length,
    })),
  })),
)
type Thing = (typeof parts.value)[number]['things'][number]
const placeOf = ({ items }: Thing) => items[0]!.at
const firstOpen = computed(() => parts.value[0]!.things.find(({ open }) => open > 0))
const show = (id: string) => (graphOf(store.site!).run(id) ? pickRun(id) : pickNode(id))
const costs = ({ litres: least, days }: { litres: number; days?: number }) =>
  least
    ? `Forgotten, it costs ${litres(least)} let out${days ? `, and ${daysOf(days)} of rain at this season to fill again` : ''}.`
    : ''
const daysOf = (days: number) => (days === 1 ? 'a day' : `${days} days`)
</script>

<template>
  <section data-notes="gate">
    <template v-for="{ words, before, things } in parts" :key="before">
      <h2>{{ words }}</h2>
      <LongList v-slot="{ item: { name, items, open } }" :items="things" :key-of="placeOf">
        <FoldGroup
          :id="`build-gate-${before}-${items[0]!.at}`"
          :title="name"
          :summary="open ? `${open} open` : 'shut'"
          :open="before === 'rain' && items === firstOpen?.items"
        >
          <ul>
            <li v-for="item in items" :key="item.id" :data-gate="item.id" :class="{ open: item.open }">
              <span class="mark" aria-hidden="true">{{ item.open ? '○' : '●' }}</span>
              <div>
                <b>{{ shortly(item.what) }}</b><span class="unseen">{{ item.open ? ', open' : ', shut' }}</span
                ><template v-if="item.open">: {{ item.open }}</template
                >.
              </div>
            </li>
          </ul>
          <p v-if="open" class="soft small">{{ costs(items[0]!.costsLater) }}</p>
          <details v-for="item in items.filter(each => each.open)" :key="item.id" class="small" :data-later="item.id">
            <summary>Doing it later: {{ shortly(item.what) }}</summary>
            <ol>
              <li v-for="step in item.later" :key="step">{{ step }}</li>
            </ol>
          </details>
          <button type="button" class="plain small" @click="show(items[0]!.at)">Show it</button>
        </FoldGroup>
      </LongList>
    </template>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 12px;
}
li {
  display: grid;
  grid-template-columns: 18px minmax(0, 1fr);
  padding: 4px 0;
  border-bottom: 1px dotted var(--hair);
  line-height: 1.5;
}
.mark {
  color: var(--moss);
}
.open .mark {
  color: var(--rust);
}
p {
  margin: 4px 0;
}
</style>
