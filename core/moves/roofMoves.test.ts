import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { blank, build, plainTank, put, refusal } from '../../tests/sites'
import { moveOf } from './registry'
import { standInClimate } from './newSite'
import { downpipeFlow, stormFlow } from '../sums'
import {
  designStorm,
  fiveYearBurstMmPerH,
  weatherMonths,
  type Climate,
  type Gutter,
  type Roof,
  type Site,
  captureShare,
  roofAreaM2,
  roofCautions,
  roofLosses,
  planRectangles,
  planSlips,
  nodeById,
  downpipeFor,
  gutterFlowLps,
  gutterFor,
  gutterSum,
  stormLps,
  flushSchoolFor,
  usualFlushMm,
} from '../site'
import { DOWNPIPE_BORES_MM, GUARDS, GUTTER_SIZES, ROOF_EXTRA_IDS, ROOFING_IDS, SCREENS } from '../catalog'

const barn = (eavesM = 3) =>
  build(
    plainTank(blank(), 'A'),
    moveOf('addRoof', { name: 'Barn', lengthM: 8, widthM: 5, material: 'steel', eavesM, tank: 'tank-1' }),
  )
const roof = (pieces: Roof['pieces'], rest: Partial<Roof> = {}): Roof => ({
  id: 'r',
  name: 'R',
  material: 'steel',
  pitchDeg: 20,
  spouts: [],
  pieces,
  ...rest,
})

describe('gutters and downpipes from the shelf', () => {
  it('the smallest that carries the flow is taken, and no smaller one would', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.01, max: 40, noNaN: true }), flowLps => {
        const chosen = gutterFor(flowLps)
        const smaller = GUTTER_SIZES.slice(
          0,
          GUTTER_SIZES.findIndex(size => size.widthMm === chosen.widthMm && size.profile === chosen.profile),
        )
        expect(gutterFlowLps(chosen)).toBeGreaterThanOrEqual(flowLps)
        for (const size of smaller) expect(gutterFlowLps({ ...chosen, ...size })).toBeLessThan(flowLps)
        const bore = downpipeFor(flowLps)
        expect(downpipeFlow({ innerDiameterMm: bore }).flowLps).toBeGreaterThanOrEqual(flowLps)
      }),
    )
    expect(downpipeFor(1e6)).toBe(DOWNPIPE_BORES_MM.at(-1))
    expect(gutterFor(1e6)).toMatchObject(GUTTER_SIZES.at(-1)!)
  })
  it('keep what was said of their guard, their outlet and what lies below', () => {
    const like: Gutter = {
      profile: 'half-round',
      widthMm: 75,
      depthMm: 38,
      slope: 0,
      outletAt: 'middle',
      guard: 'brush',
      below: 'door',
    }
    expect(gutterFor(2, like)).toMatchObject({ outletAt: 'middle', guard: 'brush', below: 'door' })
    expect(gutterFlowLps(gutterFor(2, like))).toBeLessThan(gutterFlowLps(gutterFor(4.2, like)))
  })
  it('name the worked sum behind them; a box laid level drains as if by half a millimetre a metre', () => {
    expect(gutterSum({ profile: 'half-round', widthMm: 100, depthMm: 50, slope: 0 })).toMatchObject({
      name: 'gutter-half-round',
      input: { widthMm: 100 },
    })
    expect(gutterSum({ profile: 'box', widthMm: 125, depthMm: 75, slope: 0 })).toMatchObject({
      name: 'gutter-sloped',
      input: { slope: 0.0005 },
    })
  })
  it('a new roof has both, sized for the storm of its climate', () => {
    for (const climate of ['cold-upland', 'equatorial-forest'] as const) {
      const site = build(
        { ...plainTank(blank(), 'A'), climate: standInClimate(climate) },
        moveOf('addRoof', { name: 'Hall', lengthM: 16, widthM: 9, material: 'steel', tank: 'tank-1' }),
      )
      const spout = nodeById(site, 'spout-1')
      const comes = stormLps(site, 144)
      expect(gutterFlowLps(site.roofs[0]!.spouts[0]!.gutter!)).toBeGreaterThanOrEqual(comes)
      expect(spout.kind === 'spout' && downpipeFlow({ innerDiameterMm: spout.boreMm }).flowLps).toBeGreaterThanOrEqual(
        comes,
      )
    }
  })
})

describe('the design storm', () => {
  const with_ = (climate: Partial<Climate>): Site => ({ ...blank(), climate: { ...blank().climate, ...climate } })
  it('is typed, or follows from how rare it may be, with the sum that gives it', () => {
    expect(designStorm(with_({ storm: { intensityMmPerH: 90, minutes: 5 } }))).toEqual({
      intensityMmPerH: 90,
      minutes: 5,
    })
    const rare = designStorm(
      with_({ storm: { returnYears: 50, minutes: 5 }, burst: { fiveYearMmPerH: 60, returnExponent: 0.2 } }),
    )!
    expect(rare.intensityMmPerH).toBeCloseTo(60 * 10 ** 0.2, 6)
    expect(rare.sum).toMatchObject({ name: 'storm-intensity', input: { fiveYearMmPerH: 60, returnYears: 50 } })
  })
  it('is unknown where neither is there, and gutters are then sized by the usual one', () => {
    const none = with_({ storm: { minutes: 5 }, burst: undefined })
    expect(designStorm(none)).toBeUndefined()
    expect(designStorm(with_({ storm: { returnYears: 10, minutes: 5 }, burst: undefined }))).toBeUndefined()
    expect(fiveYearBurstMmPerH(none)).toBeUndefined()
    expect(stormLps(none, 48)).toBeCloseTo(stormFlow({ planAreaM2: 48, intensityMmPerH: 75 }).flowLps, 9)
  })
  it('falls harder where a shift puts the rain on fewer days', () => {
    const shift = { rainShare: 1, summerShare: 1, fewerDaysShare: 0.2 }
    expect(designStorm(with_({ storm: { intensityMmPerH: 80, minutes: 5 }, shift }))!.intensityMmPerH).toBeCloseTo(
      100,
      9,
    )
    expect(weatherMonths(with_({ shift }))[0]).toMatchObject({ rainMm: 88, wetDays: 12 })
  })
})

