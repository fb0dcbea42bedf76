import { describe, expect, it } from 'vitest'
import { whyNot } from '../answers'
import { blank, build, joinedBy, plainTank, put, setUp } from '../../tests/sites'
import { review } from './review'
import { phraseText } from '../words'
import { solveSum } from '../sums'
import { tanksOf, type Move, type Site } from '../site'
import { applyMove, moveOf } from '../moves'
import { weatherSeries } from '../climate'
import { outlook, overYears } from '../balance'

const findings = (site: Site, check: string) => review(site).findings.filter(candidate => candidate.check === check)
const finding = (site: Site, check: string) => findings(site, check)[0]!
const nodeField = (site: Site, id: string, field: string, value: unknown): Site =>
  build(site, put(['nodes', site.nodes.findIndex(node => node.id === id), field], value))
const mended = (site: Site, move: Move): Site => {
  const made = applyMove(site, move)
  if (!made.ok) throw new Error(whyNot(made))
  return made.site
}
/** One cubic metre of water on one square metre, 60 kg empty. */
const cube = () => plainTank(blank(), 'A')
const onStand = (liftM: number, stand: object = { posts: 4, footingAreaM2: 0.5, braced: true, widthM: 3 }) =>
  nodeField(
    build(cube(), moveOf('standOn', { tank: 'tank-1', base: 'stand', heightM: liftM })),
    'tank-1',
    'stand',
    stand,
  )

describe('how a tank stands', () => {
  it('a slab on made ground bears it, four small footings do not, and the mend gives them what they want', () => {
    // 1060 kg × 9.80665 m/s² on 1 m² are 10.4 kPa, against 15; a quarter of it on a tenth of a square metre are 26.
    expect(findings(nodeField(cube(), 'tank-1', 'soil', 'fill'), 'base-over-soil')).toEqual([])
    const site = nodeField(
      onStand(0.5, { posts: 4, footingAreaM2: 0.1, braced: true, widthM: 3 }),
      'tank-1',
      'soil',
      'fill',
    )
    const found = finding(site, 'base-over-soil')
    expect(found.numbers.pressureKPa).toBeCloseTo((1060 * 9.80665) / 4 / 0.1 / 1000, 6)
    expect(found.numbers.bearsKPa).toBe(15)
    const after = mended(site, found.mend!.move)
    expect(findings(after, 'base-over-soil')).toEqual([])
    expect(tanksOf(after)[0]!.stand!.footingAreaM2).toBe(0.18)
  })
  it.each([
    [1.5, 3, []],
    [1.51, 3, ['the stand is tall']],
    [1, undefined, []],
    [1.01, undefined, ['it is tall for its width']],
    [1.6, undefined, ['it is tall for its width', 'the stand is tall']],
  ] as const)('a stand of %s m, %s m wide, wants an engineer for: %s', (liftM, widthM, reasons) => {
    const found = findings(
      onStand(liftM, { posts: 4, footingAreaM2: 0.5, braced: true, ...(widthM ? { widthM } : {}) }),
      'stand-for-engineer',
    )
    expect(found.map(each => phraseText(each.sentence, 'metric').split(': ')[1])).toEqual(
      reasons.length ? [`${reasons.join(', and ')}.`] : [],
    )
  })
  it(
    'a low stand may go without bracing, a higher one not; two and a half tonnes want an engineer whatever the ' +
      'height',
    () => {
      const loose = (liftM: number) =>
        findings(onStand(liftM, { posts: 4, footingAreaM2: 0.5, braced: false }), 'stand-unsound').length
      expect([loose(0.6), loose(0.61)]).toEqual([0, 1])
      const heavy = (lengthM: number) =>
        findings(
          build(onStand(0.5), moveOf('resizeTank', { tank: 'tank-1', shape: { lengthM } })),
          'stand-for-engineer',
        ).map(each => each.numbers.massKg)
      expect(heavy(2.38)).toEqual([])
      expect(heavy(2.39)).toEqual([2503])
    },
  )
})

