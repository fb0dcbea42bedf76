import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { applyMove, applyMoves, moveOf, setField } from '.'
import { plainData } from './plain'
import { portId } from '../site'
import { blank, plainTank } from '../../tests/sites'

/** What an interface wraps around its data: every record and list of it seen through a proxy, as deep as one looks. */
function wrapped<Value>(value: Value): Value {
  if (typeof value !== 'object' || value === null) return value
  return new Proxy(value, { get: (target, key) => wrapped(Reflect.get(target, key) as unknown) })
}
const plainest = fc.jsonValue({ maxDepth: 4 })
const copiable = (value: unknown): boolean => {
  try {
    structuredClone(value)
    return true
  } catch {
    return false
  }
}

describe('what a move is given', () => {
  it('is copied as it is, also out of what an interface wraps around it', () => {
    fc.assert(
      fc.property(plainest, value => {
        const read = plainData(wrapped(value))
        expect(read).toEqual({ ok: true, value })
        expect(copiable(read.ok && read.value)).toBe(true)
      }),
    )
  })
  it('leaves nothing of an interface in a document, its steps or its options', () => {
    const site = plainTank(blank(), 'A')
    const tank = site.nodes.find(({ kind }) => kind === 'tank')!
    const end = wrapped({ family: 'tapered', size: '1', sex: 'male' })
    const port = portId(tank.id, (tank as { ports: { name: string }[] }).ports[0]!.name)
    expect(copiable({ end })).toBe(false)
    const moves = [setField('port', port, 'end', end)]
    const together = applyMoves(site, wrapped(moves))
    const option = applyMove(site, moveOf('keepOption', { id: 'option-1', name: 'B', moves: wrapped(moves) }))
    for (const result of [applyMove(site, moves[0]!), together, option]) {
      expect(result).toMatchObject({ ok: true })
      expect(copiable(result)).toBe(true)
    }
  })
  it.each([
    [() => undefined, 'a function'],
    [new Map(), 'a Map'],
    [Number.NaN, 'no number that can be kept'],
    [Infinity, 'no number that can be kept'],
    [Symbol('x'), 'a symbol'],
    [10n, 'a bigint'],
  ])('is refused where it is no plain data: %s', (value, what) => {
    const site = plainTank(blank(), 'A')
    const result = applyMove(site, setField('site', '', 'name', { deep: [value] }))
    expect(result).toMatchObject({ ok: false, problems: [{ path: 'value.deep.0' }] })
    expect(!result.ok && result.problems[0]!.sentence).toContain(what)
  })
  it('is refused where it holds itself', () => {
    const ring: Record<string, unknown> = {}
    ring.ring = ring
    expect(plainData(ring)).toMatchObject({ ok: false })
  })
})
