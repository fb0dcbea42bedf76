import { describe, expect, it } from 'vitest'
import { produce } from 'immer'
import { remembered } from '.'
import { blank, build, plainTank } from '../../tests/sites'

const house = build(plainTank(blank(), 'A'))
const renamed = (name: string) => ({ ...house, name })

describe('what is remembered of a document', () => {
  it('is worked out once for as long as the parts that it reads are the very same', () => {
    let times = 0
    const tanks = remembered(['nodes'], ({ nodes }: Pick<typeof house, 'nodes'>) => [++times, nodes.length])
    expect(tanks(house)).toBe(tanks(renamed('Other')))
    const fewer = { ...house, nodes: house.nodes.slice(1) }
    expect(tanks(fewer)).toEqual([2, house.nodes.length - 1])
    expect(tanks(house)[0]).toBe(1)
  })
  it('is of all the parts together, and the last few documents that share the first of them are remembered', () => {
    let times = 0
    const read = remembered(['nodes', 'name'], ({ name }: typeof house) => `${name} ${++times}`)
    const names = ['A', 'B', 'C', 'D']
    expect(names.map(name => read(renamed(name)))).toEqual(['A 1', 'B 2', 'C 3', 'D 4'])
    expect(names.map(name => read(renamed(name)))).toEqual(['A 1', 'B 2', 'C 3', 'D 4'])
    expect(read(renamed('E'))).toBe('E 5')
    expect(read(renamed('A'))).toBe('A 6')
  })
  it('reads a draft as it stands, every time', () => {
    const count = remembered(['nodes'], ({ nodes }: Pick<typeof house, 'nodes'>) => nodes.length)
    produce(house, draft => {
      const before = count(draft)
      draft.nodes.pop()
      expect(count(draft)).toBe(before - 1)
    })
  })
  it('takes an answer that somebody knows already', () => {
    const read = remembered(['nodes'], () => 'worked out')
    const other = { ...house, nodes: [...house.nodes] }
    read.given(other, 'known')
    expect([read(other), read(house)]).toEqual(['known', 'worked out'])
  })
})
