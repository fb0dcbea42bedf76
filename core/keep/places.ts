import { graphOf, isPumped, nameOf, reached, runName, tanksOf, type Site } from '../site'
import { READING_KINDS, type PartKind, type ReadingKind } from '../kinds'

/** A place at which something is read, and what it is called. */
export interface Place {
  id: string
  name: string
}

/** Lines that have such a part; all of them, where none has. */
function linesWith(site: Site, kind: PartKind): Place[] {
  const having = site.runs.filter(({ parts }) => parts.some(part => part.kind === kind))
  return (having.length ? having : site.runs).map(run => ({ id: run.id, name: runName(site, run) }))
}
/** A meter tells most in a line that taps hang on: those first, the one with most of them before all. */
function linesToTaps(site: Site): Place[] {
  const metered = linesWith(site, 'meter')
  if (metered.length < site.runs.length) return metered
  const taps = new Map(
    site.runs.map(({ id, to }) => {
      const behind = reached(site, to.node, { along: 'down' })
      return [id, site.uses.filter(({ at }) => behind.has(at)).length] as const
    }),
  )
  return metered.sort((a, b) => taps.get(b.id)! - taps.get(a.id)!)
}
const nodesOf = (site: Site, kind: 'well' | 'chamber'): Place[] =>
  site.nodes.flatMap(node => (node.kind === kind ? [{ id: node.id, name: nameOf(site, node.id) }] : []))

/** Where a kind of reading can be taken on a site, likeliest first; nowhere in particular where it needs no place. */
export function placesFor(site: Site, kind: ReadingKind): Place[] {
  switch (READING_KINDS[kind].of) {
    case 'tank':
      return tanksOf(site).map(({ id, name }) => ({ id, name }))
    case 'well':
      return nodesOf(site, 'well')
    case 'chamber':
      return nodesOf(site, 'chamber')
    case 'run':
      if (kind === 'drop') return linesWith(site, 'filter')
      if (kind === 'meter') return linesToTaps(site)
      return site.runs.filter(isPumped).map(run => ({ id: run.id, name: runName(site, run) }))
    case 'anything':
    case 'chore':
    case undefined:
      return []
  }
}

/** What a place of a reading is called: a line, a tank, a well; nothing where it is no longer there. */
export function placeName(site: Site, id: string): string {
  const run = graphOf(site).run(id)
  if (run) return runName(site, run)
  return graphOf(site).node(id) ? nameOf(site, id) : ''
}

/** What the device is called that told a line; one that is no longer there, by its id. */
export const sourceName = (site: Site, source: string): string =>
  site.devices?.find(({ id }) => id === source)?.name ?? source
