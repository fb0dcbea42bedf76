import { fieldSentence } from './things'
import { senseless } from './sense'
import { siteSchema, VERSION, type Site } from './schema'
import { strayReferences } from './references'
import { fixtureFrom, MIGRATIONS } from './migrations'
import { readJson } from './json'
import { withIds } from './ids'
import type { System } from '../units'
import { type Answer, type Problem, refuse } from '../answers'

export type SiteReading = Answer<{ site: Site; migratedFrom?: number }>

const FORMAT = 'tall-cask/site'
const MOST_PROBLEMS = 30
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

/** Checks a document of the current version: every field, and every reference between them. */
export function checkSite(document: unknown): SiteReading {
  const parsed = siteSchema.safeParse(document)
  if (!parsed.success) {
    return {
      ok: false,
      problems: parsed.error.issues
        .slice(0, MOST_PROBLEMS)
        .map(issue => ({ path: pathText(issue.path), sentence: sentence(document, issue.path, issue.message) })),
    }
  }
  const problems = [...strayReferences(parsed.data), ...senseless(parsed.data)]
  return problems.length ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : { ok: true, site: parsed.data }
}

const LISTS = ['roofs', 'nodes', 'runs', 'uses', 'modes', 'options'] as const

/** What is wrong with a document that a sound one was changed into; what the two share is not read through again. */
export function checkChange(before: Site, after: Site): Problem[] {
  const changed: Record<string, unknown> = { ...after }
  if (before.climate.daily === after.climate.daily) changed.climate = { ...after.climate, daily: undefined }
  for (const list of LISTS) {
    // A list that has grown may have grown too long.
    if (after[list].length > before[list].length) continue
    const known = new Set<object>(before[list])
    changed[list] = after[list].filter(item => !known.has(item))
  }
  if (siteSchema.safeParse(changed).success) return [...strayReferences(after), ...senseless(after)]
  const whole = checkSite(after)
  return whole.ok ? [] : whole.problems
}

/** A site as file text. Reading it back gives an equal document. Lists of numbers stand on one line. */
export function writeSite(site: Site): string {
  return (
    JSON.stringify(site, null, 1).replace(/\[\n[\s\d.,eE+-]+\]/g, list =>
      list.replace(/\s+/g, ' ').replace('[ ', '[').replace(' ]', ']'),
    ) + '\n'
  )
}

function pathText(path: PropertyKey[]): string {
  return path
    .map((key, index) => (typeof key === 'number' ? `[${key}]` : index ? `.${String(key)}` : String(key)))
    .join('')
}

/** What an issue of the schema says to a person: the field, the thing they know it by, and the remedy. */
function sentence(document: unknown, path: PropertyKey[], message: string): string {
  let owner: string | undefined
  let here: unknown = document
  for (const key of path) {
    here = (here as Record<PropertyKey, unknown> | undefined)?.[key]
    const name = (here as { name?: unknown } | undefined)?.name
    if (typeof name === 'string' && name && key !== path.at(-1)) owner = name
  }
  const field = path.filter(key => typeof key === 'string').at(-1) ?? ''
  const entry = typeof path.at(-1) === 'number' ? ` (entry ${Number(path.at(-1)) + 1})` : ''
  const { units } = ((document as { standards?: { units?: unknown } } | null)?.standards ?? {}) as { units?: System }
  const system = units === 'us' || units === 'imperial' ? units : 'metric'
  return fieldSentence(field, owner, message, system, entry)
}

function brief(value: unknown): string {
  return value === undefined ? 'missing' : `“${String(JSON.stringify(value)).slice(0, 40).replaceAll('"', '')}”`
}
