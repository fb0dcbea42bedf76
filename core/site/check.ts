import { fieldSentence } from './things'
import { inconsistencies } from './consistency'
import { MOST_READINGS } from './lifeSchema'
import { MOST, siteSchema, type Site } from './schema'
import { strayReferences } from './references'
import type { System } from '../units'
import type { Answer, Problem } from '../answers'

const MOST_PROBLEMS = 30

/** Checks a document of the current version: every field, and every reference between them. */
export function checkSite(document: unknown): Answer<{ site: Site }> {
  const parsed = siteSchema.safeParse(document)
  if (!parsed.success) {
    return {
      ok: false,
      problems: parsed.error.issues
        .slice(0, MOST_PROBLEMS)
        .map(issue => ({ path: pathText(issue.path), sentence: sentence(document, issue.path, issue.message) })),
    }
  }
  const problems = [...strayReferences(parsed.data), ...inconsistencies(parsed.data)]
  return problems.length ? { ok: false, problems: problems.slice(0, MOST_PROBLEMS) } : { ok: true, site: parsed.data }
}

const LISTS = Object.keys(MOST) as (keyof typeof MOST)[]

/**
 * What is wrong with a document that a sound one was changed into; what the two share is not read through again, but
 * for a list that has grown too long.
 */
export function checkChange(before: Site, after: Site): Problem[] {
  const changed: Record<string, unknown> = { ...after }
  if (before.climate.daily === after.climate.daily) changed.climate = { ...after.climate, daily: undefined }
  for (const list of LISTS) {
    if (after[list].length > MOST[list]) continue
    const known = new Set<object>(before[list])
    changed[list] = after[list].filter(item => !known.has(item))
  }
  if (after.log && before.log && after.log.length <= MOST_READINGS) {
    const { log } = before
    changed.log = after.log.filter((reading, at) => log[at] !== reading)
  }
  if (siteSchema.safeParse(changed).success) return [...strayReferences(after), ...inconsistencies(after)]
  const whole = checkSite(after)
  return whole.ok ? [] : whole.problems
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
