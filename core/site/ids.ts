import { current, isDraft } from 'immer'
import type { Site } from './schema'

/** Ids are at most this long where they are made from another's. */
const STEM_MOST = 90

type Json = Record<string, unknown>
const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value)
const objects = (value: unknown): Json[] => (Array.isArray(value) ? value.filter(isObject) : [])

/** What is a text; anything else is refused once the schema is asked, and is here of no name. */
const word = (value: unknown): string => (typeof value === 'string' ? value : 'thing')

/** Things with an id of their own that stand within another: whose they are, and the stem their id is made from. */
function* within(document: Json): Generator<{ thing: Json; stem: string }> {
  for (const roof of objects(document.roofs)) {
    for (const thing of objects(roof.pieces)) yield { thing, stem: `${word(roof.id)}-piece` }
    for (const thing of objects(roof.spouts)) yield { thing, stem: `${word(roof.id)}-gutter` }
  }
  for (const run of objects(document.runs)) {
    for (const thing of objects(run.parts)) yield { thing, stem: `${word(run.id)}-${word(thing.kind)}` }
    for (const thing of objects(run.profile)) yield { thing, stem: `${word(run.id)}-place` }
  }
  for (const use of objects(document.uses)) {
    for (const thing of objects(use.rations)) yield { thing, stem: `${word(use.id)}-step` }
    const drip = isObject(use.amount) && isObject(use.amount.drip) ? use.amount.drip : {}
    for (const thing of objects(drip.emitters)) yield { thing, stem: `${word(use.id)}-emitter` }
  }
}

function takenIn(document: Json): Set<string> {
  const taken = new Set<string>()
  const { nodes, runs, roofs, uses, modes, options, pins, devices, restrictions } = document
  const stages = isObject(document.build) ? document.build.stages : []
  for (const list of [nodes, runs, roofs, uses, modes, options, pins, devices, restrictions, stages])
    for (const thing of objects(list)) if (typeof thing.id === 'string') taken.add(thing.id)
  for (const { thing } of within(document)) if (typeof thing.id === 'string') taken.add(thing.id)
  return taken
}

/** Every id of a site, in the order of the document. A draft is read as it stands, past its proxies. */
export const idsOf = (site: Site): Set<string> => takenIn((isDraft(site) ? current(site) : site) as unknown as Json)

/** The next free id of a stem: valve, valve-2, valve-3 … A stem that asks for a number begins at 1. */
export function freeId(taken: Pick<ReadonlySet<string>, 'has'>, stem: string, first: '' | 1 = 1): string {
  const short = stem.slice(0, STEM_MOST)
  if (first === '' && !taken.has(short)) return short
  let number = first === '' ? 2 : 1
  while (taken.has(`${short}-${number}`)) number++
  return `${short}-${number}`
}

/**
 * Gives every part, piece, stretch of gutter, step of rationing and emitter that lacks an id one of its own, made from
 * what it belongs to: the same document always gets the same ids. What has one keeps it.
 */
export function withIds<Document extends object>(whole: Document): Document {
  const document = whole as unknown as Json
  const missing = [...within(document)].filter(({ thing }) => thing.id === undefined)
  if (!missing.length) return whole
  const taken = takenIn(document)
  const given = new Map<Json, string>()
  for (const { thing, stem } of missing) {
    const own = freeId(taken, stem)
    taken.add(own)
    given.set(thing, own)
  }
  const name = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.every(item => typeof item === 'number') ? value : value.map(name)
    if (!isObject(value)) return value
    const inner = Object.fromEntries(Object.entries(value).map(([key, item]) => [key, name(item)]))
    const own = given.get(value)
    return own ? { id: own, ...inner } : inner
  }
  return {
    ...document,
    ...Object.fromEntries(['roofs', 'runs', 'uses'].map(list => [list, name(document[list])])),
  } as unknown as Document
}
