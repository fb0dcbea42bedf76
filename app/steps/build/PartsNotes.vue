<script setup lang="ts">
import PartsByLine from './PartsByLine.vue'
import PartsByTrip from './PartsByTrip.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import ListPdf from '~/steps/ListPdf.vue'
import { usePrint } from '~/print/printNotes'
import { buildFor, substitutesIn } from './describe'
import { usePriceBook } from './usePriceBook'
import FilePick from '~/fields/FilePick.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { counted, listed } from '#core/words'
import { moveOf } from '#core/moves'
import { byTrip, totalOf } from '#core/build'

/** What is to be bought, trip by trip and the hard ones first: ticked in the aisle, with prices of one's own. */
const store = useSite()
const { phrase, show, money } = useUnits()
const { saveAs } = useFiles()
const { note, site } = usePriceBook()
const made = computed(() => buildFor(store.site!)!)
const view = ref<'trip' | 'line'>('trip')
const VIEWS = [
  { value: 'trip' as const, name: 'by trip' },
  { value: 'line' as const, name: 'by line' },
]
const substitutes = computed(() => substitutesIn(site.value) ?? [])
const trips = computed(() => byTrip(made.value.items))
const bought = computed(() => new Set(store.site!.build?.bought))
const left = computed(() => made.value.items.filter(item => item.toBuy > 0 && !bought.value.has(item.id)))
const unpriced = computed(() => made.value.items.filter(({ price }) => price === undefined))
const told = ref<string[]>([])
async function readBook([file]: File[]): Promise<void> {
  const { readPrices } = await import('#core/exchange')
  const { prices, problems } = readPrices(await file!.text())
  note(prices)
  told.value = [
    ...(prices.size ? [`Taken into the book of this machine: ${counted(prices.size, 'price')}.`] : []),
    ...problems,
  ]
}
async function saveTable(): Promise<void> {
  const { partsTable } = await import('#core/exchange')
  saveAs('parts.csv', 'text/csv', partsTable(store.site!, made.value.items))
}
const print = usePrint()
const content = async () => (await import('./report/work')).parts({ site: store.site!, show, money })
</script>

<template>
  <section data-notes="parts" class="printed">
    <h2>Parts and trips</h2>
    <p class="unprinted">
      {{ left.length }} things still to buy, {{ money(totalOf(left)) }} of {{ money(made.total) }} ·
      <button type="button" class="plain" data-save="csv" @click="saveTable">Save as CSV</button> ·
      <ListPdf kind="Parts and trips" file="parts" :content="content" /> ·
      <button type="button" class="plain" @click="print">Print it</button> ·
      <ChoiceField label="List" :value="view" :choices="VIEWS" :set="value => void (view = value)" /> ·
      <FilePick accept=".csv,text/csv" @files="readBook">Read a price book</FilePick>
    </p>
    <p
      v-for="{ item, words, saves, swapped } in substitutes"
      :key="item.id"
      class="small unprinted"
      :data-swap="item.id"
    >
      <template v-if="swapped">{{ words }} stand in for each {{ item.what }} {{ phrase(item.size) }}.</template>
      <template v-else>
        {{ words }} for each {{ item.what }} {{ phrase(item.size) }} save {{ money(saves) }} in all, and pass more.
      </template>
      <button type="button" class="plain" @click="store.make(moveOf('swapItem', { item: item.id }))">
        {{ swapped ? 'As the list had it' : 'Do so' }}
      </button>
    </p>
    <p v-for="words in told" :key="words" role="status" class="unprinted small">{{ words }}</p>
    <p v-if="unpriced.length" class="small wrong">
      {{ unpriced.length }} have no price, and are not in the sum: {{ listed(unpriced.map(({ what }) => what)) }}.
    </p>
    <PartsByTrip v-if="view === 'trip'" :trips="trips" />
    <PartsByLine v-else />
    <p class="soft small">Counted off the plan: corners by heights and lengths, joints by what meets there.</p>
  </section>
</template>
