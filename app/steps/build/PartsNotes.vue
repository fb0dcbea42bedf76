<script setup lang="ts">
import FoldGroup from '~/fields/FoldGroup.vue'
import { usePrint } from '~/print/printNotes'
import { buildFor } from './told'
import { usePriceBook } from './usePriceBook'
import FilePick from '~/fields/FilePick.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { counted, listed } from '#core/words'
import { graphOf, nameOf, runName } from '#core/site'
import { moveOf } from '#core/moves'
import { byTrip, totalOf, TRIPS, type ToBuy } from '#core/build'

/** What is to be bought, trip by trip and the hard ones first: ticked in the aisle, with prices of one's own. */
const store = useSite()
const { phrase, money } = useUnits()
const { saveAs } = useFiles()
const { note } = usePriceBook()
const made = computed(() => buildFor(store.site!))
const trips = computed(() => byTrip(made.value.items))
const bought = computed(() => new Set(store.site!.build?.bought))
const left = computed(() => made.value.items.filter(item => item.toBuy > 0 && !bought.value.has(item.id)))
const unpriced = computed(() => made.value.items.filter(({ price }) => price === undefined))
const forWords = ({ forIds }: ToBuy) =>
  listed(
    forIds.slice(0, 3).map(id => {
      const run = graphOf(store.site!).run(id)
      return run ? `“${runName(store.site!, run)}”` : nameOf(store.site!, id)
    }),
  ) + (forIds.length > 3 ? ` and ${forIds.length - 3} more` : '')
const UNIT: Partial<Record<ToBuy['unit'], [one: string, many: string]>> = {
  bag: ['bag', 'bags'],
  tin: ['tin', 'tins'],
  roll: ['roll', 'rolls'],
}
const { show } = useUnits()
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
const told = ref<string[]>([])
async function readBook([file]: File[]): Promise<void> {
  const { readPrices } = await import('#core/exchange')
  const { prices, problems } = readPrices(await file!.text())
  note(prices)
  told.value = [...(prices.size ? [`${prices.size} prices are in the book of this machine.`] : []), ...problems]
}
async function saveTable(): Promise<void> {
  const { partsTable } = await import('#core/exchange')
  saveAs('parts.csv', 'text/csv', partsTable(store.site!, made.value.items))
}
const print = usePrint()
</script>

<template>
  <section data-notes="parts" class="printed">
    <h2>Parts and trips</h2>
    <p class="unprinted">
      {{ left.length }} things still to buy, {{ money(totalOf(left)) }} of {{ money(made.total) }} ·
      <button type="button" class="plain" data-save="csv" @click="saveTable">Save as CSV</button> ·
      <button type="button" class="plain" @click="print">Print it</button> ·
      <FilePick accept=".csv,text/csv" @files="readBook">Read a price book</FilePick>
    </p>
    <p v-for="words in told" :key="words" role="status" class="unprinted small">{{ words }}</p>
    <p v-if="unpriced.length" class="small wrong">
      {{ unpriced.length }} have no price, and are not in the sum: {{ listed(unpriced.map(({ what }) => what)) }}.
    </p>
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
    <p class="soft small">
      Counted off the plan: corners by heights and lengths, joints by what meets there. Two 45° elbows do for one of
      90°, and pass more.
    </p>
  </section>
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
