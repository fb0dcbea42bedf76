<script setup lang="ts">
import { liftsFrom } from './liftWords'
import ChoiceField from '~/fields/ChoiceField.vue'
import { choicesOf } from '~/fields/choices'
import { useSite } from '~/stores/site'
import { nameOf, tanksOf } from '#core/site'
import { moveOf } from '#core/moves'
import { FILL_LINE_IDS, FILL_LINES, type FillLineId, type LiftedFrom, type LiftId } from '#core/catalog'

/** Water lifted up to a hill or header tank, where nothing lifts it yet. */
const store = useSite()
const site = computed(() => store.site!)
const sources = computed(() => site.value.nodes.filter(({ kind }) => kind === 'tank' || kind === 'well'))
const named = (ids: string[]) => ids.map(value => ({ value, name: nameOf(site.value, value) }))
const highest = computed(() => tanksOf(site.value).toSorted((a, b) => b.baseM - a.baseM)[0]!.id)
const chosen = reactive<{ from?: string; tank?: string; by: LiftId; line: FillLineId }>({
  by: 'submersible',
  line: 'over',
})
const tank = computed(() => chosen.tank ?? highest.value)
const from = computed(() => chosen.from ?? sources.value.find(({ id }) => id !== tank.value)!.id)
const lifts = computed(() =>
  liftsFrom(sources.value.find(({ id }) => id === from.value)!.kind as LiftedFrom).filter(
    ({ value }) => value !== 'gravity',
  ),
)
const lines = choicesOf(FILL_LINE_IDS, FILL_LINES)
const problem = ref<string>()
const make = () =>
  (problem.value = store.make(
    moveOf('liftUp', { from: from.value, tank: tank.value, by: chosen.by, line: chosen.line }),
  ))
</script>

<template>
  <section>
    <h2>Water up to a tank</h2>
    <p>
      Lift water of
      <ChoiceField
        label="Where it is lifted from"
        :value="from"
        :choices="named(sources.map(({ id }) => id))"
        :set="id => (chosen.from = id)"
      />
      up to
      <ChoiceField
        label="Which tank it fills"
        :value="tank"
        :choices="named(tanksOf(site).map(({ id }) => id))"
        :set="id => (chosen.tank = id)"
      />
      by <ChoiceField label="How it is lifted up" :value="chosen.by" :choices="lifts" :set="by => (chosen.by = by)" />,
      through
      <ChoiceField
        label="Which line goes up"
        :value="chosen.line"
        :choices="lines"
        :set="line => (chosen.line = line)"
      />.
    </p>
    <button type="button" class="move" @click="make">Lay it</button>
    <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
    <p class="soft small">
      The pump, its valves and its line are laid in their right order; from a hill tank the taps then run by its height
      alone, also when the power is out.
    </p>
  </section>
</template>
