import fc from 'fast-check'
import { portsOf } from '../core/kinds'
import type { Site } from '../core/site'
import { demoSite } from './demoSites'

export type Json = Record<string, unknown>
/** The demo sites as texts, without their rain. */
export const DEMO_TEXTS = (['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const).map(name => {
  const site = demoSite(name)
  return JSON.stringify({ ...site, climate: { ...site.climate, daily: undefined } })
})

/** Every place of a document that holds something: who holds it, and under which key. */
export function placesOf(
  document: unknown,
  found: { holder: Json; key: string }[] = [],
): { holder: Json; key: string }[] {
  if (typeof document !== 'object' || document === null) return found
  for (const key of Object.keys(document)) {
    found.push({ holder: document as Json, key })
    placesOf((document as Json)[key], found)
  }
  return found
}
const deep = (levels: number): unknown => (levels ? { deep: [deep(levels - 1)] } : 1)
const VALUES: (() => unknown)[] = [
  () => ({ toString: 1 }),
  () => ({ toString: 1, valueOf: 1, id: { toString: 1 }, kind: { toString: 1 } }),
  () => ({ constructor: null }),
  () => [],
  () => [[[]]],
  () => null,
  () => true,
  () => -1,
  () => 1e308,
  () => 0,
  () => '',
  () => 'constructor',
  () => '__proto__',
  () => 'outfall',
  () => 'x'.repeat(70_000),
  () => deep(40),
  () => undefined,
]
/** What is done to a document: a value put somewhere, or what stands at one place put at another. */
export const damage = fc.record({ at: fc.nat(), value: fc.nat(), from: fc.option(fc.nat()) })

export function damaged(text: string, acts: { at: number; value: number; from: number | null }[]): Json {
  const document = JSON.parse(text) as Json
  for (const { at, value, from } of acts) {
    const places = placesOf(document)
    const { holder, key } = places[at % places.length]!
    const other = from === null ? undefined : places[from % places.length]!
    holder[key] = other ? structuredClone(other.holder[other.key]) : VALUES[value % VALUES.length]!()
  }
  return document
}

/** Ends of lines led to whatever port of whatever thing: rings, lines to themselves, two into one. */
export const leading = fc.record({ run: fc.nat(), end: fc.constantFrom('from' as const, 'to'), port: fc.nat() })
export function ledAnywhere(site: Site, acts: { run: number; end: 'from' | 'to'; port: number }[]): Site {
  const ports = site.nodes.flatMap(node => portsOf(node).map(({ name }) => ({ node: node.id, port: name })))
  const runs = site.runs.map(run => ({ ...run }))
  for (const { run, end, port } of acts) runs[run % runs.length]![end] = ports[port % ports.length]!
  return { ...site, runs }
}
