import { describe, expect, it } from 'vitest'
import { drawnParts, partsRoomPx, placeParts, type Lane, type PlacedPart, type Point } from './parts'
import type { Run } from '../site'

const alone: Lane = { leaving: 0, partsBefore: 0, partsAfter: 0 }
const run = (id: string, ...parts: Run['parts']): Run => ({
  id,
  from: { node: 'a', port: 'out' },
  to: { node: 'b', port: 'in' },
  parts,
})
const valve = (id: string) => ({ id, kind: 'valve' as const, boreMm: 50, open: true })
const pipe = (id: string, lengthM: number) => ({
  id,
  kind: 'pipe' as const,
  lengthM,
  innerDiameterMm: 50,
  roughnessMm: 0.0015,
})
const level: Point[] = [
  [0, 50],
  [300, 50],
]

describe('the parts of a run', () => {
  it('stand where it begins before its longest pipe, and where it ends after it', () => {
    const line = run('r', valve('early'), pipe('short', 1), valve('still-early'), pipe('long', 9), valve('late'))
    const { early, late } = drawnParts(line)
    expect([early, late].map(parts => parts.map(part => part.id))).toEqual([['early', 'still-early'], ['late']])
    const [placed] = placeParts([{ run: line, way: level, lane: alone }])
    expect(placed!.map(part => part.id)).toEqual(['early', 'still-early', 'late'])
    expect(placed![1]!.x).toBeLessThan(60)
    expect(placed![2]!.x).toBeGreaterThan(270)
  })
  it('all stand where it begins when there is no pipe, and none is drawn for what is the line itself', () => {
    const line = run('r', valve('a'), { id: 'u', kind: 'union', boreMm: 50 } as Run['parts'][number], valve('b'))
    const [placed] = placeParts([{ run: line, way: level, lane: alone }])
    expect(placed!.map(part => part.id)).toEqual(['a', 'b'])
    expect(placed!.every(part => part.x < 60)).toBe(true)
  })
  it('leave room for the parts of those that leave before them', () => {
    const line = run('r', valve('a'), pipe('p', 5))
    expect(partsRoomPx(line, { ...alone, partsBefore: 3 })).toBe(partsRoomPx(line, alone) + 3 * 21)
    const [placed] = placeParts([{ run: line, way: level, lane: { ...alone, partsBefore: 3 } }])
    expect(placed![0]!.x).toBeGreaterThan(70)
  })
  it('with a height of its own stands where its line comes to that height', () => {
    const line = run('r', valve('hung'), pipe('p', 5), valve('late'))
    const bent: Point[] = [
      [0, 50],
      [16, 50],
      [16, 200],
      [90, 200],
    ]
    const at = (y: number) =>
      placeParts([{ run: line, way: bent, lane: alone }], part => (part.id === 'hung' ? y : undefined))
    expect(at(130)[0]![0]).toMatchObject({ x: 16, y: 130, upright: true })
    // A height that the line never comes to leaves it where it would stand anyway.
    expect(at(900)).toEqual(placeParts([{ run: line, way: bent, lane: alone }]))
  })
  it('give way to what stands already, and to a bend, but pass none of their own', () => {
    const one = run('one', valve('a'), pipe('p', 5))
    const two = run('two', valve('b'), valve('c'), pipe('q', 5))
    const placed = placeParts([
      { run: one, way: level, lane: alone },
      { run: two, way: level, lane: alone },
    ]).flat()
    const [first, second, third] = placed as [PlacedPart, PlacedPart, PlacedPart]
    expect(Math.min(Math.abs(second.x - first.x), Math.abs(third.x - first.x))).toBeGreaterThanOrEqual(14)
    expect(third.x).toBeGreaterThan(second.x)
    const bent: Point[] = [
      [0, 50],
      [16, 50],
      [16, 200],
    ]
    const turned = placeParts([{ run: one, way: bent, lane: alone }]).flat()[0]!
    expect(Math.abs(turned.x - 16) + Math.abs(turned.y - 50)).toBeGreaterThanOrEqual(8)
  })
  it('share out a line that is too short for them', () => {
    const crowded = run('r', valve('a'), valve('b'), valve('c'), valve('d'), pipe('p', 5))
    const way: Point[] = [
      [0, 50],
      [40, 50],
    ]
    const [placed] = placeParts([{ run: crowded, way, lane: alone }])
    expect(placed!.every(part => part.x >= 0 && part.x <= 40)).toBe(true)
    expect(new Set(placed!.map(part => part.id)).size).toBe(4)
  })
})
