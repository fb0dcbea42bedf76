import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { SUMS, solveSum } from '../../core/sums'
import { readSite, type Site } from '../../core/site'
import { Refused } from '../../server/lib/refused'
import { balanceJob } from '../../server/jobs/balance'
import { networkJob } from '../../server/jobs/network'
import { reviewJob } from '../../server/jobs/review'
import { placesOf, valueAt, withAt } from '../places'
import { arbitrarySite } from '../sites'

/** From the least and from the most that a field might take, towards what it takes. */
const LEAST = [-1e9, -1e4, -100, -1, 0, 1e-9, 1e-6, 1e-4, 1e-3, 0.01, 0.1, 1]
const MOST = [1e300, 1e12, 1e9, 1e6, 1e5, 1e4, 1e3, 100, 10, 1, 0.5]

/** Paths of what is no figure, or no sentence, in an answer. */
function amiss(value: unknown, path = ''): string[] {
  if (typeof value === 'number') return Number.isFinite(value) ? [] : [`${path}: ${value}`]
  if (typeof value === 'string') return /\bNaN\b|Infinity|undefined/.test(value) ? [`${path}: ${value}`] : []
  if (typeof value !== 'object' || value === null) return []
  if (ArrayBuffer.isView(value)) return amiss([...(value as Float64Array)], path)
  return Object.entries(value).flatMap(([key, inner]) => amiss(inner, `${path}.${key}`))
}

/** An answer, or the refusal in its place. */
function answeredBy(answer: () => unknown): unknown {
  try {
    return answer()
  } catch (error) {
    if (!(error instanceof Refused)) throw error
    return error.problems
  }
}

/** What is amiss in the answers about a document, the curve of its first tank and some made-up years among them. */
function amissIn(json: unknown): string[] {
  const tank = (json as Site).nodes.find(node => node.kind === 'tank')?.id
  const sizes = tank ? { tank, litres: [100, 5000] } : undefined
  const taps = (json as Site).nodes.filter(node => node.kind === 'tap')
  const open = Object.fromEntries(taps.map(({ id }) => [id, 1]))
  const answers = [
    () => balanceJob({ site: json, options: { years: 1, members: 2, sizes } }),
    () => reviewJob(json),
    () => networkJob({ site: json, open }),
  ]
  return answers.flatMap(answer => amiss(answeredBy(answer)))
}

/** A document with each of its figures, one after another, at the least and at the most it may be. */
function* atLimits(json: unknown) {
  const seen = new Set<string>()
  for (const path of placesOf(json)) {
    const kind = path.filter(key => typeof key !== 'number').join('.')
    if (typeof valueAt(json, path) !== 'number' || seen.has(kind)) continue
    seen.add(kind)
    for (const tried of [LEAST, MOST]) {
      const taken = tried.find(value => readSite(withAt(json, path, value)).ok)
      if (taken !== undefined) yield { path: path.join('.'), value: taken, json: withAt(json, path, taken) }
    }
  }
}

describe('every figure of an answer is one', () => {
  it.each(['quillfern-ridge', 'brindle-yard', 'cinder-tor'])('%s, each field at its limits', name => {
    const site: unknown = JSON.parse(readFileSync(`demo/${name}.json`, 'utf8'))
    const wrong: string[] = []
    for (const { path, value, json } of atLimits(site)) {
      wrong.push(...amissIn(json).map(what => `${path} = ${value}: ${what}`))
    }
    expect(wrong).toEqual([])
  })
  it('any site, with several of its fields at a limit', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.array(fc.tuple(fc.nat(), fc.boolean()), { maxLength: 4 }), (made, limits) => {
        const json = limits.reduce<unknown>(
          (current, [at, least]) => {
            const places = placesOf(current).filter(path => typeof valueAt(current, path) === 'number')
            const path = places[at % places.length]!
            const taken = (least ? LEAST : MOST).find(value => readSite(withAt(current, path, value)).ok)
            return taken === undefined ? current : withAt(current, path, taken)
          },
          JSON.parse(JSON.stringify(made)),
        )
        expect(amissIn(json)).toEqual([])
      }),
      { numRuns: 60 },
    )
  })
  it('so are those of the sums', () => {
    const wrong: string[] = []
    for (const { name, examples } of SUMS)
      for (const path of placesOf(examples[0]))
        for (const value of [...LEAST, ...MOST]) {
          const solved = solveSum(name, withAt(examples[0], path, value))
          if (solved.ok) wrong.push(...amiss(solved).map(what => `${name} ${path.join('.')} = ${value}: ${what}`))
        }
    expect(wrong).toEqual([])
  })
})
