import { readJson, readSite, writeSite, type Site } from '../site'
import { splitPhotos, type FilePhoto } from './photoFile'
import { counted } from '../words'
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
  /** The photos that came with each of them. */
  photos: FilePhoto[][]
  problems: string[]
}

/** Reads a file of one site, or of a whole yard; what does not read is told, and takes nothing else with it. */
export function readSites(text: string): SitesRead {
  const file = readJson(text)
  const found: SitesRead = { sites: [], photos: [], problems: [] }
  if (!file.ok) return { ...found, problems: [sentences(file)] }
  const list = sitesIn(file.json)
  for (const [at, each] of (list ?? [file.json]).entries()) {
    const read = readSite(each)
    if (read.ok) take(read.site)
    else found.problems.push(`${list ? `Site ${at + 1} of it was not read. ` : ''}${sentences(read)}`)
  }
  if (list && !list.length) found.problems.push('There is no site in it.')
  return found

  function take(document: Site): void {
    const { site, photos, lost } = splitPhotos(document)
    found.sites.push(site)
    found.photos.push(photos)
    if (lost) found.problems.push(`${counted(lost, 'photo')} of “${site.name}” could not be read and was left out.`)
  }
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