describe('what is fitted in a tank', () => {
  it('a draw-off counts as on the floor below four centimetres, unless it floats', () => {
    const drawn = build(cube(), moveOf('addUse', { preset: 'sheep' }))
    const at = (heightM: number) => build(drawn, moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM }))
    expect(findings(at(0.04), 'drawn-from-floor')).toEqual([])
    expect(finding(at(0.039), 'drawn-from-floor').numbers).toEqual({ heightM: 0.039 })
    expect(
      findings(
        build(at(0), moveOf('floatDrawOff', { tank: 'tank-1', port: 'outlet', hoseM: 0.5 })),
        'drawn-from-floor',
      ),
    ).toEqual([])
  })
  it('a tether longer than three fifths of the tank reaches a float valve, where there is one', () => {
    const floated = build(
      cube(),
      moveOf('addUse', { preset: 'sheep' }),
      moveOf('floatDrawOff', { tank: 'tank-1', port: 'outlet', hoseM: 0.61 }),
    )
    expect(findings(floated, 'intake-fouls')).toEqual([])
    const main = build(floated, moveOf('addSource', { kind: 'main', tank: 'tank-1' }))
    const line = main.runs.findIndex(run => run.from.node === main.nodes.find(node => node.kind === 'main')!.id)
    const valved = main.runs[line]!.parts.some(part => part.kind === 'float')
      ? main
      : build(main, moveOf('fitFloat', { run: main.runs[line]!.id }))
    expect(finding(valved, 'intake-fouls').numbers).toMatchObject({ hoseM: 0.61, acrossM: 1 })
    expect(findings(mended(valved, finding(valved, 'intake-fouls').mend!.move), 'intake-fouls')).toEqual([])
  })
  it('a vent half a millimetre short of the draw-off passes, one short by more is said with both bores', () => {
    const drawn = build(cube(), moveOf('addUse', { preset: 'sheep' }))
    const largestMm = Math.max(
      ...tanksOf(drawn)[0]!
        .ports.filter(port => port.role === 'outlet')
        .map(port => port.boreMm),
    )
    expect(findings(nodeField(drawn, 'tank-1', 'ventMm', largestMm - 0.5), 'vent-too-small')).toEqual([])
    expect(finding(nodeField(drawn, 'tank-1', 'ventMm', largestMm - 1), 'vent-too-small').numbers).toEqual({
      ventMm: largestMm - 1,
      largestMm,
    })
  })
  it('a reserve that a draw-off can reach is said with the litres it leaves', () => {
    const drawn = nodeField(
      build(
        cube(),
        moveOf('addUse', { preset: 'sheep' }),
        moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 0.3 }),
        moveOf('setHeight', { node: 'tap-1', baseM: 0 }),
      ),
      'tank-1',
      'reserveL',
      500,
    )
    expect(finding(drawn, 'reserve-not-kept').numbers).toEqual({ reserveL: 500, keptL: 300 })
    const kept = build(drawn, moveOf('keepReserve', { tank: 'tank-1', litres: 500 }))
    expect(findings(kept, 'reserve-not-kept')).toEqual([])
  })
})

describe('tanks that fill others', () => {
  const pair = (lowM: number) =>
    joinedBy(
      build(plainTank(cube(), 'B'), moveOf('setHeight', { node: 'tank-2', baseM: lowM })),
      ['tank-1', 'outlet'],
      ['tank-2', 'inlet'],
      [],
    )
  it('without a float valve run out, at the heights said', () => {
    expect(finding(pair(-2), 'float-missing').numbers).toEqual({ inM: expect.closeTo(-1.05, 6), outM: 0 })
    expect(findings(mended(pair(-2), finding(pair(-2), 'float-missing').mend!.move), 'float-missing')).toEqual([])
  })
  it('must stand high enough: half may stay behind, more is a finding, all of it a fault', () => {
    // B's inlet stands at 0.95 above its floor, and A fills to 0.9.
    const at = (inM: number) =>
      findings(pair(inM - 0.95), 'feeder-too-low').map(found => [found.severity, Math.round(found.numbers.keptL!)])
    expect([at(0.45), at(0.46), at(0.9)]).toEqual([[], [['look', 460]], [['wrong', 900]]])
  })
})

