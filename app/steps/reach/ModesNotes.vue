<script setup lang="ts">
import HandleMark from './HandleMark.vue'
import { useMode } from './useMode'
import NameField from '~/fields/NameField.vue'
import LongList from '~/fields/LongList.vue'
import { modesIn, momentIn, servedIn } from '~/engine/moments'
import { showInSection } from '~/section/shown'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { group } from 'd3-array'
import { listed } from '#core/words'
import { inMode, nameOf, runName, type Mode } from '#core/site'
import { moveOf } from '#core/moves'
import { handValves, tapsOf } from '#core/network'

/** The named ways of running the site: for each the valves, what it serves, and what is to be turned for it. */
const store = useSite()
const { show } = useUnits()
const { pickRun } = useSelection()
const { mode: picked, pickMode } = useMode()
const site = computed(() => store.site!)
const valves = computed(() => handValves(site.value))
const proposed = computed(() => modesIn(site.value) ?? [])
const positionIn = (mode: Mode, part: string) => mode.positions.find(each => each.part === part)?.open
const NEXT = (open: boolean | undefined) => (open === undefined ? true : open ? false : undefined)
const turn = (mode: Mode, part: string) =>
  store.make(moveOf('setPositions', { mode: mode.id, positions: [{ part, open: NEXT(positionIn(mode, part)) }] }))
const SAID = (open: boolean | undefined) => (open === undefined ? 'as it stands' : open ? 'open' : 'shut')
/** Two valves in one line are told apart by their number. */
const valveNames = computed(() => {
  const byRun = group(valves.value, ({ run }) => run)
  return new Map(
    [...byRun].flatMap(([run, own]) =>
      own.map(({ valve }, at) => {
        const name = runName(site.value, run)
        return [valve.id, own.length > 1 ? `${name}, ${at + 1}` : name] as const
      }),
    ),
  )
})
const valveName = (part: string): string => valveNames.value.get(part)!
const valveOf = ({ valve }: { valve: { id: string } }) => valve.id
const served = computed(
  () =>
    new Map(
      site.value.modes.map(mode => {
        const answer = servedIn(site.value, mode)
        if (!answer) return [mode.id, '…']
        const { taps, tanks } = answer
        const all = tapsOf(site.value).length
        const words = [
          ...(taps.length ? [taps.length === all ? 'all taps' : listed(taps.map(id => nameOf(site.value, id)))] : []),
          ...tanks.map(({ id, flowLps }) => `fills ${nameOf(site.value, id)}, ${show(flowLps, 'flow')}`),
        ]
        return [mode.id, words.length ? listed(words) : 'nothing flows']
      }),
    ),
)
/** What must be turned to come to the mode in hand from how the valves stand. */
const toTurn = computed(() =>
  picked.value
    ? valves.value.filter(({ valve }) => (positionIn(picked.value!, valve.id) ?? valve.open) !== valve.open)
    : [],
)
const name = ref('')
const problem = ref<string>()
function keep(): void {
  problem.value = store.make(moveOf('keepMode', { name: name.value }))
  if (!problem.value) name.value = ''
}
const live = computed(() =>
  momentIn(
    picked.value ? inMode(site.value, picked.value) : site.value,
    tapsOf(site.value).map(({ id }) => id),
    'low',
  ),
)
showInSection(() => ({
  flows: Object.fromEntries(Object.entries(live.value?.runs ?? {}).map(([id, { flowLps }]) => [id, flowLps])),
  valves: picked.value ? Object.fromEntries(picked.value.positions.map(({ part, open }) => [part, open])) : {},
}))
</script>

