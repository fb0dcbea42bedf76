<script setup lang="ts">
import { usePriceBook } from './usePriceBook'
import FoldGroup from '~/fields/FoldGroup.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { counted, listed } from '#core/words'
import { graphOf, nameOf, runName } from '#core/site'
import { moveOf } from '#core/moves'
import { forIdsOf, totalOf, TRIPS, type ToBuy, type TripId } from '#core/build'

/** The list trip by trip, the hard ones first: ticked in the aisle, with own prices and what is there already. */
defineProps<{ trips: { trip: TripId; items: ToBuy[] }[] }>()
const store = useSite()
const { phrase, money, show } = useUnits()
const { note } = usePriceBook()
const bought = computed(() => new Set(store.site!.build?.bought))
function forWords(item: ToBuy): string {
  const forIds = forIdsOf(item)
  const names = forIds.slice(0, 3).map(id => {
    const run = graphOf(store.site!).run(id)
    return run ? `“${runName(store.site!, run)}”` : nameOf(store.site!, id)
  })
  return listed(names) + (forIds.length > 3 ? ` and ${forIds.length - 3} more` : '')
}
const UNIT: Partial<Record<ToBuy['unit'], [one: string, many: string]>> = {
  bag: ['bag', 'bags'],
  tin: ['tin', 'tins'],
  roll: ['roll', 'rolls'],
}
function countWords({ toBuy: count, unit }: ToBuy): string {
  if (unit === 'm') return show(count, 'length')
  if (unit === 'm²') return show(count, 'area')
  const words = UNIT[unit]
  return words ? `${count} ${count === 1 ? words[0] : words[1]}` : unit === 'each' ? String(count) : `${count} ${unit}`
}
const perWords = ({ unit }: ToBuy) => (unit === 'each' ? 'each' : `a ${UNIT[unit]?.[0] ?? unit}`)
function price(id: string, value: number): string | undefined {
  const problem = store.make(moveOf('notePrice', { of: id, price: value }))
  // What is paid here is kept for the next site too.
  if (!problem) note([[id, value]])
  return problem
}
</script>

<template>
  <div>
    <FoldGroup
      v-for="({ trip, items }, at) in trips"
      :id="`build-trip-${trip}`"
      :key="trip"
      :title="TRIPS[trip]"
      :summary="`${counted(items.length, 'thing')}, ${money(totalOf(items))}`"
      :open="at === 0"
    >
      <ul>
        <li
          v-for="item in items"
          :key="item.id"
          :data-item="item.id"
          :class="{ bought: bought.has(item.id) || !item.toBuy }"
        >
          <button
            type="button"
            class="tick"
            role="checkbox"
            :aria-checked="bought.has(item.id)"
            :aria-label="`${item.what} ${phrase(item.size)}`"
            @click="store.make(moveOf('tickBought', { item: item.id }))"
          >
            {{ bought.has(item.id) ? '☑' : '☐' }}
          </button>
          <div class="what">
            <b class="figure">{{ countWords(item) }}</b> {{ item.what }}
            <span>{{ phrase(item.size) }}</span>
            <details class="small unprinted">
              <summary>{{ item.cost === undefined ? 'no price' : money(item.cost) }}</summary>
              <QuantityField
                :label="`Price of ${item.what} ${phrase(item.size)}`"
                kind="count"
                :value="item.price"
                empty="not said"
                :set="value => price(item.id, value)"
              />
              {{ store.site!.standards.currency }} {{ perWords(item) }}{{ item.noted ? '' : ', a guess' }}; own
              <QuantityField
                :label="`Own stock of ${item.what} ${phrase(item.size)}`"
                kind="count"
                :value="item.owned || undefined"
                empty="none"
                :set="value => store.make(moveOf('own', { item: item.id, count: value }))"
              />. For {{ forWords(item) }}.
            </details>
          </div>
        </li>
      </ul>
    </FoldGroup>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
  columns: 2 270px;
  column-gap: 24px;
}
h3 {
  margin: 8px 0 2px;
}
h3 small {
  font: 400 13.5px var(--text);
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
  break-inside: avoid;
  line-height: 1.4;
}
.bought .what {
  color: var(--soft);
  text-decoration: line-through;
}
.tick {
  background: none;
  border: 0;
  padding: 0;
  color: var(--oak);
  font-size: 19px;
  line-height: 1.1;
  cursor: pointer;
  align-self: start;
  min-height: 26px;
}
details {
  display: inline;
  margin-left: 6px;
}
summary {
  display: inline;
  color: var(--oak);
  cursor: pointer;
}
@media (max-width: 700px) {
  .tick {
    font-size: 26px;
    min-height: 40px;
  }
  li {
    grid-template-columns: 42px minmax(0, 1fr);
  }
}
</style>
