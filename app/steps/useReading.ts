import { useSite } from '~/stores/site'
import { readingOf } from '#core/reading'

/** The open document as it stands, for notes that read off it at once; each part is worked out when it is asked for. */
export function useReading() {
  const store = useSite()
  return computed(() => readingOf(store.site!))
}
