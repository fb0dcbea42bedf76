<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { fewAtATime } from '~/stores/fewAtATime'
import { cardIn } from '~/engine/plans'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import { isAsExpected, STAGES, type CardLine, type StageId } from '#core/plant'

/** The card by which it is first filled: what to look at, the figure to expect, and a box for what was found. */
const store = useSite()
const { show } = useUnits()
const told = computed(() => cardIn(store.site!))
const card = computed(() => told.value ?? [])
const lineOf = ({ id }: CardLine) => id
const come = fewAtATime(
  () => card.value,
  lineOf,
  () => 20,
)
const found = computed(() => new Map(store.site!.found?.map(each => [each.line, each])))
const WORDS: Record<StageId, string> = {
  dry: 'Before there is water',
  little: 'Fill a little, look, tighten',
  full: 'Fill',
  running: 'Running',
}
const byStage = computed(() =>
  STAGES.map(stage => ({ stage, lines: come.value.filter(line => line.stage === stage) })).filter(
    ({ lines }) => lines.length,
  ),
)
const note = (id: string, value: number | undefined) =>
  store.make(moveOf('noteFound', { line: id, ...(value === undefined ? {} : { value }) }))
const tick = (id: string) => {
  const well = found.value.get(id)?.well ? undefined : true
  store.make(moveOf('noteFound', { line: id, ...(well ? { well } : {}) }))
}
const off = ({ id, expect }: CardLine): boolean => {
  const value = found.value.get(id)?.value
  return expect !== undefined && value !== undefined && !isAsExpected(expect, value)
}
const done = computed(() => card.value.filter(({ id }) => found.value.has(id)).length)
const print = (): void => window.print()
</script>

<template>
  <section data-notes="commission" class="printed">
    <h2>Commissioning card</h2>
    <p class="unprinted">
      {{ done }} of {{ card.length }} lines found ·
      <button type="button" class="plain" @click="print">Print it</button>. Nobody goes into a tank alone; shut the
      power off before a pump is touched.
    </p>
    <table class="compare">
      <tbody v-for="{ stage, lines } in byStage" :key="stage">
        <tr>
          <th scope="rowgroup" class="stage">{{ WORDS[stage] }}</th>
          <th scope="col">expect</th>
          <th scope="col">found</th>
        </tr>
        <tr v-for="line in lines" :key="line.id" :data-line="line.id">
          <th scope="row">{{ line.words }}</th>
          <td class="figure">{{ line.expect ? show(line.expect.value, line.expect.kind) : 'well' }}</td>
          <td>
            <QuantityField
              v-if="line.expect"
              :label="`Found: ${line.words}`"
              :kind="line.expect.kind"
              :value="found.get(line.id)?.value"
              empty="not yet"
              :set="value => note(line.id, value)"
            />
            <button
              v-else
              type="button"
              class="plain"
              role="checkbox"
              :aria-checked="Boolean(found.get(line.id)?.well)"
              :aria-label="line.words"
              @click="tick(line.id)"
            >
              {{ found.get(line.id)?.well ? '☑ well' : '☐' }}
            </button>
            <span v-if="off(line)" class="wrong small" role="alert"> not as expected</span>
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.stage {
  font-family: var(--heading);
  padding-top: 10px;
}
th,
td {
  padding-block: 1px;
  font-size: 13.5px;
}
th[scope='row'] {
  font-weight: 400;
}
</style>
