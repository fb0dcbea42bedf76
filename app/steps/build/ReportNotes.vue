<script setup lang="ts">
import { build } from './definition'
import { CHAPTER_IDS, CHAPTERS, reportOf, type ChapterId } from './report/report'
import { paperSection } from '~/section/paperSection'
import { provenReview } from './report/provenReview'
import type { ReportFacts } from './report/reportFacts'
import { STEPS } from '~/steps/steps'
import { WAITING, type StepFigure } from '~/steps/step'
import { usePdf } from '~/steps/usePdf'
import { useStepContext } from '~/steps/useStepContext'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { useFiles } from '~/stores/useFiles'
import { CAUTIONS } from '~/print/cautions'
import { lift } from '~/steps/lift/definition'
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
const { busy, failure, save, marks } = usePdf('The report', 'report.pdf')
const { appContext } = getCurrentInstance()!
const drawn = () => paperSection(toRaw(store.site!), appContext)
/** Figures of some steps are worked out once somebody comes to them: they are waited for, and left out where they stay away. */
const [LOOK_MS, MOST_LOOKS] = [100, 60]
const PLANNED = STEPS.filter(({ id }) => id !== 'try' && id !== 'keep')
async function figuresOf(): Promise<ReportFacts['figures']> {
  const told = () => PLANNED.map(({ name, figures }) => ({ step: name, figures: figures?.(context.value) ?? [] }))
  const waits = ({ value }: StepFigure) => value === WAITING
  for (let looks = 0; looks < MOST_LOOKS && told().some(({ figures }) => figures.some(waits)); looks++)
    await new Promise(done => setTimeout(done, LOOK_MS))
  return told()
    .map(({ step, figures }) => ({ step, figures: figures.filter(figure => !waits(figure)) }))
    .filter(({ figures }) => figures.length)
}
const savePdf = () =>
  save(async () => {
    const said = context.value
    const steps = await figuresOf()
    const told = {
      ...marks(),
      site: store.site!,
      section: await drawn(),
      headlines: storeStep.figures!(said),
      figures: steps,
      review: await provenReview(store.site!, results.review),
      cautions: [build.caution!, lift.caution!, ...CAUTIONS],
      show,
      money,
    }
    return reportOf(told, wanted.value)
  })
async function saveSection(): Promise<void> {
  const svg = await drawn()
  if (svg) saveAs('section.svg', 'image/svg+xml', svg)
  else failure.value = 'Nothing stands here yet that could be drawn.'
}
</script>

<template>
  <section data-notes="report">
    <h2>The report</h2>
    <ul>
      <li v-for="id in CHAPTER_IDS" :key="id">
        <button type="button" class="plain" role="checkbox" :aria-checked="wanted.includes(id)" @click="toggle(id)">
          {{ wanted.includes(id) ? '☑' : '☐' }} {{ CHAPTERS[id].name }}
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
