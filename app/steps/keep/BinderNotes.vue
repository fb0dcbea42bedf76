<script setup lang="ts">
import { keep } from './definition'
import { useKeep } from './useKeep'
import { useUnits } from '~/fields/useUnits'
import { sectionSvg } from '~/print/sectionSvg'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'

/** The binder for whoever comes next: everything that a stranger needs to run this system. */
const store = useSite()
const { show, litres } = useUnits()
const { saveAs, exportSite } = useFiles()
const { today } = useKeep()
const busy = ref(false)
const failure = ref<string>()
async function savePdf(): Promise<void> {
  busy.value = true
  failure.value = undefined
  try {
    const [{ pdfOf }, { binderOf }] = await Promise.all([import('~/print/pdf'), import('./binder')])
    const told = { site: store.site!, section: sectionSvg(), today: today.value, show, litres }
    saveAs('binder.pdf', 'application/pdf', await pdfOf(binderOf(told, keep.caution!)))
  } catch (error) {
    failure.value = `The binder could not be made: ${error instanceof Error ? error.message : 'try again'}.`
  }
  busy.value = false
}
</script>

<template>
  <section data-notes="binder">
    <h2>Handing over</h2>
    <p>
      One document for whoever comes next: how it hangs together, what stands here, the card for the wall, what was
      found when it was first filled, every chore with why, and what the log tells.
    </p>
    <p class="moves">
      <button type="button" class="move" data-save="binder" :disabled="busy" @click="savePdf">
        {{ busy ? 'Making it …' : 'Save the binder as PDF' }}
      </button>
      <button type="button" class="plain" @click="exportSite">Save the site with its log</button>
    </p>
    <p v-if="failure" role="alert" class="wrong">{{ failure }}</p>
  </section>
</template>
