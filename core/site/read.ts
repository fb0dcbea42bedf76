import { checkSite } from './check'
import { VERSION, type Site } from './schema'
import { fixtureFrom, MIGRATIONS } from './migrations'
import { readJson } from './json'
import { withIds } from './ids'
import { type Answer, refuse } from '../answers'

export type SiteReading = Answer<{ site: Site; migratedFrom?: number }>

const FORMAT = 'tall-cask/site'
/** Reads a site file's text. Nothing that it can hold throws; what is wrong comes back as sentences. */
export function readSiteText(fileText: string): SiteReading {
  const read = readJson(fileText)
  return read.ok ? readSite(read.json) : read
}

/** Reads a site document: an older version is brought up step by step, a newer one refused, never half-read. */
export function readSite(json: unknown): SiteReading {
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return refuse('This is not a site document: it must be one JSON object.')
  const { format, version } = json as { format?: unknown; version?: unknown }
  if (format !== FORMAT)
    return refuse(`This is not a Tall Cask site: its format is ${brief(format)}, not “${FORMAT}”.`, 'format')
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0)
    return refuse(`The file’s version is ${brief(version)}; it must be a whole number.`, 'version')
  if (version > VERSION)
    return refuse(
      `This file was written by a newer Tall Cask (version ${version}; this one reads up to ${VERSION}). Open ` +
        'it there, or update this one. Nothing was changed.',
      'version',
    )

  let document: unknown = json
  try {
    for (let step = version; step < VERSION; step++) document = MIGRATIONS[step]!(document as Record<string, unknown>)
  } catch {
    return refuse(
      `This file says it is version ${version}, but it is not laid out like one. It was not read.`,
      'version',
    )
  }
  const checked = checkSite(completed(document as Record<string, unknown>))
  return checked.ok && version < VERSION ? { ...checked, migratedFrom: version } : checked
}

/** A file written by hand or by another program may leave out ids, and say a fixture in other words. */
function completed(document: Record<string, unknown>): Record<string, unknown> {
  const { nodes } = document
  const plain = Array.isArray(nodes)
    ? nodes.map((node: Record<string, unknown> | null) => {
        const told = node?.kind === 'tap' ? fixtureFrom(node.fixture) : undefined
        return told && told.fixtureWords === undefined ? { ...node, ...told } : node
      })
    : nodes
  return withIds(plain === nodes ? document : { ...document, nodes: plain })
}

function brief(value: unknown): string {
  return value === undefined ? 'missing' : `“${String(JSON.stringify(value)).slice(0, 40).replaceAll('"', '')}”`
}
