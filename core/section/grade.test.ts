import { describe, expect, it } from 'vitest'
import { drawSection } from './drawing'
import { gradeOf } from './grade'
import { jointAt, pipe, tankAt, tapAt, worksOf } from '../../tests/waterworks'
import { momentWith, wayOfWater } from '../network'
import type { Site } from '../site'
import type { NewPart } from '../kinds'

const graded = (site: Site) => {
  const drawing = drawSection(site, 900, 320)
  const moment = momentWith(site, ['t'], 'full')
  return { drawing, moment, grade: gradeOf(site, drawing, wayOfWater(site, moment, 't'), moment)! }
}
const works = (jointM: number, parts: NewPart[] = [pipe(20)]) =>
  worksOf({
    nodes: [tankAt('a', 5), jointAt('j', jointM), tapAt('t', 1)],
    runs: [
      ['r', 'a', 'j', parts],
      ['s', 'j', 't', [pipe(10)]],
    ],
  })

describe('the line of pressure', () => {
  it('begins where the water stands and ends with what the tap has, falling all the way', () => {
    const { grade, moment, drawing } = graded(works(2))
    expect(grade.fromM).toBeCloseTo(moment.nodes.a!.headM, 9)
    expect(grade.toM).toBeCloseTo(moment.nodes.t!.headM, 9)
    expect(grade.highestM).toBe(grade.fromM)
    const ys = grade.stretches.flatMap(({ points }) => points.map(([, y]) => y))
    expect(ys).toEqual([...ys].sort((a, b) => a - b))
    expect(ys[0]).toBeCloseTo(drawing.scale.y(grade.fromM), 6)
    expect(grade.stretches.every(({ below }) => !below)).toBe(true)
  })
  it('runs below a pipe that is laid above it', () => {
    const { grade } = graded(works(6.95))
    expect(grade.stretches.some(({ below }) => below)).toBe(true)
    expect(grade.stretches.at(-1)!.below).toBe(false)
  })
  it('runs below a hump that is told along a line', () => {
    const site = works(2)
    const told = (heightM: number) => ({
      ...site,
      runs: site.runs.map(run => (run.id === 'r' ? { ...run, profile: [{ id: 'p', alongM: 10, heightM }] } : run)),
    })
    expect(graded(told(4)).grade.stretches.some(({ below }) => below)).toBe(false)
    expect(graded(told(9)).grade.stretches.some(({ below }) => below)).toBe(true)
  })
  it('steps up at a pump by what that adds, and says so where that lies beyond the picture', () => {
    const pump: NewPart = { kind: 'pump', pump: 'jet', flowLps: 0.3, headM: 40 }
    const { grade, moment } = graded(works(2, [pipe(1), pump, pipe(20)]))
    expect(grade.highestM).toBeGreaterThan(grade.fromM + 30)
    expect(grade.toM).toBeCloseTo(moment.nodes.t!.headM, 9)
    expect(grade.beyond!.headM).toBe(grade.highestM)
  })
})
