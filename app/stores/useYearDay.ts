import { useResults } from '~/stores/results'
/**
 * The day of the series whose levels the Section shows: the one under the pointer in the Year, else the one that was
 * pinned.
 */
const hovered = ref<number>()
const pinned = ref<number>()

export function useYearDay() {
  const results = useResults()
  const MIDSUMMER = 181
  const day = computed(() => {
    const year = results.year
    if (!year) return undefined
    const wanted = hovered.value ?? pinned.value
    return wanted !== undefined && wanted >= year.from && wanted < year.to
      ? wanted
      : Math.min(year.from + MIDSUMMER, year.to - 1)
  })
  return { day, hovered, pinned }
}
