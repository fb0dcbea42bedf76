import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { dayToday, dayWords } from '~/fields/days'
import { useFiles } from '~/stores/useFiles'
import { useSite } from '~/stores/site'

/** Makes a document and saves it as PDF: `busy` while it is made; why it could not be, and what to do, in `failure`. */
export function usePdf(what: string, file: string) {
  const { saveAs } = useFiles()
  const store = useSite()
  /** What every paper says of itself: the day, and which state of the plan it tells of. */
  const marks = () => ({
    on: dayWords(dayToday(), ''),
    plan: store.here!.saves.value > 1 ? `plan as saved ${store.here!.saves.value} times` : 'plan as it was first saved',
  })
  const busy = ref(false)
  const failure = ref<string>()
  async function save(define: () => TDocumentDefinitions | Promise<TDocumentDefinitions>): Promise<void> {
    busy.value = true
    failure.value = undefined
    try {
      const { pdfOf } = await import('~/print/pdf')
      saveAs(file, 'application/pdf', await pdfOf(await define()))
    } catch (error) {
      failure.value = `${what} could not be made: ${error instanceof Error ? error.message : 'try again'}.`
    }
    busy.value = false
  }
  return { busy, failure, save, marks }
}