<template>
  <section data-notes="modes">
    <h2>Ways of running it</h2>
    <p v-if="!valves.length" class="soft">There is no hand valve under pressure yet, so there is nothing to choose.</p>
    <div v-else class="wide">
      <table class="compare">
        <thead>
          <tr>
            <th scope="col">valve</th>
            <th scope="col">now</th>
            <th v-for="mode in site.modes" :key="mode.id" scope="col" :class="{ on: mode.id === picked?.id }">
              <NameField
                :value="mode.name"
                :label="`Name of ${mode.name}`"
                :set="(text: string) => store.make(moveOf('renameMode', { mode: mode.id, name: text }))"
              />
              <button
                type="button"
                class="plain small"
                :aria-pressed="mode.id === picked?.id"
                @click="pickMode(mode.id === picked?.id ? undefined : mode.id)"
              >
                {{ mode.id === picked?.id ? 'shown' : 'show' }}
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <LongList v-slot="{ item: { run, valve } }" :items="valves" :key-of="valveOf">
            <tr :data-valve="valve.id">
              <th scope="row">
                <button type="button" class="plain small" @click="pickRun(run.id, valve.id)">
                  {{ valveName(valve.id) }}
                </button>
              </th>
              <td>
                <button
                  type="button"
                  class="turn"
                  :aria-label="`${valveName(valve.id)} stands ${SAID(valve.open)}; turn it`"
                  @click="store.make(moveOf('turnValve', { part: valve.id, open: !valve.open }))"
                >
                  <HandleMark :open="valve.open" />
                </button>
              </td>
              <td v-for="mode in site.modes" :key="mode.id" :class="{ on: mode.id === picked?.id }">
                <button
                  type="button"
                  class="turn"
                  :aria-label="`${valveName(valve.id)} in ${mode.name}: ${SAID(positionIn(mode, valve.id))}; turn it`"
                  @click="turn(mode, valve.id)"
                >
                  <HandleMark :open="positionIn(mode, valve.id)" />
                </button>
              </td>
            </tr>
          </LongList>
          <tr v-if="site.modes.length" class="served">
            <th scope="row">serves</th>
            <td />
            <td v-for="mode in site.modes" :key="mode.id" :class="{ on: mode.id === picked?.id }">
              {{ served.get(mode.id) }}
            </td>
          </tr>
          <tr v-if="site.modes.length">
            <td colspan="2" />
            <td v-for="mode in site.modes" :key="mode.id">
              <button type="button" class="plain small" @click="store.make(moveOf('turnToMode', { mode: mode.id }))">
                Turn to it
              </button>
              ·
              <button type="button" class="plain small" @click="store.make(moveOf('dropMode', { mode: mode.id }))">
                Forget
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p v-if="picked">
      For “{{ picked.name }}”
      {{
        toTurn.length
          ? `turn ${listed(toTurn.map(({ valve }) => `${valveName(valve.id)} ${SAID(positionIn(picked!, valve.id))}`))}.`
          : 'nothing has to be turned: so the valves stand.'
      }}
    </p>
    <form v-if="valves.length" class="keep" @submit.prevent="keep">
      <label>
        As the valves stand now: this is how we
        <input
          v-model="name"
          type="text"
          placeholder="fill the hill tank"
          aria-label="What this way of running it is called"
          maxlength="80"
        />
      </label>
      <button type="submit" class="move" :disabled="!name.trim()">Keep it</button>
      <span v-if="problem" role="alert" class="wrong">{{ problem }}</span>
    </form>
    <p v-if="proposed.length">
      Its lines allow:
      <template v-for="(each, at) in proposed" :key="each.name"
        >{{ at ? ' · ' : ''
        }}<button
          type="button"
          class="plain"
          @click="store.make(moveOf('keepMode', { name: each.name, positions: each.positions }))"
        >
          {{ each.name }}
        </button></template
      >
    </p>
    <p v-if="valves.length" class="soft small">
      A handle along the pipe is open, across it shut; an empty pipe stands as it is. Press one to turn it.
    </p>
  </section>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
th .small {
  margin-left: 6px;
}
th :deep(input) {
  font: 600 13px var(--text);
}
.on {
  background: var(--sheet);
}
.turn {
  background: none;
  border: 0;
  padding: 0;
  cursor: pointer;
}
.served td {
  font-size: 12.5px;
  max-width: 150px;
}
.keep {
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}
.keep input {
  font: inherit;
  color: inherit;
  background: var(--field);
  border: 0;
  border-bottom: 1px solid var(--oak);
  padding: 2px 6px;
  width: 190px;
}
</style>
