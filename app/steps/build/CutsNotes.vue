<script setup lang="ts">
import FoldGroup from '~/fields/FoldGroup.vue'
import { usePrint } from '~/print/printNotes'
import PieceDrawing from './PieceDrawing.vue'
import { buildFor } from './told'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { runName } from '#core/site'
import { moveOf } from '#core/moves'
import { cutWords, KERF_MM, type CutSheet, type Piece } from '#core/build'

/** Every piece of pipe with its cut length, and the lengths that they are cut from. */
const store = useSite()
const { show, system } = useUnits()
const cut = (metres: number) => cutWords(metres, system.value)
const sheets = computed(() => buildFor(store.site!).sheets)
const pickedId = ref<string>()
const picked = computed(() => {
  const all = sheets.value.flatMap(({ pieces }) => pieces)
  return all.find(({ id }) => id === pickedId.value) ?? all[0]
})
/** Which pieces lie on which length: by their cuts, each once. */
function laidOut({ pieces, stocks }: CutSheet): { stockM: number; wasteM: number; pieces: Piece[] }[] {
  const left = [...pieces]
  return stocks.map(({ stockM, wasteM, piecesM }) => ({
    stockM,
    wasteM,
    pieces: piecesM.flatMap(metres => {
      const at = left.findIndex(({ cutM }) => Math.abs(cutM - metres) < 2e-4)
      return at < 0 ? [] : left.splice(at, 1)
    }),
  }))
}
/** A size of more pieces than this is opened when it is asked for. */
const MOST_OPEN = 8
const GOES: Record<Piece['goes'], string> = { level: 'level', up: 'up', down: 'down', along: 'along the ground' }
const count = ({ stocks, leastStocks }: CutSheet) =>
  stocks.length === leastStocks ? 'fewer cannot do' : `at least ${leastStocks} there must be`
const measure = (piece: Piece, lengthM: number) => store.make(moveOf('measurePiece', { piece: piece.id, lengthM }))
const print = usePrint()
</script>

<template>
  <section data-notes="cuts" class="printed">
    <h2>Cuts</h2>
    <p class="unprinted">
      From middles, or the faces of walls, less what fittings take up, and what goes into sockets back; the saw takes
      {{ show(KERF_MM, 'bore') }}. Write the label on each piece with its arrow, the way the water goes ·
      <button type="button" class="plain" @click="print">Print it</button>
    </p>
    <PieceDrawing v-if="picked" :piece="picked" class="unprinted" />
    <FoldGroup
      v-for="(sheet, number) in sheets"
      :id="`build-cut-${sheet.size}`"
      :key="sheet.size"
      :title="sheet.size"
      :summary="`${sheet.stocks.length === 1 ? 'one length' : `${sheet.stocks.length} lengths`}, ${count(sheet)}`"
      :open="number === 0 && sheet.pieces.length <= MOST_OPEN"
    >
      <div v-for="(stock, at) in laidOut(sheet)" :key="at" class="stock">
        <span
          v-for="piece in stock.pieces"
          :key="piece.id"
          class="piece"
          :style="{ flexGrow: piece.cutM }"
          :title="cut(piece.cutM)"
          >{{ piece.label }} {{ cut(piece.cutM) }}</span
        >
        <span class="waste" :style="{ flexGrow: Math.max(0.02, stock.wasteM) }"
          ><small>{{ cut(stock.wasteM) }} left</small></span
        >
      </div>
      <div class="wide">
        <table>
          <tbody>
            <tr
              v-for="piece in sheet.pieces"
              :key="piece.id"
              :data-piece="piece.id"
              :class="{ on: piece.id === picked?.id }"
            >
              <th scope="row">
                <button type="button" class="plain" @click="pickedId = piece.id">{{ piece.label }}</button>
              </th>
              <td>{{ GOES[piece.goes] }}, {{ piece.ends[0].words }} → {{ piece.ends[1].words }}</td>
              <td class="number">{{ cut(piece.plannedM ?? piece.cutM) }}</td>
              <td>
                measured
                <QuantityField
                  :label="`Measured: ${piece.label}`"
                  kind="length"
                  :value="piece.plannedM === undefined ? undefined : piece.cutM"
                  empty="not yet"
                  :set="value => measure(piece, value)"
                />
                <template v-if="piece.plannedM !== undefined">
                  <span class="soft small">
                    {{ piece.cutM >= piece.plannedM ? '+' : '−' }}{{ cut(Math.abs(piece.cutM - piece.plannedM)) }}</span
                  >
                  <button
                    type="button"
                    class="plain small"
                    @click="store.make(moveOf('measurePiece', { piece: piece.id }))"
                  >
                    as planned
                  </button>
                </template>
              </td>
              <td class="soft">{{ runName(store.site!, piece.run) }}</td>
            </tr>
          </tbody>
        </table>
      </div>
    </FoldGroup>
    <p v-if="!sheets.length" class="soft">No line has a pipe yet.</p>
  </section>
</template>

<style scoped>
h3 {
  margin: 10px 0 2px;
}
h3 small {
  font: 400 13.5px var(--text);
}
.stock {
  display: flex;
  max-width: 620px;
  border: 1px solid var(--hair);
  margin: 3px 0;
  font-size: 12.5px;
}
.piece {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  white-space: nowrap;
  text-align: center;
  background: color-mix(in srgb, var(--water-deep) 45%, var(--sheet));
  border-right: 2px solid var(--ink);
  padding: 2px 3px;
}
.waste {
  flex: 1 1 0;
  min-width: 0;
  white-space: nowrap;
  text-align: right;
  color: var(--soft);
  padding: 2px 4px;
  overflow: hidden;
}
tr.on {
  background: var(--sheet);
}
</style>
