import { mean, minIndex, sum } from 'd3-array'
import type { DailySeries } from './series'

/** The years in a row that brought least: the index of the first, and how far they stay below the mean, as a share. */
export function driestYears(
  { years, rainMm }: Pick<DailySeries, 'years' | 'rainMm'>,
  count: number,
): { first: number; belowShare: number } | undefined {
  const yearly = years.map(({ from, to }) => sum(rainMm.subarray(from, to)))
  const meanMm = mean(yearly) ?? 0
  if (yearly.length <= count || !(meanMm > 0)) return undefined
  const runs = yearly.slice(0, yearly.length - count + 1).map((_, at) => mean(yearly.slice(at, at + count))!)
  const first = minIndex(runs)
  return { first, belowShare: 1 - runs[first]! / meanMm }
}
