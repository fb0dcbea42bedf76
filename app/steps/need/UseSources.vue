<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import { useThing } from '~/fields/useThing'
import { useSite } from '~/stores/site'
import { graphOf, lineTo, nameOf, tanksOf, walk, type Use } from '#core/site'
import { runsThrough } from '#core/kinds'
import { moveOf } from '#core/moves'

/** Where a use is drawn from: a tank, a well, a main, or two of them, and which of them serves it first. */
const props = defineProps<{ use: Use }>()
const store = useSite()
const set = useThing('use', () => props.use.id)
const site = computed(() => store.site!)
const all = computed(() => [
  ...tanksOf(site.value),
  ...site.value.nodes.filter(node => node.kind === 'well' || node.kind === 'main'),
])
const from = computed(() => lineTo(site.value, props.use.at))
/** Every tank, well and main that a line leads here from. */
const served = computed(() => [
  ...new Set(
    [...walk(site.value, props.use.at, { along: 'up' })].filter(way => !runsThrough(way.node)).map(way => way.node.id),
  ),
])
/** Wells and mains that do not serve it yet. */
const others = computed(() => all.value.filter(({ id }) => isOutside(id) && !served.value.includes(id)))
const chosen = ref('')
const next = computed(() => others.value.find(({ id }) => id === chosen.value) ?? others.value[0])
const isOutside = (id: string) => graphOf(site.value).node(id)?.kind !== 'tank'
const both = computed(() => served.value.some(isOutside) && served.value.some(id => !isOutside(id)))
const FIRST = [
  { value: 'tank' as const, name: 'the tank first, and what comes from outside takes over' },
  { value: 'outside' as const, name: 'what comes from outside first, and the tank takes over' },
  { value: 'both' as const, name: 'both alike, each taking over for the other' },
]
</script>

<template>
  <span>
    <template v-if="from && all.length > 1"
      >, drawn from
      <ChoiceField
        label="Drawn from"
        :value="from"
        :choices="all.map(({ id }) => ({ value: id, name: nameOf(site, id) }))"
        :set="tank => store.make(moveOf('drawFrom', { use: use.id, tank }))"
      /><template v-for="id in served.filter(each => each !== from)" :key="id"> and {{ nameOf(site, id) }}</template
      ><template v-if="both"
        >:
        <ChoiceField
          label="Which serves it first"
          :value="use.servedBy ?? 'tank'"
          :choices="FIRST"
          :set="set('servedBy')" /></template
      ><template v-if="next">
        (<button
          type="button"
          class="plain small"
          @click="store.make(moveOf('supplyFrom', { use: use.id, source: next.id }))"
        >
          serve it from
        </button>
        <ChoiceField
          label="What else serves it"
          :value="next.id"
          :choices="others.map(({ id }) => ({ value: id, name: nameOf(site, id) }))"
          :set="id => (chosen = id)"
        />
        too)</template
      ></template
    >
  </span>
</template>
