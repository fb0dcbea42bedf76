import { readJson, readSite, writeSite, type Site } from '../site'
import type { Refusal } from '../answers'

const FORMAT = 'tall-cask/yard'

/** Several sites as one file: `{ format, version, sites }`, each site as in a file of its own. */
export function writeYard(sites: readonly Site[]): string {
  const inner = sites.map(site => writeSite(site).trim().replaceAll('\n', '\n    '))
  return `{\n  "format": "${FORMAT}",\n  "version": 1,\n  "sites": [\n    ${inner.join(',\n    ')}\n  ]\n}\n`
}

/** What a file of sites holds, and why any of them was not read. */
export interface SitesRead {
  sites: Site[]
  problems: string[]
}

/** Reads a file of one site, or of a whole yard; what does not read is told, and takes nothing else with it. */
export function readSites(text: string): SitesRead {
  const file = readJson(text)
  if (!file.ok) return { sites: [], problems: [sentences(file)] }
  const list = sitesIn(file.json)
  if (!list) {
    const read = readSite(file.json)
    return read.ok ? { sites: [read.site], problems: [] } : { sites: [], problems: [sentences(read)] }
  }
  const found: SitesRead = { sites: [], problems: [] }
  list.forEach((each, at) => {
    const read = readSite(each)
    if (read.ok) found.sites.push(read.site)
    else found.problems.push(`Site ${at + 1} of it was not read. ${sentences(read)}`)
  })
  if (!list.length) found.problems.push('There is no site in it.')
  return found
}

const MOST_TOLD = 5
function sentences({ problems }: Refusal): string {
  const more = problems.length > MOST_TOLD ? ` And ${problems.length - MOST_TOLD} more.` : ''
  return (
    problems
      .slice(0, MOST_TOLD)
      .map(({ sentence }) => sentence)
      .join(' ') + more
  )
}

/** The sites of a yard's file; undefined for any other document. */
function sitesIn(json: unknown): unknown[] | undefined {
  const { format, sites } = (json ?? {}) as { format?: unknown; sites?: unknown }
  return format === FORMAT && Array.isArray(sites) ? sites : undefined
}
