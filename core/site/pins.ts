import { readAt } from '../kinds'
import { graphOf } from './graph'
import { nameOf, runName } from './names'
import type { Pin, Site } from './schema'

/** What a pinned reading is of: a gauge on a line, the water in a tank, what runs in a line or out of a tap. */
export type PinReads = Pin['reads']

/** What can be read at a node or a run; nothing where there is nothing to read. */
export function readableAt(site: Site, id: string): PinReads | undefined {
  const node = graphOf(site).node(id)
  const read = node && readAt(node)
  return read ?? (graphOf(site).run(id) ? 'flow' : undefined)
}

/** The pins whose place still stands. */
export const pinsOf = (site: Site): Pin[] => (site.pins ?? []).filter(({ at, reads }) => readableAt(site, at) === reads)

const READS: Record<PinReads, string> = { gauge: 'Gauge at', level: 'Level of', flow: 'Flow in' }
/** A pin by what it reads and where: "Gauge at Kitchen". */
export function pinName(site: Site, { reads, at }: Pick<Pin, 'reads' | 'at'>): string {
  const run = graphOf(site).run(at)
  return `${READS[reads]} ${run ? `“${runName(site, run)}”` : nameOf(site, at)}`
}
/** The kind of quantity that it reads. */
export const PIN_KIND = { gauge: 'pressure', level: 'length', flow: 'flow' } as const
