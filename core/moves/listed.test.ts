import { describe, expect, it } from 'vitest'
import { listedMoves } from './listed'
import { applyMove } from './apply'
import { isMove, MOVES } from './registry'
import { blank } from '../../tests/sites'

/** What programs that plan are told of the moves. */
describe('the list of moves', () => {
  const listed = listedMoves()
  it('has every move, each with a schema that is plain JSON and says what it takes', () => {
    expect(listed.map(({ name }) => name)).toEqual(Object.keys(MOVES))
    for (const { name, args } of listed) {
      expect(JSON.parse(JSON.stringify(args)), name).toEqual(args)
      const told = args.type === 'object' || args.anyOf !== undefined || args.oneOf !== undefined
      expect(told, `${name}: ${JSON.stringify(args).slice(0, 80)}`).toBe(true)
    }
  })
  it('tells what must be given: without it a move is refused, and the field is named', () => {
    for (const { name, args } of listed) {
      const [required] = (args.required as string[] | undefined) ?? []
      if (!required) continue
      const result = applyMove(blank(), { name, args: {} })
      expect(result.ok, name).toBe(false)
    }
  })
  it('knows its own names and no others', () => {
    expect(isMove('addTank')).toBe(true)
    for (const name of ['', 'toString', 'constructor', '__proto__', 'addtank']) {
      expect(isMove(name), name).toBe(false)
      expect(applyMove(blank(), { name, args: {} }), name).toMatchObject({ ok: false })
    }
  })
})
