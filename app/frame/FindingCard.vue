<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { listed } from '#core/words'
import type { StepFinding } from '#core/review'

/** A finding: what follows, why, and the move that mends it; and others of the same check that it speaks for. */
const LazyWorkedSum = defineAsyncComponent(() => import('~/fields/WorkedSum.vue'))
const props = defineProps<{ finding: StepFinding; alike: StepFinding[] }>()
const store = useSite()
const { phrase } = useUnits()
const { pickSubject } = useSelection()
const arithmetic = ref(false)

function show(): void {
  pickSubject(store.site!, props.finding.subject)
  void navigateTo(`/site/${store.site!.id}/${props.finding.step}`)
}
const NAMED = 2
const others = computed(() => {
  const names = props.alike.map(({ subject }) => subject.name)
  // A line’s name may hold a comma of its own, so names are told apart by their marks.
  const quoted = names.map(name => (name.includes(',') ? `“${name}”` : name))
  return names.length <= NAMED + 1
    ? listed(quoted)
    : listed([...quoted.slice(0, NAMED), `${names.length - NAMED} more`])
})
const mends = computed(() => [props.finding, ...props.alike].flatMap(({ mend }) => (mend ? [mend.move] : [])))
function mendAll(): void {
  store.makeAll(mends.value, `${phrase(props.finding.mend!.label)}, all ${mends.value.length}`)
}
</script>

<template>
  <article class="finding" :class="finding.severity" :data-check="finding.check">
    <p>
      <span class="unseen">{{ finding.severity === 'wrong' ? 'Wrong:' : 'Look again:' }}</span><b>{{
        phrase(finding.sentence)
      }}</b>
      {{ phrase(finding.why) }}<template v-if="alike.length"> The same goes for {{ others }}.</template>
    </p>
    <div class="acts">
      <button v-if="finding.mend" type="button" class="plain" @click="store.make(finding.mend.move)">
        {{ phrase(finding.mend.label) }}
      </button>
      <button
        v-if="finding.mend && alike.length && mends.length > alike.length"
        type="button"
        class="plain"
        @click="mendAll"
      >
        The same for all {{ mends.length }}
      </button>
      <button
        v-for="answer in finding.answers"
        :key="phrase(answer.label)"
        type="button"
        class="plain"
        @click="store.make(answer.move)"
      >
        {{ phrase(answer.label) }}
      </button>
      <button type="button" class="plain quiet" @click="show">Show it</button>
      <button
        v-if="finding.sum"
        type="button"
        class="plain quiet"
        :aria-expanded="arithmetic"
        @click="arithmetic = !arithmetic"
      >
        Sum
      </button>
    </div>
    <LazyWorkedSum v-if="arithmetic && finding.sum" :name="finding.sum.name" :input="finding.sum.input" />
  </article>
</template>

<style scoped>
.finding {
  border-left: 3px solid var(--straw);
  padding: 1px 0 2px 10px;
  font-size: 14px;
  line-height: 1.42;
}
.finding.wrong {
  border-left: 6px double var(--rust);
  padding-left: 8px;
}
p {
  margin: 0;
}
b {
  font-weight: 650;
}
.acts {
  display: flex;
  gap: 4px 12px;
  flex-wrap: wrap;
  margin-top: 2px;
}
.quiet {
  font-weight: 400;
}
</style>
