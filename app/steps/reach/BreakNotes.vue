<script setup lang="ts">
import { breakHours, lossOf } from './useBreak'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { graphOf, nameOf, runName, type Run } from '#core/site'
import { moveOf } from '#core/moves'
import { boreMm } from '#core/network'

/** What a break of a line loses until somebody comes, and which valve would have stopped it. */
const props = defineProps<{ of: string }>()
const store = useSite()
const { litres, show, span } = useUnits()
const answer = computed(() => lossOf(store.site!, props.of))
const loss = computed(() => (answer.value?.failure === undefined ? answer.value : undefined))
const run = computed(() => graphOf(store.site!).run(props.of))
const stops = computed(() => loss.value?.stoppedBy.map(({ runId }) => graphOf(store.site!).run(runId)!) ?? [])
const where = (line: Run) => (line.id === props.of ? 'this line' : `“${runName(store.site!, line)}”`)
/** Less than this is nothing that somebody would miss; a flow of less drips. */
const [LEAST_L, DRIP_LPS] = [1, 0.002]
function fitValve(): void {
  const first = run.value!.parts[0]
  store.make(
    moveOf('insertPart', {
      run: props.of,
      ...(first ? { before: first.id } : {}),
      part: { kind: 'valve', boreMm: boreMm(run.value!), open: true },
    }),
  )
}
</script>

<template>
  <p class="break" data-notes="break">
    If it breaks and nobody comes for
    <QuantityField
      label="Hours until somebody comes"
      kind="count"
      :value="breakHours"
      :set="value => void (breakHours = Math.min(336, Math.max(1, Math.round(value))))"
    />
    hours,
    <span v-if="answer?.failure !== undefined" role="alert" class="wrong"
      >that could not be worked out: {{ answer.failure }}.</span
    >
    <b v-else-if="!loss" class="figure waiting">…</b>
    <template v-else-if="loss.litres < LEAST_L">nothing is lost that does not run away as it is.</template>
    <template v-else>
      <b class="figure" data-figure="break">{{ litres(loss.litres) }}</b> are lost<template
        v-if="loss.flowLps > DRIP_LPS"
        >, at first {{ show(loss.flowLps, 'flow') }}</template
      ><template v-if="loss.dryAfterH !== undefined && loss.dryAfterH < breakHours - 0.2"
        >; after {{ span(loss.dryAfterH) }} nothing is left to run out</template
      >.
      <template v-if="stops.length === 1">
        The valve in {{ where(stops[0]!) }} {{ run ? 'would stop it, shut' : 'keeps what stands behind it, shut' }}.
      </template>
      <template v-else-if="stops.length">
        Two valves would stop it, both shut: in {{ listed([...new Set(stops.map(where))]) }}.
      </template>
      <template v-else>
        {{
          run
            ? `No valve stands between: one at ${nameOf(store.site!, run.from.node)} would stop it.`
            : 'No valve stops what stands over the tear; one in each line that joins it to others keeps theirs.'
        }}
        <button v-if="run" type="button" class="plain" @click="fitValve">Fit one there</button>
      </template>
    </template>
  </p>
</template>

<style scoped>
.break {
  border-top: 1px solid var(--hair);
  padding-top: 6px;
  margin: 6px 0;
}
</style>
