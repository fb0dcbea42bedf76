<script setup lang="ts">
import CutSheetNotes from './CutSheetNotes.vue'
import PieceDrawing from './PieceDrawing.vue'
import { buildFor } from './describe'
import FoldGroup from '~/fields/FoldGroup.vue'
import { useUnits } from '~/fields/useUnits'
import ListPdf from '~/steps/ListPdf.vue'
import { usePrint } from '~/print/printNotes'
import { useSite } from '~/stores/site'
import { KERF_MM, sizeOf, type CutSheet } from '#core/build'

/** Every piece of pipe with its cut length, and the lengths that they are cut from. */
const store = useSite()
const { show } = useUnits()
const sheets = computed(() => buildFor(store.site!)!.sheets)
const pickedId = ref<string>()
const picked = computed(() => {
  const all = sheets.value.flatMap(({ pieces }) => pieces)
  return all.find(({ id }) => id === pickedId.value) ?? all[0]
})
/** A size of more pieces than this is opened when it is asked for. */
const MOST_OPEN = 8
function summary({ pieces, stocks, leastStocks }: CutSheet): string {
  if (!pieces.length) return 'all cut'
  const own = stocks.filter(stock => stock.own).length
  const bought = stocks.length - own
  const lengths = bought === 1 ? 'one length' : `${bought} lengths`
  const least = bought === leastStocks ? 'fewer cannot do' : `at least ${leastStocks} there must be`
  return `${own ? `${own} of your own and ` : ''}${lengths}, ${least}`
}
const print = usePrint()
const content = async () => (await import('./report/work')).cuts({ site: store.site! })
</script>

<template>
  <section data-notes="cuts" class="printed">
    <h2>Cuts</h2>
    <p class="unprinted">
      From middles, or the faces of walls, less what fittings take up, and what goes into sockets back; the saw takes
      {{ show(KERF_MM, 'bore') }}. Write the label on each piece with its arrow, the way the water goes ·
      <ListPdf kind="Cuts" file="cuts" :content="content" /> ·
      <button type="button" class="plain" @click="print">Print it</button>
    </p>
    <PieceDrawing v-if="picked" :piece="picked" class="unprinted" />
    <FoldGroup
      v-for="(sheet, number) in sheets"
      :id="`build-cut-${sheet.pipe}`"
      :key="sheet.pipe"
      :title="sizeOf(sheet.bought)"
      :summary="summary(sheet)"
      :open="number === 0 && sheet.pieces.length <= MOST_OPEN"
    >
      <CutSheetNotes :sheet="sheet" :picked-id="picked?.id" @pick="id => (pickedId = id)" />
    </FoldGroup>
    <p v-if="!sheets.length" class="soft">No line has a pipe yet.</p>
  </section>
</template>
