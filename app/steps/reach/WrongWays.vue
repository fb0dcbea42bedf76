<script setup lang="ts">
import { wrongWaysIn } from '~/engine/moments'
import { showInSection } from '~/section/shown'
import LongList from '~/fields/LongList.vue'
import WorkingOut from '~/fields/WorkingOut.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { graphOf, nameOf, portId, runName } from '#core/site'
import { moveOf, setField } from '#core/moves'
import { boreMm, siphonsOf, type Siphon, type WrongKind, type WrongWay } from '#core/network'

/** Where water can go that it should not: each way lit in the Section with its flow, and what ends it. */
const store = useSite()
const { show, litres } = useUnits()
const site = computed(() => store.site!)
const found = computed(() => wrongWaysIn(site.value))
/** Faults of the plan; what a stuck float would do is told beside them. */
const wrong = computed(() => found.value?.filter(({ kind }) => kind !== 'float-stuck') ?? [])
const stuck = computed(() => found.value?.filter(({ kind }) => kind === 'float-stuck') ?? [])
const ways = computed(() => [...wrong.value, ...stuck.value])
const wayId = ({ id }: { id: string }) => id
const siphons = computed(() => siphonsOf(site.value))
const picked = ref<string>()
const all = computed(() => [...wrong.value, ...siphons.value, ...stuck.value])
const lit = computed(() => all.value.find(({ id }) => id === picked.value) ?? all.value[0])
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
const wayOf = ({ path }: Pick<WrongWay, 'path'>) =>
  listed(path.map(({ runId }) => `“${runName(site.value, graphOf(site.value).run(runId)!)}”`))
const modeName = (id: string | undefined) => site.value.modes.find(mode => mode.id === id)?.name
function fit({ runId, before }: NonNullable<WrongWay['check']>): void {
  const run = graphOf(site.value).run(runId)!
  store.make(
    moveOf('insertPart', { run: runId, ...(before ? { before } : {}), part: { kind: 'check', boreMm: boreMm(run) } }),
  )
}
/** Air let in at the top of the pipe ends it. */
const drill = ({ tankId, port }: Siphon) => store.make(setField('port', portId(tankId, port), 'airHole', true))
const SIPHON: Record<Siphon['by'], string> = {
  inlet: 'Its inlet ends under water: once its line runs empty behind the rain, it goes on backwards',
  overflow: 'Its overflow dips under the water: once it runs, it goes on by itself',
}
const flowsOf = ({ path, flowLps }: Pick<WrongWay, 'path' | 'flowLps'>) =>
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
    <WorkingOut v-if="!found" what="which they are" />
    <p v-else-if="!wrong.length && !siphons.length" class="fine">No water goes where it should not.</p>
    <LongList v-slot="{ item: way }" :items="ways" :key-of="wayId">
      <article :data-way="way.id" :class="{ on: lit?.id === way.id, stuck: way.kind === 'float-stuck' }">
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
    </LongList>
    <article v-for="each in siphons" :key="each.id" :data-way="each.id" :class="{ on: lit?.id === each.id }">
      <button type="button" class="plain" :aria-pressed="lit?.id === each.id" @click="picked = each.id">
        {{ nameOf(site, each.tankId) }} by itself to {{ nameOf(site, each.toId) }}
      </button>
      <p>
        {{ SIPHON[each.by] }}, <b class="figure">{{ show(each.flowLps, 'flow') }}</b> by {{ wayOf(each) }},
        {{ litres(each.litresPerDay) }} in a day.
        <button type="button" class="plain" @click="drill(each)">Drill the air hole</button>
      </p>
    </article>
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
