import fc from 'fast-check'
import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { graphOf, isOpen, isPumped, isShut, nodeById, reached, runsFrom, runsTo, walk } from './graph'
import { arbitrarySite, blank, build, joinedBy, plainTank } from '../../tests/sites'
import { moveOf } from '../moves'
import { idsOf } from './ids'
import type { Run, Site } from './schema'

const everywhere = { along: 'both', goesOn: () => true } as const
/** What is joined to a node, found the slow way: by widening a set until it grows no more. */
function joinedSlowly(site: Site, from: string): Set<string> {
  const found = new Set([from])
  for (let before = 0; before < found.size;) {
    before = found.size
    for (const { from, to } of site.runs)
      if (found.has(from.node) || found.has(to.node)) found.add(from.node).add(to.node)
  }
  return found
}

describe('the graph of a site', () => {
  it('lists the runs out of, into and at each node, as the document does', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        const graph = graphOf(site)
        for (const { id } of site.nodes) {
          expect(graph.node(id)?.id).toBe(id)
          expect(graph.outOf(id)).toEqual(site.runs.filter(run => run.from.node === id))
          expect(graph.into(id)).toEqual(site.runs.filter(run => run.to.node === id))
          expect(graph.at(id)).toEqual(site.runs.filter(run => run.from.node === id || run.to.node === id))
        }
        for (const run of site.runs) {
          expect(graph.run(run.id)).toBe(run)
          for (const part of run.parts) expect(graph.runWith(part.id)).toBe(run)
          expect(runsFrom(site, run.from.node, run.from.port)).toContain(run)
          expect(runsTo(site, run.to.node, run.to.port)).toContain(run)
        }
      }),
      { numRuns: 40 },
    )
  })
  it('answers the same of a draft that a move is changing', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        produce(site, draft => {
          draft.nodes[0]!.baseM += 1
          const [built, looked] = [graphOf(site), graphOf(draft)]
          const ids = (runs: Run[]) => runs.map(run => run.id)
          for (const { id } of site.nodes) {
            expect(looked.node(id)?.id).toBe(id)
            expect(ids(looked.outOf(id))).toEqual(ids(built.outOf(id)))
            expect(ids(looked.outOf(id, 'outlet'))).toEqual(ids(built.outOf(id, 'outlet')))
            expect(ids(looked.into(id))).toEqual(ids(built.into(id)))
            expect(ids(looked.into(id, 'inlet'))).toEqual(ids(built.into(id, 'inlet')))
            expect(ids(looked.at(id))).toEqual(ids(built.at(id)))
          }
          expect(looked.node(site.nodes[0]!.id)!.baseM).toBe(site.nodes[0]!.baseM + 1)
          expect([...idsOf(draft)]).toEqual([...idsOf(site)])
        })
      }),
      { numRuns: 30 },
    )
  })
  it('is made once a document, and anew after a move', () => {
    const site = plainTank(blank(), 'A')
    expect(graphOf(site)).toBe(graphOf(site))
    const more = build(site, moveOf('addTank', { kind: 'tote', how: 'joined', to: 'tank-1' }))
    expect(graphOf(more)).not.toBe(graphOf(site))
    expect(graphOf(site).node('tank-2')).toBeUndefined()
    expect(graphOf(more).node('tank-2')).toBeDefined()
  })
  it('knows no node that is not there', () => {
    expect(graphOf(blank()).node('tank-1')).toBeUndefined()
    expect(() => nodeById(blank(), 'tank-1')).toThrow('tank-1')
  })
})

describe('a walk through the lines', () => {
  it('reaches what is joined, and nothing else', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), (site, pick) => {
        const from = site.nodes[pick % Math.max(1, site.nodes.length)]?.id
        if (from === undefined) return
        expect([...reached(site, from, everywhere)].sort()).toEqual([...joinedSlowly(site, from)].sort())
      }),
      { numRuns: 40 },
    )
  })
  it('goes the way it is told: what is below one has that one above it', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        for (const { id } of site.nodes)
          for (const below of reached(site, id, { along: 'down', goesOn: () => true }))
            expect(reached(site, below, { along: 'up', goesOn: () => true })).toContain(id)
      }),
      { numRuns: 30 },
    )
  })
  it('tells each way in steps that follow one another, and takes no run twice', () => {
    fc.assert(
      fc.property(arbitrarySite, fc.nat(), (site, pick) => {
        const from = site.nodes[pick % Math.max(1, site.nodes.length)]?.id
        if (from === undefined) return
        for (const { node, steps } of walk(site, from, everywhere)) {
          expect(steps[0]!.from.node).toBe(from)
          expect(steps.at(-1)!.to.node).toBe(node.id)
          for (const [at, step] of steps.slice(1).entries()) expect(step.from.node).toBe(steps[at]!.to.node)
          expect(new Set(steps.map(step => step.run)).size).toBe(steps.length)
        }
      }),
      { numRuns: 40 },
    )
  })
  it('ends in a ring, and in a row of sixty tanks each joined to the next', () => {
    const count = 60
    let row = blank()
    for (let tank = 0; tank < count; tank++)
      row = build(row, moveOf('addTank', { kind: 'tote', how: 'alone', name: `T${tank}` }))
    for (let tank = 1; tank <= count; tank++)
      row = joinedBy(
        row,
        [`tank-${tank}`, 'link'],
        [`tank-${(tank % count) + 1}`, 'link'],
        [{ kind: 'pipe', boreMm: 50, lengthM: 1, material: 'pe' } as never],
      )
    expect([...reached(row, 'tank-1', everywhere)].filter(id => id.startsWith('tank'))).toHaveLength(count)
  })
})

describe('what stands in a run', () => {
  const pair = build(plainTank(blank(), 'A'), moveOf('addTank', { kind: 'tote', how: 'joined', to: 'tank-1' }))
  const link = pair.runs.find(run => run.from.port.startsWith('link'))!
  const withPart = (part: object) => ({ ...link, parts: [...link.parts, { id: 'x', boreMm: 50, ...part } as never] })
  it('a valve that is shut shuts it both ways, a check valve one way', () => {
    expect(isOpen({ run: link, forward: true }) && isOpen({ run: link, forward: false })).toBe(true)
    const shut = withPart({ kind: 'valve', open: false })
    expect([isShut(shut), isOpen({ run: shut, forward: true }), isOpen({ run: shut, forward: false })]).toEqual([
      true,
      false,
      false,
    ])
    const check = withPart({ kind: 'check' })
    expect([isShut(check), isOpen({ run: check, forward: true }), isOpen({ run: check, forward: false })]).toEqual([
      false,
      true,
      false,
    ])
  })
  it('a pump lifts it, a union does not', () => {
    expect(isPumped(withPart({ kind: 'pump' }))).toBe(true)
    expect(isPumped(withPart({ kind: 'union' }))).toBe(false)
  })
})
