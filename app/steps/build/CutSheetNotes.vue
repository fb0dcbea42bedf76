<script setup lang="ts">
import { laidOut, type Laid } from './laid'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { runName } from '#core/site'
import { moveOf } from '#core/moves'
import { cutWords, ownLengthsM, WORTH_M, type CutSheet, type Piece } from '#core/build'

/** One kind of pipe: which pieces lie on which length, what was measured, what is cut already, and what is left over. */
const props = defineProps<{ sheet: CutSheet; pickedId: string | undefined }>()
const emit = defineEmits<{ pick: [id: string] }>()
const store = useSite()
const { system } = useUnits()
const cut = (metres: number) => cutWords(metres, system.value)
const laid = computed(() => laidOut(props.sheet))
const GOES: Record<Piece['goes'], string> = { level: 'level', up: 'up', down: 'down', along: 'along the ground' }
const measure = (piece: Piece, lengthM: number) => store.make(moveOf('measurePiece', { piece: piece.id, lengthM }))
/** One length is cut: its pieces are done, it is gone where it was one's own, and what is worth keeping is kept. */
const isCut = ({ pieces, own, stockM, wasteM }: Laid) =>
  store.make(
    moveOf('cutPieces', {
      pipe: props.sheet.pipe,
      pieces: pieces.map(({ id }) => id),
      usedM: own ? [stockM] : [],
      leftM: wasteM >= WORTH_M ? [wasteM] : [],
    }),
  )
const owned = computed(() => {
  const by = new Map<number, number>()
  for (const lengthM of ownLengthsM(store.site!, props.sheet.pipe)) by.set(lengthM, (by.get(lengthM) ?? 0) + 1)
  return [...by].sort(([a], [b]) => b - a)
})
const have = (lengthM: number, count: number) =>
  store.make(moveOf('ownLength', { pipe: props.sheet.pipe, lengthM, count }))
</script>

<template>
  <div class="sheet" :data-pipe="sheet.pipe">
    <div v-for="(stock, at) in laid" :key="at" class="row">
      <div class="stock">
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
      <span class="small unprinted">
        <span v-if="stock.own" class="soft">your own </span>
        <button type="button" class="plain" data-cut @click="isCut(stock)">it is cut</button>
      </span>
    </div>
    <p class="small">
      There already:
      <template v-for="[lengthM, count] in owned" :key="lengthM">
        <QuantityField
          :label="`Count of ${cut(lengthM)}`"
          kind="count"
          :value="count"
          :set="value => have(lengthM, value)"
        />
        × {{ cut(lengthM) }},
      </template>
      <QuantityField
        label="A length that is there"
        kind="length"
        :value="undefined"
        :empty="owned.length ? 'another length' : 'none; type a length'"
        :set="lengthM => have(lengthM, 1 + (owned.find(([each]) => each === lengthM)?.[1] ?? 0))"
      />
      <span class="soft"> It is cut from first.</span>
    </p>
    <p v-if="sheet.done.length" class="small" data-done>
      Cut already: {{ sheet.done.map(({ label }) => label).join(', ') }}.
      <button
        type="button"
        class="plain unprinted"
        @click="store.make(moveOf('cutAgain', { pieces: sheet.done.map(({ id }) => id) }))"
      >
        Not so
      </button>
    </p>
    <div class="wide">
      <table>
        <tbody>
          <tr
            v-for="piece in sheet.pieces"
            :key="piece.id"
            :data-piece="piece.id"
            :class="{ on: piece.id === pickedId }"
          >
            <th scope="row">
              <button type="button" class="plain" @click="emit('pick', piece.id)">{{ piece.label }}</button>
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
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 620px) auto;
  gap: 10px;
  align-items: center;
}
.stock {
  display: flex;
  min-width: 0;
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
p {
  margin: 4px 0;
}
</style>
