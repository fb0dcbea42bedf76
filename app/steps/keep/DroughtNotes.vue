<script setup lang="ts">
import { dayToday, dayWords } from '~/fields/days'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useSite } from '~/stores/site'
import { moveOf } from '#core/moves'
import type { Site, Use } from '#core/site'

/** Water restrictions: a stage is said once, with its days, and what comes reckons with it. */
const store = useSite()
type Stage = NonNullable<Site['restrictions']>[number]
const stages = computed(() => [...(store.site!.restrictions ?? [])].sort((a, b) => (a.from < b.from ? 1 : -1)))
const waters = ({ quality, amount }: Use): boolean => quality === 'garden' || amount.by === 'bed'
const PRESETS = [
  { name: 'Gardens at half', of: (use: Use) => (waters(use) ? 0.5 : 1) },
  { name: 'No garden water', of: (use: Use) => (waters(use) ? 0 : 1) },
  { name: 'A third less of everything', of: () => 0.67 },
]
const problem = ref<string>()
function begin({ name, of }: (typeof PRESETS)[number]): void {
  const uses = store.site!.uses.flatMap(use => (of(use) < 1 ? [{ id: use.id, share: of(use) }] : []))
  problem.value = store.make(moveOf('restrict', { name, from: dayToday(), uses }))
}
const change = (stage: string, of: Record<string, unknown>) =>
  (problem.value = store.make(moveOf('changeRestriction', { stage, ...of })))
const redate = (stage: string, field: 'from' | 'until', { target }: Event) => {
  const day = (target as HTMLInputElement).value
  if (day || field === 'until') change(stage, { [field]: day || null })
}
const shareOf = ({ uses }: Stage, use: string): number => uses.find(({ id }) => id === use)?.share ?? 1
const state = ({ from, until }: Stage): string => {
  const on = dayToday()
  if (from > on) return `begins ${dayWords(from)}`
  return until !== undefined && until < on ? 'is over' : 'in force'
}
</script>

<template>
  <section data-notes="drought">
    <h2>Restrictions</h2>
    <p class="soft">
      A drought stage that the authority calls, or rationing of your own: said once, and from its first day to its last
      all that is reckoned here goes by it. Hours and means that are forbidden stand in the authority’s own notice.
    </p>
    <p class="moves">
      <button
        v-for="preset in PRESETS"
        :key="preset.name"
        type="button"
        class="move"
        :disabled="!store.site!.uses.length"
        @click="begin(preset)"
      >
        {{ preset.name }}
      </button>
    </p>
    <p v-if="problem" role="alert" class="wrong">{{ problem }}</p>
    <article v-for="stage in stages" :key="stage.id" class="stage" :data-stage="stage.id">
      <p>
        <b><NameField :value="stage.name" label="Name of the stage" :set="name => change(stage.id, { name })" /></b>
        · {{ state(stage) }} · from
        <input
          type="date"
          :value="stage.from"
          aria-label="First day of the stage"
          @change="redate(stage.id, 'from', $event)"
        />
        to
        <input
          type="date"
          :value="stage.until"
          aria-label="Last day of the stage"
          @change="redate(stage.id, 'until', $event)"
        />
        <span v-if="!stage.until" class="soft">(until further notice)</span> ·
        <button
          type="button"
          class="plain small"
          :aria-label="`Take ${stage.name} out`"
          @click="store.make(moveOf('dropRestriction', { stage: stage.id }))"
        >
          take out
        </button>
      </p>
      <p class="uses">
        <span v-for="use in store.site!.uses" :key="use.id">
          {{ use.name }}
          <QuantityField
            :label="`What ${use.name} is given of what it asks`"
            kind="share"
            :value="shareOf(stage, use.id)"
            :set="share => change(stage.id, { use: { id: use.id, share } })"
          />
        </span>
      </p>
    </article>
    <p v-if="!stages.length" class="soft">None is in force.</p>
  </section>
</template>

<style scoped>
.stage {
  border-top: 1px solid var(--hair);
  padding: 6px 0;
}
.stage p {
  margin: 0 0 6px;
}
.uses {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
}
input[type='date'] {
  font: inherit;
  color: inherit;
  background: var(--field);
  border: 0;
  border-bottom: 2px solid var(--oak);
  width: 136px;
}
</style>
