import { MONTH_NAMES } from '../units'

/** Months by their names, runs of them joined: "November to March", "April and October". */
export function monthNames(months: number[]): string {
  const wanted = new Set(months)
  if (wanted.size === 12) return 'every month'
  const before = (month: number) => ((month + 10) % 12) + 1
  const after = (month: number) => (month % 12) + 1
  const runs = [...wanted]
    .sort((a, b) => a - b)
    .filter(month => !wanted.has(before(month)))
    .map(from => {
      let to = from
      while (wanted.has(after(to))) to = after(to)
      return from === to
        ? MONTH_NAMES[from - 1]!
        : `${MONTH_NAMES[from - 1]!} ${after(from) === to ? 'and' : 'to'} ${MONTH_NAMES[to - 1]!}`
    })
  return runs.length > 1 ? `${runs.slice(0, -1).join(', ')} and ${runs.at(-1)!}` : (runs[0] ?? 'no month')
}
