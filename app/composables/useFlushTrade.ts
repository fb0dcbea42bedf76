import type { FlushTrade } from '#core/balance'

/** What a first-flush chamber keeps out and costs; an older answer never replaces a newer one. */
export function useFlushTrade(chamberId: () => string) {
  const open = useSite()
  const results = useResults()
  const trade = shallowRef<FlushTrade>()
  let asked = 0
  watch([() => open.revision, chamberId], async () => {
    const mine = ++asked
    const answer = await results.flush(chamberId()).catch(() => undefined)
    if (mine === asked) trade.value = answer
  }, { immediate: true })
  return trade
}
