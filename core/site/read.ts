import type { Problem } from '../sums'
import { MIGRATIONS } from './migrations'
import { strayReferences } from './references'
import { senseless } from './sense'
import { siteSchema, type Site } from './schema'

export type SiteReading = { ok: true, site: Site, migratedFrom?: number } | { ok: false, problems: Problem[] }

const FORMAT = 'tall-cask/site'
export const VERSION = 1
const MOST_PROBLEMS = 30
/** Keys that would reach into the language instead of the document. */
const HOSTILE = new Set(['__proto__', 'constructor', 'prototype'])

/** Reads a site file's text. Nothing that it can hold throws; what is wrong comes back as sentences. */
export function readSiteText(fileText: string): SiteReading {
  let json: unknown
  try {
    json = JSON.parse(fileText.replace(/^\uFEFF/, ''), (key, value) => HOSTILE.has(key) ? undefined : value)
  }
  catch {
    const start = fileText.trim().slice(0, 40)
    return refuse('', start ? `This is not a site file: it is not JSON. It begins “${start}”.` : 'This file is empty.')
  }
  return readSite(json)
}

/** Reads a site document: an older version is brought up step by step, a newer one refused, never half-read. */
export function readSite(json: unknown): SiteReading {
  if (typeof json !== 'object' || json === null || Array.isArray(json)) return refuse('', 'This is not a site document: it must be one JSON object.')
  const { format, version } = json as { format?: unknown, version?: unknown }
  if (format !== FORMAT) return refuse('format', `This is not a Tall Cask site: its format is ${brief(format)}, not “${FORMAT}”.`)
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 0) return refuse('version', `The file’s version is ${brief(version)}; it must be a whole number.`)
  if (version > VERSION) return refuse('version', `This file was written by a newer Tall Cask (version ${version}; this one reads up to ${VERSION}). Open it there, or update this one. Nothing was changed.`)

  let document: unknown = json
  try {
    for (let step = version; step < VERSION; step++) document = MIGRATIONS[step]!(document as Record<string, unknown>)
  }
  catch {
    return refuse('version', `This file says it is version ${version}, but it is not laid out like one. It was not read.`)
  }
  const checked = checkSite(document)
  return checked.ok && version < VERSION ? { ...checked, migratedFrom: version } : checked
}

/** Checks a document of the current version: every field, and every reference between them. */
export function checkSite(document: unknown): SiteReading {
  const parsed = siteSchema.safeParse(document)
  if (!parsed.success) {
    return { ok: false, problems: parsed.error.issues.slice(0, MOST_PROBLEMS).map(issue => ({ path: pathText(issue.path), sentence: sentence(document, issue.path, issue.message) })) }
  }
  const problems = [...strayReferences(parsed.data), ...senseless(parsed.data)]
  return problems.length ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : { ok: true, site: parsed.data }
}

/** A site as file text. Reading it back gives an equal document. Lists of numbers stand on one line. */
export function writeSite(site: Site): string {
  return JSON.stringify(site, null, 1).replace(/\[\n[\s\d.,eE+-]+\]/g, list => list.replace(/\s+/g, ' ').replace('[ ', '[').replace(' ]', ']')) + '\n'
}

function pathText(path: PropertyKey[]): string {
  return path.map((key, index) => typeof key === 'number' ? `[${key}]` : index ? `.${String(key)}` : String(key)).join('')
}

/** "Diameter of “East tank” must be more than 0 m.": the field in words, the thing a person knows it by, and the remedy in the field's unit. */
function sentence(document: unknown, path: PropertyKey[], message: string): string {
  let owner: string | undefined
  let here: unknown = document
  for (const key of path) {
    here = (here as Record<PropertyKey, unknown> | undefined)?.[key]
    const name = (here as { name?: unknown } | undefined)?.name
    if (typeof name === 'string' && name && key !== path.at(-1)) owner = name
  }
  const field = path.filter(key => typeof key === 'string').at(-1)
  const place = typeof path.at(-1) === 'number' ? ` (entry ${Number(path.at(-1)) + 1})` : ''
  return `${field ? fieldWords(field) : 'The document'}${place}${owner ? ` of “${owner.slice(0, 60)}”` : ''} ${withUnit(field ?? '', message)}.`
}

const UNITS: Record<string, string> = { Mm: 'mm', M2: 'm²', M: 'm', L: 'L', Lps: 'L/s', MmPerH: 'mm/h', Kg: 'kg', KPa: 'kPa', C: '°C', Deg: '°', LPerDay: 'L a day', Um: 'µm' }
const UNIT_TAIL = /(MmPerH|LPerDay|Lps|KPa|Mm|M2|Kg|Deg|Um|M|L|C)$/

function fieldWords(field: string): string {
  const words = field.replace(/^t(Min|Max)C$/, 'mean$1imum').replace(UNIT_TAIL, '').replace(/([A-Z])/g, ' $1').toLowerCase().trim()
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** Limits are told in the unit of their field, and those of shares in percent. */
function withUnit(field: string, message: string): string {
  const limit = /^(.* )(-?[\d.]+)$/.exec(message)
  if (!limit) return message
  if (/share|coefficient|efficiency|slope/i.test(field)) return `${limit[1]}${Number(limit[2]) * 100} %`
  const unit = UNITS[UNIT_TAIL.exec(field)?.[0] ?? '']
  return unit ? `${message}${unit === '°' ? '' : ' '}${unit}` : message
}

function refuse(path: string, text: string): SiteReading {
  return { ok: false, problems: [{ path, sentence: text }] }
}

function brief(value: unknown): string {
  return value === undefined ? 'missing' : `“${String(JSON.stringify(value)).slice(0, 40).replaceAll('"', '')}”`
}
