<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import { stagesIn } from './describe'
import { usePriceBook } from './usePriceBook'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { counted } from '#core/words'
import { portId, runName, thingName } from '#core/site'
import { moveOf } from '#core/moves'
import { stagesOf } from '#core/build'

/** What is built now and what next year: each stage a plan of its own, with what must be fitted now for the next. */
const store = useSite()
const { site } = usePriceBook()
const { money, litres } = useUnits()
const stages = computed(() => stagesOf(store.site!))
/** How each stage does by itself, in their order. */
const { answer: weighed, fresh, failure, again } = useAnswer('stages', () => (stages.value.length > 1 ? {} : undefined))
const name = ref('')
const problem = ref<string>()
function add(): void {
  problem.value = store.make(moveOf('addStage', { name: name.value }))
  if (!problem.value) name.value = ''
}
const told = computed(() =>
  (stagesIn(site.value) ?? []).flatMap((of, at) => {
    const stage = stages.value[at]
    return stage ? [{ stage, at, ...of }] : []
  }),
)
/** Everything that may be put off: what stands, lines, roofs and uses. */
const things = computed(() => [
  ...store.site!.nodes.flatMap(({ id, kind }) =>
    kind === 'joint' ? [] : [{ id, name: thingName(store.site!, id, kind) }],
  ),
  ...store.site!.runs.map(run => ({ id: run.id, name: `line ${runName(store.site!, run)}` })),
  ...store.site!.roofs.map(({ id, name: called }) => ({ id, name: called })),
  ...store.site!.uses.map(({ id, name: called }) => ({ id, name: called })),
])
const choices = computed(() => [
  { value: '', name: 'something' },
  ...things.value
    .filter(({ id }) => !stages.value.some(({ holds }) => holds.includes(id)))
    .map(({ id, name: called }) => ({ value: id, name: called })),
])
const put = (id: string, stage: string) => id && store.make(moveOf('putInStage', { ids: [id], stage }))
const nameOf = (id: string) =>
  things.value.find(thing => thing.id === id)?.name ?? thingName(store.site!, id, 'something')
const first = computed(() => stages.value[0]!.id)
</script>

<template>
  <section data-notes="stages">
    <h2>Stages</h2>
    <article v-for="{ stage, at, things: count, cost, holdsL, fits } in told" :key="stage.id" :data-stage="stage.id">
      <h3>
        <NameField
          v-if="store.site!.build?.stages"
          :value="stage.name"
          :label="`Name of stage ${at + 1}`"
          :set="(words: string) => store.make(moveOf('renameStage', { stage: stage.id, name: words }))"
        />
        <template v-else>{{ stage.name }}</template>
        <small class="soft"
          >{{ count }} things to buy, {{ money(cost) }}; the tanks then hold {{ litres(holdsL) }}</small
        >
      </h3>
      <p v-if="weighed?.[at]" :class="{ soft: !fresh }" data-weighed>
        By itself: {{ Math.round(weighed[at]!.shortDays) }} short days in a middling year;
        {{ counted(weighed[at]!.findings.wrong, 'thing') }} wrong and {{ weighed[at]!.findings.look }} to look at.
      </p>
      <p v-if="at">
        With it come
        <template v-for="(id, index) in stage.holds" :key="id"
          >{{ index ? ', ' : '' }}{{ nameOf(id) }}
          <button
            type="button"
            class="plain small"
            :aria-label="`${nameOf(id)} comes with the first`"
            @click="put(id, first)"
          >
            ×
          </button></template
        >
        {{ stage.holds.length ? 'and' : '' }}
        <ChoiceField :label="`Put into ${stage.name}`" value="" :choices="choices" :set="id => put(id, stage.id)" />
        ·
        <button type="button" class="plain" @click="store.make(moveOf('dropStage', { stage: stage.id }))">
          Take it out
        </button>
      </p>
      <ul v-if="fits.length">
        <li v-for="fit in fits" :key="`${fit.runId} ${fit.nodeId}`" :class="{ wrong: !fit.ready }">
          {{ fit.words }}:
          {{
            fit.ready
              ? 'a valve, a cap or an open end waits for it; nothing needs emptying'
              : 'nothing shuts its hole until then. Fit a valve or a cap now, or the tank is emptied for it'
          }}
          <button
            v-if="!fit.ready"
            type="button"
            class="plain small"
            @click="
              store.make(
                moveOf('set', { of: 'port', id: portId(fit.nodeId, fit.port), field: 'spare', value: 'valve' }),
              )
            "
          >
            Fit a valve now
          </button>
        </li>
      </ul>
    </article>
    <AnswerFailure :failure="failure" what="How each stage does by itself" :again="again" />
    <form @submit.prevent="add">
      <label>
        A further stage
        <input
          v-model="name"
          type="text"
          placeholder="next spring"
          maxlength="80"
          aria-label="Name of a further stage"
        />
      </label>
      <button type="submit" class="move" :disabled="!name.trim()">Add it</button>
      <span v-if="problem" role="alert" class="wrong">{{ problem }}</span>
    </form>
    <p class="soft small">
      A stage is a plan of its own: lines to what comes later are not there yet, nor what they serve.
    </p>
  </section>
</template>

<style scoped>
article {
  border-left: 3px solid var(--hair);
  padding: 2px 12px;
  margin: 8px 0;
}
h3 {
  margin: 0;
  display: flex;
  gap: 10px;
  align-items: baseline;
  flex-wrap: wrap;
}
h3 small {
  font: 400 13.5px var(--text);
}
ul {
  margin: 4px 0;
  padding-left: 18px;
  line-height: 1.5;
}
form {
  display: flex;
  gap: 10px;
  align-items: baseline;
}
input {
  font: inherit;
  color: inherit;
  background: var(--field);
  border: 0;
  border-bottom: 1px solid var(--oak);
  padding: 2px 6px;
}
</style>
