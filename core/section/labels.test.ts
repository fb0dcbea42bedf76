import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { arbitrarySite, blank, build } from '../../tests/sites'
import { labelsOf } from './labels'
import type { Box } from './boxes'
import { drawSection } from './drawing'
import { moveOf } from '../moves'

const overlapPx = (a: Box, b: Box) =>
  Math.max(0, Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x)) *
  Math.max(0, Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y))

describe('the words of the Section', () => {
  const plain = build(
    blank(),
    moveOf('addTank', { kind: 'upright', how: 'alone', name: 'Oak' }),
    moveOf('addRoof', { name: 'House', lengthM: 10, widthM: 8, material: 'clay-tile', tank: 'tank-1' }),
    moveOf('addUse', { preset: 'hens', tank: 'tank-1' }),
  )
  it('name every roof, tank, tap and outfall once, and stand alike for the same document', () => {
    const labels = labelsOf(plain, drawSection(plain, 900, 300))
    expect(labels.map(label => label.lines[0]).sort()).toEqual(['Hens', 'House', 'Oak', 'swale'])
    expect(labels.find(label => label.lines[0] === 'House')!.lines).toEqual(['House', '80 m²', 'clay tile'])
    expect(labelsOf(plain, drawSection(plain, 900, 300))).toEqual(labels)
  })
  it('lie on no other words, on no line and on no tank where there is room', () => {
    const drawing = drawSection(plain, 900, 300)
    const labels = labelsOf(plain, drawing)
    for (const [at, label] of labels.entries()) {
      for (const other of labels.slice(at + 1)) expect(overlapPx(label, other)).toBe(0)
      for (const { points } of drawing.routes)
        for (const [step, [x, y]] of points.slice(1).entries()) {
          const [fromX, fromY] = points[step]!
          const line = {
            x: Math.min(x, fromX),
            y: Math.min(y, fromY),
            width: Math.max(1, Math.abs(x - fromX)),
            height: Math.max(1, Math.abs(y - fromY)),
          }
          expect(overlapPx(label, line), label.lines[0]).toBe(0)
        }
    }
  })
  it('stand in the drawing, whatever the site', () => {
    fc.assert(
      fc.property(arbitrarySite, site => {
        const drawing = drawSection(site, 900, 320)
        for (const label of labelsOf(site, drawing)) {
          expect(Number.isFinite(label.x + label.y)).toBe(true)
          expect(label.x + label.width).toBeGreaterThan(0)
          expect(label.x).toBeLessThan(drawing.widthPx)
        }
      }),
      { numRuns: 30 },
    )
  })
})
