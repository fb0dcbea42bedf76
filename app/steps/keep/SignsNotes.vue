<script setup lang="ts">
import { dayToday } from '~/fields/days'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { moveOf } from '#core/moves'
import { signsOf, type SignId } from '#core/keep'

/** From what one sees or hears to what is behind it: a question at a time, of this system's own parts alone. */
const store = useSite()
const signs = computed(() => signsOf(store.site!))
const signId = ref<SignId>()
const sign = computed(() => signs.value.find(({ id }) => id === signId.value) ?? signs.value[0])
/** How many questions were answered with no; and whether the one in hand was answered with yes. */
const at = ref(0)
const found = ref(false)
const branch = computed(() => sign.value?.branches[at.value])
const choices = computed(() => signs.value.map(({ id, words }) => ({ value: id, name: words })))
function begin(id: SignId): void {
  signId.value = id
  at.value = 0
  found.value = false
}
const MOST_PLACES = 3
const places = computed(() => {
  const all = branch.value?.at ?? []
  const rest = all.length - MOST_PLACES
  return listed(all.slice(0, MOST_PLACES)) + (rest > 0 ? ` and ${rest} more` : '')
})
const kept = ref<string>()
function keep(): void {
  const note = `${sign.value!.words}. ${branch.value!.means}`
  kept.value = store.make(moveOf('logReading', { at: dayToday(), kind: 'note', note })) ?? 'It is in the log.'
}
watch(branch, () => (kept.value = undefined))
</script>

<template>
  <section v-if="sign" data-notes="signs">
    <h2>What is it doing?</h2>
    <p>
      <ChoiceField label="What you see or hear" :value="sign.id" :choices="choices" :set="id => begin(id)" />
    </p>
    <div v-if="branch" class="branch" data-branch aria-live="polite">
      <p class="question">
        {{ branch.test }} <span v-if="places" class="soft small">At {{ places }}.</span>
      </p>
      <p v-if="!found" class="moves">
        <button type="button" class="move" data-yes @click="found = true">Yes</button>
        <button type="button" class="move" data-no @click="at++">No</button>
      </p>
      <template v-else>
        <p>
          <b>{{ branch.means }}</b> {{ branch.mend }}
        </p>
        <p v-if="branch.chore" class="soft small">
          From then on the chore “{{ branch.chore.what }}” sees to it<template v-if="branch.chore.caution"
            >: {{ branch.chore.caution.charAt(0).toLowerCase() + branch.chore.caution.slice(1) }}</template
          >
        </p>
        <p class="moves">
          <button type="button" class="move" data-note @click="keep">Note it in the log</button>
          <button type="button" class="plain" @click="((found = false), at++)">That was not it</button>
        </p>
        <p v-if="kept" role="status" class="small">{{ kept }}</p>
      </template>
    </div>
    <div v-else data-branch>
      <p>
        None of what this system’s parts usually do. Readings tell more:
        <NuxtLink :to="`/site/${store.site!.id}/try`">What is wrong with mine?</NuxtLink>
        at Try holds them against every fault.
      </p>
      <button type="button" class="plain" @click="begin(sign.id)">Begin anew</button>
    </div>
    <ol v-if="at" class="soft small">
      <li v-for="each in sign.branches.slice(0, at)" :key="each.id">No: {{ each.test }}</li>
    </ol>
  </section>
</template>

<style scoped>
.branch {
  max-width: 620px;
  border-left: 3px solid var(--oak);
  padding: 2px 0 2px 14px;
  margin: 10px 0;
}
.question {
  font-size: 16px;
}
</style>
