<script setup lang="ts">
import { build } from './definition'
import { CHAPTER_IDS, CHAPTERS, reportOf, type ChapterId } from './report'
import { figures } from './told'
import { sectionSvg } from '~/print/sectionSvg'
import { usePdf } from '~/steps/usePdf'
import { useStepContext } from '~/steps/useStepContext'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { store as storeStep } from '~/steps/store/definition'

/** One document for oneself, a helper or an office: what is in it, and how it leaves. */
const store = useSite()
const results = useResults()
const { show, money } = useUnits()
const { saveAs } = useFiles()
const context = useStepContext()
const wanted = ref<ChapterId[]>([...CHAPTER_IDS])
const toggle = (id: ChapterId) =>
  (wanted.value = CHAPTER_IDS.filter(each => (each === id ? !wanted.value.includes(id) : wanted.value.includes(each))))
const { busy, failure, save } = usePdf('The report', 'report.pdf')
const savePdf = () =>
  save(() => {
    const said = context.value
    const told = {
      site: store.site!,
      section: sectionSvg(),
      figures: said ? [...(storeStep.figures?.(said) ?? []), ...(figures(said) ?? [])] : [],
      review: results.review,
      show,
      money,
    }
    return reportOf(told, wanted.value, build.caution!)
  })
function saveSection(): void {
  const svg = sectionSvg()
  if (svg) saveAs('section.svg', 'image/svg+xml', svg)
  else failure.value = 'The Section is shown as a list; show it as a drawing first.'
}
</script>

<template>
  <section data-notes="report">
    <h2>The report</h2>
    <ul>
      <li v-for="id in CHAPTER_IDS" :key="id">
        <button type="button" class="plain" role="checkbox" :aria-checked="wanted.includes(id)" @click="toggle(id)">
          {{ wanted.includes(id) ? '☑' : '☐' }} {{ CHAPTERS[id] }}
        </button>
      </li>
    </ul>
    <p>
      <button type="button" class="move" data-save="report" :disabled="busy" @click="savePdf">
        {{ busy ? 'Making it …' : 'Save as PDF' }}
      </button>
      · <button type="button" class="plain" data-save="section" @click="saveSection">The Section as SVG</button>
    </p>
    <p v-if="failure" role="alert" class="wrong">{{ failure }}</p>
    <p class="soft small">
      With the cautions, and what is not known told as such. Made on this machine; nothing leaves it.
    </p>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  columns: 2 220px;
}
li {
  padding: 3px 0;
}
</style>
