<script setup lang="ts">
import { keep } from './definition'
import { useKeep } from './useKeep'
import { useUnits } from '~/fields/useUnits'
import { CAUTIONS } from '~/print/cautions'
import { paperSection } from '~/section/paperSection'
import { store as storeStep } from '~/steps/store/definition'
import { useStepContext } from '~/steps/useStepContext'
import { usePdf } from '~/steps/usePdf'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'

/** The binder for whoever comes next: everything that a stranger needs to run this system. */
const store = useSite()
const { show, litres } = useUnits()
const { exportSite } = useFiles()
const { today } = useKeep()
const { busy, failure, save, marks } = usePdf('The binder', 'binder.pdf')
const context = useStepContext()
const { appContext } = getCurrentInstance()!
const savePdf = () =>
  save(async () => {
    const { binderOf } = await import('./binder')
    const site = store.site!
    const section = await paperSection(toRaw(site), appContext)
    const headlines = storeStep.figures!(context.value)
    const cautions = [keep.caution!, ...CAUTIONS]
    return binderOf({ ...marks(), site, section, headlines, cautions, today: today.value, show, litres })
  })
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
      <button type="button" class="plain" @click="exportSite()">Save the site with its log</button>
    </p>
    <p v-if="failure" role="alert" class="wrong">{{ failure }}</p>
  </section>
</template>
