import { momentWith, tapsOf, type Stand } from './taps'
import type { Steady } from './steady/steady'
import { FLOWS_OF } from './reads'
import { feedsOf, remembered, type Site } from '../site'

/** What a tap gives when nothing else runs on its lines, and the moment that was found in. */
export interface SingleTapFlow {
  flowLps: number
  pressureKPa: number
  moment: Steady
}

/**
 * Every tap open by itself. Taps that share no line do not feel each other, so that those are opened together: the
 * moments that are solved are as many as the most taps on one line.
 */
export function singleTapFlows(site: Site, stand: Stand): Map<string, SingleTapFlow> {
  const known = stand === 'full' ? aloneFull(site) : aloneLow(site)
  return known
}

/** The tap that has least pressure of all, each open by itself; nothing where there is none. */
export function weakestSingleTap(site: Site, stand: Stand): string | undefined {
  const alone = singleTapFlows(site, stand)
  return tapsOf(site).toSorted((a, b) => alone.get(a.id)!.pressureKPa - alone.get(b.id)!.pressureKPa)[0]?.id
}

function work(site: Site, stand: Stand): Map<string, SingleTapFlow> {
  const lines = new Map<string, string[]>()
  for (const feed of feedsOf(site))
    for (const tap of feed.taps) lines.set(tap.id, [...(lines.get(tap.id) ?? []), feed.trunk[0]!.id])
  const rounds: { taps: string[]; taken: Set<string> }[] = []
  for (const { id } of tapsOf(site)) {
    const own = lines.get(id) ?? [id]
    let round = rounds.find(({ taken }) => own.every(line => !taken.has(line)))
    if (!round) rounds.push((round = { taps: [], taken: new Set() }))
    round.taps.push(id)
    for (const line of own) round.taken.add(line)
  }
  return new Map(
    rounds.flatMap(({ taps }) => {
      const moment = momentWith(site, taps, stand)
      return taps.map(id => [id, { ...moment.taps[id]!, moment }] as const)
    }),
  )
}
const aloneFull = remembered(FLOWS_OF, (site: Site) => work(site, 'full'))
const aloneLow = remembered(FLOWS_OF, (site: Site) => work(site, 'low'))
