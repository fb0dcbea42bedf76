import { useStorage } from '@vueuse/core'
import { useSite } from '~/stores/site'
import type { Site } from '#core/site'

/** What things cost here: kept on this machine for every site, and behind what a site has noted itself. */
const book = useStorage<Record<string, number>>('tall-cask-prices', {})

/** A site with the prices of this machine where it has none of its own. */
function pricedBy(site: Site, prices: Record<string, number>): Site {
  const own = new Set(site.prices?.flatMap(({ id, price }) => (price === undefined ? [] : [id])))
  const more = Object.entries(prices).flatMap(([id, price]) => (own.has(id) ? [] : [{ id, price }]))
  if (!more.length) return site
  const noted = new Map(site.prices?.map(each => [each.id, each]))
  for (const { id, price } of more) noted.set(id, { ...noted.get(id), id, price })
  return { ...site, prices: [...noted.values()] }
}

/** The open site as it is priced: the same one as long as neither it nor the book has changed. */
let last: { site: Site; prices: Record<string, number>; priced: Site } | undefined
export function priced(site: Site): Site {
  const prices = book.value
  if (last?.site !== site || last.prices !== prices) last = { site, prices, priced: pricedBy(toRaw(site), prices) }
  return last.priced
}

export function usePriceBook() {
  const store = useSite()
  return {
    book,
    site: computed(() => priced(store.site!)),
    /** Notes prices on this machine. */
    note: (prices: Iterable<[string, number]>) => (book.value = { ...book.value, ...Object.fromEntries(prices) }),
  }
}
