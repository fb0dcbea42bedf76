import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { figuresOf, inputOf, rowOfFigure } from './sumFigures'

const figure = fc.double({ noNaN: true, noDefaultInfinity: true })
const name = fc.constantFrom('flowLps', 'headM', 'boreMm', 'days')
const row = fc.dictionary(name, figure, { minKeys: 1 })
const input = fc.dictionary(
  fc.constantFrom('lengthM', 'areaM2', 'curve', 'fittings', 'volumeL'),
  fc.oneof(figure, fc.array(row, { minLength: 1, maxLength: 5 })),
)

describe('the figures of a sum', () => {
  it('make the input again that they were taken from', () =>
    fc.assert(
      fc.property(input, made => {
        expect(inputOf(figuresOf(made))).toEqual({ ...made })
      }),
    ))
  it('are addressed each by a place of its own, and one that is typed over changes nothing else', () =>
    fc.assert(
      fc.property(input, figure, (made, typed) => {
        const figures = figuresOf(made)
        fc.pre(figures.length > 0)
        expect(new Set(figures.map(([place]) => place)).size).toBe(figures.length)
        const [first] = figures[0]!
        const again = figuresOf(inputOf(figures.map(([place, value]) => [place, place === first ? typed : value])))
        expect(again.filter(([place]) => place !== first)).toEqual(figures.slice(1))
        expect(again[0]).toEqual([first, typed])
      }),
    ))
  it('that are words or switches are left out', () =>
    expect(figuresOf({ roofing: 'tile', lined: true, areaM2: 3 })).toEqual([['areaM2', 3]]))
  it('are called by their field, and counted where there are several', () => {
    expect(rowOfFigure('boreMm', false)).toEqual({ kind: 'pipe', words: 'bore' })
    expect(rowOfFigure('curve.1.flowLps', true).words).toMatch(/, point 2$/)
    expect(rowOfFigure('curve.1.flowLps', true).kind).toBe('flow')
    expect(rowOfFigure('curve.1.flowLps', false).words).not.toContain('point')
  })
})
