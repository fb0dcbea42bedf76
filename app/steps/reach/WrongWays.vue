<script setup lang="ts">
import { wrongOnes } from './told'
import { showInSection } from '~/section/shown'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { graphOf, nameOf, runName } from '#core/site'
import { moveOf } from '#core/moves'
import { boreMm, wrongWaysOf, type WrongKind, type WrongWay } from '#core/network'

/** Where water can go that it should not: each way lit in the Section with its flow, and what ends it. */
const store = useSite()
const results = useResults()
const { show, litres, phrase } = useUnits()
const site = computed(() => store.site!)
const wrong = computed(() => wrongOnes(site.value))
const stuck = computed(() => wrongWaysOf(site.value).filter(({ kind }) => kind === 'float-stuck'))
const picked = ref<string>()
const lit = computed(() => [...wrong.value, ...stuck.value].find(({ id }) => id === picked.value) ?? wrong.value[0])
const KIND: Record<Exclude<WrongKind, 'float-stuck'>, string> = {
  'into-main': 'into the main',
  'into-well': 'down the well',
  'into-tank-by-outlet': 'into a tank by its outlet',
  'round-the-pump': 'round the pump',
  'back-through-pump': 'back through the stopped pump',
}
function headOf({ kind, fromId, toId }: WrongWay): string {
  const [from, to] = [nameOf(site.value, fromId), nameOf(site.value, toId)]
  if (kind === 'float-stuck') return `${from} into ${to}, past a stuck float`
  return kind === 'round-the-pump' ? `${from} ${KIND[kind]}` : `${from} ${KIND[kind]}: ${to}`
}
const wayOf = ({ path }: WrongWay) =>
  listed(path.map(({ runId }) => `“${runName(site.value, graphOf(site.value).run(runId)!)}”`))
const modeName = (id: string | undefined) => site.value.modes.find(mode => mode.id === id)?.name
function fit({ runId, before }: NonNullable<WrongWay['check']>): void {
  const run = graphOf(site.value).run(runId)!
  store.make(
    moveOf('insertPart', { run: runId, ...(before ? { before } : {}), part: { kind: 'check', boreMm: boreMm(run) } }),
  )
}
/** Siphons are found at their tanks, and belong among what goes wrong. */
const siphons = computed(
  () => results.review?.findings.filter(({ check }) => check === 'inlet-siphons' || check === 'overflow-siphons') ?? [],
)
const flowsOf = ({ path, flowLps }: WrongWay) =>
  Object.fromEntries(path.map(({ runId, forward }) => [runId, forward ? flowLps : -flowLps]))
showInSection(() => (lit.value ? { lit: lit.value.path, flows: flowsOf(lit.value) } : {}))
</script>

<template>
  <section data-notes="wrong-ways">
    <h2>Wrong ways</h2>
    <p class="soft small">
      Looked for with the power off, the main on, off and weak, each pump running, a tap open, tanks full and empty, and
      each float stuck{{ site.modes.length ? ', as the valves stand and in every way of running it' : '' }}.
    </p>
    <p v-if="!wrong.length" class="fine">No water goes where it should not.</p>
    <article
      v-for="way in [...wrong, ...stuck]"
      :key="way.id"
      :data-way="way.id"
      :class="{ on: lit?.id === way.id, stuck: way.kind === 'float-stuck' }"
    >
      <button type="button" class="plain" :aria-pressed="lit?.id === way.id" @click="picked = way.id">
        {{ headOf(way) }}
      </button>
      <p>
        With {{ way.words }}{{ modeName(way.mode) ? `, in “${modeName(way.mode)}”` : '' }},
        <b class="figure">{{ show(way.flowLps, 'flow') }}</b> by {{ wayOf(way) }}, {{ litres(way.litresPerDay) }} in a
        day.
        <button v-if="way.check" type="button" class="plain" @click="fit(way.check)">
          Fit a check valve in “{{ runName(site, graphOf(site).run(way.check.runId)!) }}”
        </button>
        <template v-if="way.kind === 'into-main'">
          An air gap, or the device that the local code names; never merely a valve.
          <button
            type="button"
            class="plain"
            @click="store.make(moveOf('set', { of: 'node', id: way.toId, field: 'backflow', value: 'device' }))"
          >
            It has that device
          </button>
        </template>
        <template v-if="way.kind === 'float-stuck'">That is what its overflow must carry.</template>
      </p>
    </article>
    <p v-for="each in siphons" :key="each.id">
      {{ phrase(each.sentence) }}
      <button v-if="each.mend" type="button" class="plain" @click="store.make(each.mend.move)">
        {{ phrase(each.mend.label) }}
      </button>
    </p>
  </section>
</template>

<style scoped>
article {
  border-left: 3px solid var(--rust);
  padding: 2px 10px;
  margin: 8px 0;
}
article.stuck {
  border-color: var(--hair);
}
article.on {
  background: var(--sheet);
}
article p {
  margin: 0;
}
.fine {
  color: var(--moss);
}
</style>
