import type { Site } from '#core/site'
import { FIXTURES } from '#core/catalog'
import type { NodeOf } from '#core/kinds'
import { momentIn } from '~/engine/moments'
import { tapsOf, type Stand, type Steady } from '#core/network'

/** Which taps run at once, where somebody has said so, by site; and how high the tanks stand meanwhile. */
const shut = reactive<Record<string, string[]>>({})
const stand = ref<Stand>('full')

/** Taps that run at once: all of them, but those that were taken out. */
export const atOnce = (site: Site): string[] =>
  tapsOf(site)
    .map(({ id }) => id)
    .filter(id => !shut[site.id]?.includes(id))

export function runAtOnce(site: Site, tap: string, runs: boolean): void {
  const others = (shut[site.id] ?? []).filter(id => id !== tap)
  shut[site.id] = runs ? others : [...others, tap]
}

/** The moment in which all run that are said to run at once; nothing until that of a large site is known. */
export const momentTogether = (site: Site): Steady | undefined => momentIn(site, atOnce(site), stand.value)

export const useStand = () => stand

/** What a tap is made for, where it is known better than its fixture says. */
export const wantedLps = (tap: NodeOf<'tap'>): number => tap.ratedLps ?? FIXTURES[tap.fixture].ratedLps

/** Taps with what they pass while all run that are said to. */
export function rowsTogether(site: Site) {
  const [open, taps] = [atOnce(site), momentTogether(site)?.taps ?? {}]
  const told = tapsOf(site).filter(({ id }) => taps[id])
  return told.map(tap => ({
    tap,
    runs: open.includes(tap.id),
    ...taps[tap.id]!,
    share: taps[tap.id]!.flowLps / wantedLps(tap),
  }))
}
export type TapRow = ReturnType<typeof rowsTogether>[number]

/** Of those that run, the tap that has the least of the flow it is made for. */
export const weakestOf = (rows: readonly TapRow[]): TapRow | undefined =>
  rows.filter(row => row.runs).toSorted((a, b) => a.share - b.share)[0]
