<script setup lang="ts">
import type { Content } from 'pdfmake/interfaces'
import { usePdf } from '~/steps/usePdf'
import { useSite } from '~/stores/site'

/** A list of a step as a paper of its own, to take along. */
const props = defineProps<{ kind: string; file: string; content: () => Promise<Content[]> }>()
const store = useSite()
const { busy, failure, save, marks } = usePdf(`“${props.kind}”`, `${props.file}.pdf`)
const savePdf = () =>
  save(async () => {
    const [{ listPaper }, content] = await Promise.all([import('~/print/paper'), props.content()])
    return listPaper({ site: store.site!, kind: props.kind, ...marks() }, content)
  })
</script>

<template>
  <button type="button" class="plain" :data-save="file" :disabled="busy" @click="savePdf">
    {{ busy ? 'Making it …' : 'Save as PDF' }}
  </button>
  <span v-if="failure" role="alert" class="wrong"> {{ failure }}</span>
</template>
