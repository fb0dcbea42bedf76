<script setup lang="ts">
import { dayWords } from '~/fields/days'
import { useUnits } from '~/fields/useUnits'
import { useSelection } from '~/stores/useSelection'
import { useSite } from '~/stores/site'
import { phraseText } from '#core/words'
import type { Odd } from '#core/keep'

/** Something that looks odd: what, by how much, since when, how sure; and where it is looked into. */
const props = defineProps<{ odd: Odd }>()
const store = useSite()
const { litres } = useUnits()
const { pickTopic } = useSelection()
/** Where it is looked into, with what was found filled in. */
const inTry = computed(() => ({
  path: `/site/${store.site!.id}/try`,
  query: {
    ...(props.odd.reads ? { reads: JSON.stringify(props.odd.reads) } : {}),
    ...(props.odd.times ? { times: JSON.stringify(props.odd.times) } : {}),
  },
}))
const sure = computed(() => Math.round(100 * Math.min(0.99, props.odd.probability)))
</script>

<template>
  <article class="card odd" :data-odd="odd.kind">
    <h3>Odd</h3>
    <p>
      {{ phraseText(odd.what, store.system) }}.
      <template v-if="odd.litresPerDay">
        <b>{{ litres(Math.abs(odd.litresPerDay)) }}</b> a day, since about {{ dayWords(odd.since) }};
      </template>
      {{ sure }} in a hundred sure.
    </p>
    <NuxtLink :to="inTry" class="plain" @click="pickTopic('mine')"> Look into it: what is wrong with mine? </NuxtLink>
  </article>
</template>
