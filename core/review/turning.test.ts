import { range } from 'd3-array'
import { describe, expect, it } from 'vitest'
import { review } from './review'
import { moveOf, setField } from '../moves'
import type { Site } from '../site'
import { build } from '../../tests/sites'
import { branchPipe, gutter, lifted, onWell, partOf, set, sound, vessel, withWell } from '../../tests/soundSite'

/** One figure of a site, made ever larger: a check says something below a certain one, or above it, and never both. */
interface Turning {
  check: string
  what: string
  at: number[]
  with: (site: Site, value: number) => Site
  found: 'below' | 'above'
  /** The figure at which it must turn, between these two, by hand or by the books. */
  between?: [number, number]
}
/** A field of a node, set to the figure. */
const node =
  (id: string, field: string): Turning['with'] =>
  (site, value) =>
    build(site, set(site, id, field, value))

const TURNINGS: Turning[] = [
  {
    check: 'gutter-too-small',
    what: 'width of the gutter, mm',
    at: range(60, 260, 20),
    with: (site, widthMm) => build(site, gutter({ widthMm, depthMm: widthMm / 2 })),
    found: 'below',
  },
  {
    check: 'downpipe-too-small',
    what: 'bore of the spout, mm',
    at: range(30, 130, 10),
    with: node('spout-1', 'boreMm'),
    found: 'below',
  },
  {
    check: 'outlet-too-slow',
    what: 'hole of the chamber, mm',
    at: [0.2, 0.4, 0.6, 0.8, 1, 1.5, 2, 3],
    with: node('chamber-1', 'orificeMm'),
    found: 'below',
  },
  {
    check: 'outlet-wasteful',
    what: 'hole of the chamber, mm',
    at: [0.4, 0.8, 1, 1.5, 2, 3, 4, 6],
    with: node('chamber-1', 'orificeMm'),
    found: 'above',
  },
  {
    check: 'chamber-too-small',
    what: 'first flush that is wanted, mm',
    at: [0.2, 0.4, 0.8, 1.2, 1.6, 2, 3],
    with: node('chamber-1', 'wantedMm'),
    found: 'above',
  },
  {
    check: 'overflow-too-small',
    what: 'bore of the overflow, mm',
    at: [20, 30, 40, 50, 60, 70, 80, 90, 100, 110],
    with: (site, boreMm) => build(site, moveOf('setPort', { tank: 'tank-1', port: 'overflow', boreMm })),
    found: 'below',
  },
  {
    check: 'overflow-above-inlet',
    what: 'height of the inlet, m',
    at: [1.2, 1.3, 1.4, 1.5, 1.6, 1.7, 1.8, 1.9],
    with: (site, heightM) => build(site, moveOf('setPort', { tank: 'tank-1', port: 'inlet', heightM })),
    found: 'below',
  },
  {
    check: 'vent-too-small',
    what: 'bore of the vent, mm',
    at: [5, 10, 15, 20, 30, 50, 80, 110],
    with: node('tank-1', 'ventMm'),
    found: 'below',
  },
  {
    check: 'overflow-cannot-run',
    what: 'height of the outfall, m',
    at: range(-0.5, 5, 0.5),
    with: (site, baseM) => build(site, moveOf('setHeight', { node: 'outfall-1', baseM })),
    found: 'above',
  },
  {
    check: 'tap-weak',
    what: 'bore of the branch, mm',
    at: [4, 5, 6, 8, 10, 13, 16, 20, 25],
    with: branchPipe,
    found: 'below',
  },
  {
    check: 'water-too-fast',
    what: 'bore of the branch, mm',
    at: [9, 10, 12, 14, 16, 20, 25, 30],
    with: branchPipe,
    found: 'below',
  },
  {
    check: 'suction-too-high',
    what: 'depth of the water in the well, m',
    at: [1, 2, 3, 4, 5, 6, 7, 8, 9, 10],
    with: (site, stillM) => onWell(withWell(site), stillM),
    found: 'above',
    // A suction pump at sea level lifts some seven and a half metres at best; friction and drawdown take of that.
    between: [3, 8],
  },
  {
    check: 'starts-too-often',
    what: 'size of the pressure tank, L',
    at: [10, 15, 25, 40, 60, 100, 200, 400],
    with: (site, volumeL) => build(vessel(site), setField('node', 'pressure-tank-1', 'volumeL', volumeL)),
    found: 'below',
  },
  {
    check: 'never-cuts-out',
    what: 'pressure at which the switch stops the pump, kPa',
    at: [250, 300, 350, 400, 500, 600, 800],
    with: (site, kPa) => build(vessel(site), setField('node', 'pressure-tank-1', 'cutOutKPa', kPa)),
    found: 'above',
  },
  {
    check: 'cable-too-thin',
    what: 'length of the cable, m',
    at: [10, 30, 60, 100, 200, 400, 800],
    with: (site, lengthM) =>
      build(site, setField('part', partOf(site, 'pump').id, 'cable', { lengthM, conductorMm2: 1 })),
    found: 'above',
  },
  {
    check: 'treatment-overrun',
    what: 'flow that the filter is rated for, L/s',
    at: [0.02, 0.05, 0.1, 0.2, 0.4, 0.8],
    with: (site, lps) => build(site, setField('part', partOf(site, 'filter').id, 'ratedLps', lps)),
    found: 'below',
  },
  {
    check: 'tap-too-strong',
    what: 'pressure that the set holds, kPa',
    at: [200, 300, 400, 500, 600, 800],
    with: (site, kPa) => {
      const held = lifted(site, 'variable-speed')
      const { id } = partOf(held, 'pump')
      return build(held, setField('part', id, 'headM', 90), setField('part', id, 'setKPa', kPa))
    },
    found: 'above',
    // Fixtures in a house stand some five bar.
    between: [300, 700],
  },
]

describe('a figure that grows', () => {
  it.each(TURNINGS)('$check turns once over the $what', ({ check, at, with: made, found, between }) => {
    const says = at.map(value => review(made(sound(), value)).findings.some(each => each.check === check))
    const turns = says.slice(1).flatMap((says_, index) => (says_ === says[index] ? [] : [index + 1]))
    expect(turns, JSON.stringify(says)).toHaveLength(1)
    expect(says.at(-1), JSON.stringify(says)).toBe(found === 'above')
    if (!between) return
    expect(at[turns[0]! - 1]).toBeGreaterThanOrEqual(between[0])
    expect(at[turns[0]!]).toBeLessThanOrEqual(between[1])
  })
})
