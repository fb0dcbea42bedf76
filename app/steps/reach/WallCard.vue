<script setup lang="ts">
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { valveCard } from '#core/exchange'

/** The card for the wall: the ways of running it across, the valves down in walking order, and tags to cut out. */
const store = useSite()
const { saveAs } = useFiles()
const svg = computed(() => valveCard(store.site!))
/** The card alone, as a picture of its own: no script runs in it, whatever things are called. */
const address = computed(() => `data:image/svg+xml;utf8,${encodeURIComponent(svg.value)}`)
const print = (): void => window.print()
const failure = ref<string>()
async function savePdf(): Promise<void> {
  failure.value = undefined
  try {
    const { pictureAsPdf } = await import('~/print/pdf')
    saveAs(
      'valve-card.pdf',
      'application/pdf',
      await pictureAsPdf(svg.value, store.site!.modes.length > 3, store.system),
    )
  } catch (error) {
    failure.value = `The PDF could not be made: ${error instanceof Error ? error.message : 'print it instead'}.`
  }
}
</script>

<template>
  <section data-notes="card" class="printed">
    <h2 class="unprinted">The card for the wall</h2>
    <p class="unprinted">
      <button type="button" class="plain" @click="print">Print it</button> ·
      <button type="button" class="plain" data-save="pdf" @click="savePdf">Save it as PDF</button> ·
      <button type="button" class="plain" @click="saveAs('valve-card.svg', 'image/svg+xml', svg)">
        Save it as SVG
      </button>
      <template v-if="!store.site!.modes.length">
        · no way of running it is named yet; the card shows the valves as they stand.</template
      >
    </p>
    <p v-if="failure" role="alert" class="wrong unprinted">{{ failure }}</p>
    <img :src="address" class="card" alt="Valves down in walking order, ways of running it across, tags to cut out" />
  </section>
</template>

<style scoped>
.card {
  max-width: min(100%, 760px);
  max-height: 780px;
  background: #fff;
  border: 1px solid var(--hair);
}
</style>