describe('the plan of a roof', () => {
  it('lays pieces where they are, the others in a row beside them, copies side by side', () => {
    const laid = planRectangles(
      roof([
        { id: 'low', lengthM: 4, widthM: 3, count: 2 },
        { id: 'high', lengthM: 9, widthM: 8, count: 1, xM: 1, yM: 2 },
      ]),
    )
    expect(laid).toEqual([
      { piece: 'high', copy: 0, xM: 1, yM: 2, lengthM: 9, widthM: 8, cut: false },
      { piece: 'low', copy: 0, xM: 10.5, yM: 0, lengthM: 4, widthM: 3, cut: false },
      { piece: 'low', copy: 1, xM: 15, yM: 0, lengthM: 4, widthM: 3, cut: false },
    ])
  })
  it('knows what lies double and what a cut takes that is not there', () => {
    const at = (xM: number, yM: number, cut = false) => ({
      id: `at-${xM}-${yM}`,
      lengthM: 4,
      widthM: 2,
      count: 1,
      xM,
      yM,
      cut,
    })
    expect(planSlips(roof([at(0, 0), at(3, 1)]))).toEqual({ twiceM2: 1, strayCutM2: 0 })
    expect(planSlips(roof([at(0, 0), at(4, 0), at(3, 0, true)]))).toEqual({ twiceM2: 0, strayCutM2: 0 })
    expect(planSlips(roof([at(0, 0), at(2, 1, true)]))).toEqual({ twiceM2: 0, strayCutM2: 6 })
  })
  it('its area is what counts by the chosen measure, the others kept', () => {
    const measured = build(barn(), moveOf('measureRoof', { roof: 'roof-1', by: 'area' }))
    expect(measured.roofs[0]).toMatchObject({ measuredBy: 'area', areaM2: 40 })
    const typed = build(measured, put(['roofs', 0, 'areaM2'], 55))
    expect(roofAreaM2(typed.roofs[0]!)).toBe(55)
    expect(roofAreaM2(build(typed, moveOf('measureRoof', { roof: 'roof-1', by: 'pieces' })).roofs[0]!)).toBe(40)
    expect(refusal(typed, moveOf('measureRoof', { roof: 'roof-1', by: 'outline' }))).toContain('no outline yet')
  })
})

describe('what a roof loses, and what spoils it', () => {
  it('by three schools: a flat half, the material, the event; a measured figure beats the material', () => {
    const measured = roof([], { material: 'clay-tile', runoffCoefficient: 0.7 })
    expect(roofLosses(measured, 'flat')).toEqual({ runoffCoefficient: 0.5, wettingLossMm: 0 })
    expect(roofLosses(measured, 'coefficient')).toEqual({ runoffCoefficient: 0.7, wettingLossMm: 0 })
    expect(roofLosses(measured)).toEqual({ runoffCoefficient: 0.7, wettingLossMm: 0.8 })
  })
  it('guards and screens each take their share', () => {
    const gutter = gutterFor(1)
    expect(captureShare(undefined, [])).toBe(1)
    expect(
      captureShare({ ...gutter, guard: 'fine-mesh' }, [
        { id: 'head', kind: 'screen', meshMm: 1, type: 'spout' },
        { id: 'basket', kind: 'screen', meshMm: 3 },
      ]),
    ).toBeCloseTo((1 - GUARDS['fine-mesh'].lossShare) * (1 - SCREENS.spout.lossShare), 12)
  })
  it('every doubtful material and burden is said for what it spoils, and for nothing else', () => {
    for (const material of ROOFING_IDS)
      for (const quality of ['garden', 'washing', 'animals', 'drinking'] as const)
        for (const caution of roofCautions(roof([], { material }), quality)) expect(caution).toMatch(/^it is .+: .+/)
    expect(roofCautions(roof([]), 'drinking')).toEqual([])
    expect(roofCautions(roof([], { extras: [...ROOF_EXTRA_IDS] }), 'drinking')).toHaveLength(3)
    expect(roofCautions(roof([], { extras: ['lead'] }), 'garden')).toEqual([])
  })
  it('dirt and long dry spells ask for more flush; small wet days bear only a light one', () => {
    const dirty = (dirtiness: Roof['dirtiness']) => roof([], { dirtiness })
    expect([
      flushSchoolFor([dirty('open')], 10),
      flushSchoolFor([dirty('open')], 40),
      flushSchoolFor([dirty('some')], 10),
      flushSchoolFor([dirty('birds'), dirty('open')], 10),
    ]).toEqual(['light', 'middle', 'middle', 'heavy'])
    expect([usualFlushMm(blank()), usualFlushMm({ ...blank(), climate: standInClimate('monsoon-lowland') })]).toEqual([
      0.4, 0.8,
    ])
  })
})
