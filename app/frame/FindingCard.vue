<script setup lang="ts">
import AcceptFinding from './AcceptFinding.vue'
import AnswerButtons from './AnswerButtons.vue'
import FollowersList from './FollowersList.vue'
import AnswerFailure from '~/fields/AnswerFailure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { useAnswer } from '~/stores/useAnswer'
import { counted, listed } from '#core/words'
import { provenMend } from '#core/review/finding'
import type { Mend, Proof, StepFinding } from '#core/review'

/**
 * A finding: what follows, why, and the move that mends it; others of the same check that it speaks for; and, folded,
 * what else follows from it.
 */
const LazyWorkedSum = defineAsyncComponent(() => import('~/fields/WorkedSum.vue'))
const props = defineProps<{ finding: StepFinding; alike: StepFinding[]; followers: StepFinding[] }>()
const store = useSite()
const { phrase } = useUnits()
const { pickSubject } = useSelection()
const arithmetic = ref(false)
/** A cause is as bad as the worst that follows from it. */
const worst = computed(() =>
  [props.finding, ...props.followers].some(({ severity }) => severity === 'wrong') ? 'wrong' : 'look',
)

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
const mended = computed(() => [props.finding, ...props.alike].filter(({ mend }) => mend))
/** A move is offered once it was made on a copy and found to mend; for all alike, once it was made for all of them. */
const {
  answer: proof,
  fresh: isProven,
  failure,
  again,
} = useAnswer('proof', () => (props.finding.mend ? { findings: [props.finding.id] } : undefined))
const { answer: proofOfAll, fresh: areProven } = useAnswer('proof', () =>
  props.finding.mend && props.alike.length && mended.value.length > props.alike.length
    ? { findings: mended.value.map(({ id }) => id) }
    : undefined,
)
const offered = computed(() => provenMend(props.finding, isProven.value ? proof.value : undefined))
const offeredToAll = computed(() => {
  const mends = mended.value.map(finding => provenMend(finding, areProven.value ? proofOfAll.value : undefined))
  return mends.every(mend => mend !== undefined) ? mends : undefined
})
/** What it is to the middle year, where that is half a day at least. */
function gainWords({ shortDays: { now, then } }: Proof): string {
  if (Math.abs(then - now) < 0.5) return ''
  return then < now
    ? ` · ${counted(Math.round(now), 'day')} short become ${Math.round(then)}`
    : ` · costs ${counted(Math.round(then - now), 'short day')} a year`
}
function mendAll(mends: Mend[]): void {
  store.makeAll(
    mends.map(({ move }) => move),
    `${phrase(mends[0]!.label)}, all ${mends.length}`,
  )
}
</script>

<template>
  <article
    class="finding"
    :class="worst"
    :data-check="finding.check"
    :data-proving="(finding.mend && !isProven) || undefined"
  >
    <p>
      <span class="unseen">{{ finding.severity === 'wrong' ? 'Wrong:' : 'Look again:' }}</span><b>{{
        phrase(finding.sentence)
      }}</b>
      {{ phrase(finding.why) }}<template v-if="alike.length"> The same goes for {{ others }}.</template>
    </p>
    <div class="acts">
      <button v-if="offered" type="button" class="plain" @click="store.make(offered.move)">
        {{ phrase(offered.label) }}{{ gainWords(proof!) }}
      </button>
      <button v-if="offeredToAll?.length && alike.length" type="button" class="plain" @click="mendAll(offeredToAll)">
        The same for all {{ offeredToAll.length }}
      </button>
      <AnswerButtons :answers="finding.answers" />
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
      <AcceptFinding :findings="[finding, ...alike]" />
    </div>
    <AnswerFailure :failure="failure" what="Whether its move mends it" :again="again" />
    <FollowersList v-if="followers.length" :followers="followers" />
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