describe('water from outside', () => {
  it('must begin above what nothing can draw: at it or above is sound, a litre below never comes', () => {
    const well = build(
      cube(),
      moveOf('addUse', { preset: 'sheep' }),
      moveOf('setHeight', { node: 'tap-1', baseM: 0 }),
      moveOf('setPort', { tank: 'tank-1', port: 'outlet', heightM: 0.27 }),
      moveOf('addSource', { kind: 'well', tank: 'tank-1' }),
    )
    // The cube holds 900 L, of which 270 stay below the outlet: three tenths.
    const at = (startShare: number) =>
      findings(build(well, moveOf('setTrigger', { source: 'well-1', startShare })), 'top-up-too-low')
    expect(at(0.3)).toEqual([])
    expect(at(0.299)[0]!.numbers).toEqual({ startL: expect.closeTo(269.1, 6), keptL: expect.closeTo(270, 6) })
    const low = build(well, moveOf('setTrigger', { source: 'well-1', startShare: 0.1 }))
    const brought = (site: Site) => outlook(site, weatherSeries(site)).years.reduce((sum, year) => sum + year.wellL, 0)
    expect(brought(low)).toBeLessThan(1)
    expect(brought(mended(low, finding(low, 'top-up-too-low').mend!.move))).toBeGreaterThan(1000)
  })
})

describe('the plan as a whole', () => {
  const garden = setUp('dry-summer-hill', [{ preset: 'beds', count: 20 }], {
    roof: { name: 'House', lengthM: 8, widthM: 6, material: 'steel' },
    place: { latitudeDeg: 44, altitudeM: 400, frostDepthM: 0.3 },
  })
  it('what is spilled and kept adds up, and one tank more does what is said of it', () => {
    const { numbers, mend } = finding(garden, 'spills-more-than-keeps')
    const { years } = outlook(garden, weatherSeries(garden))
    const mean = (of: (year: (typeof years)[number]) => number) =>
      years.reduce((sum, year) => sum + of(year), 0) / years.length
    expect(numbers.spilledL! + numbers.keptL!).toBeCloseTo(
      mean(year => year.caughtL - year.flushedL),
      -1,
    )
    const more = outlook(mended(garden, mend!.move), weatherSeries(garden)).years
    const shorter = mean(year => year.shortDays) - more.reduce((sum, year) => sum + year.shortDays, 0) / more.length
    expect(Math.abs(shorter / numbers.sparedDays! - 1)).toBeLessThan(0.05)
  })
  it('a tank that nothing leads to is told, and stays empty', () => {
    const idle = build(garden, moveOf('addTank', { kind: 'tote', how: 'alone' }))
    const [found] = findings(idle, 'never-fills')
    expect(phraseText(found!.sentence, 'metric')).toContain('Nothing fills Tank C')
    const { run } = outlook(idle, weatherSeries(idle))
    expect(Math.max(...run.poolL.filter((_, at) => at % run.pools === run.pools - 1))).toBe(0)
    expect(findings(build(idle, moveOf('spillInto', { from: 'tank-1', to: 'tank-3' })), 'never-fills')).toEqual([])
  })
  it('is silent once more tank spares next to nothing', () => {
    const large = build(garden, moveOf('widenTanks', { tanks: ['tank-1', 'tank-2'], share: 12 }))
    expect(findings(large, 'spills-more-than-keeps')).toEqual([])
  })
  it('short days are held to what the person said, to the half day', () => {
    const shortDays = overYears(outlook(garden, weatherSeries(garden)), year => year.uses[0]!.shortDays).middle
    const accept = (days: number) =>
      findings(build(garden, put(['uses', 0, 'acceptShortDays'], days)), 'fails-more-than-accepted').length
    expect([accept(Math.ceil(shortDays)), accept(Math.floor(shortDays - 1))]).toEqual([0, 1])
  })
  it('a drip zone over its flow is the worked sum over its zones', () => {
    const dripped = build(garden, moveOf('fitDrip', { use: 'use-1', mostLph: 60 }))
    const one = build(dripped, put(['uses', 0, 'amount', 'drip', 'zones'], 1))
    const { numbers, sum } = finding(one, 'zone-over-flow')
    const solved = solveSum(sum!.name, sum!.input)
    expect(solved.ok && solved.result.flowLph).toBeCloseTo(numbers.zoneLph!, 6)
  })
})
