import { describe, expect, it } from 'vitest'
import { review } from '../review'
import { phraseText } from '../../words'
import { casingOf, momentWith } from '../../network'
import { suctionLift } from '../../sums'
import { moveOf, setField } from '../../moves'
import { blank, build, plainTank } from '../../../tests/sites'
import { jointAt, mainAt, pipe, tankAt, tapAt, wellAt, worksOf } from '../../../tests/waterworks'
import { feedsOf, type Site } from '../../site'
import type { NewPart, NodeOf } from '../../kinds'

const found = (site: Site, check: string) => review(site).findings.filter(finding => finding.check === check)
const pump = (told: object): NewPart => ({ kind: 'pump', pump: 'jet', flowLps: 0.5, headM: 30, ...told }) as NewPart
const check: NewPart = { kind: 'check', boreMm: 25 }

describe('what is found of lifting says the network’s own figures', () => {
  it('a weak tap: what it gives alone once the tank is low, and what it is made for', () => {
    const site = worksOf({
      nodes: [tankAt('a', 0), tapAt('t', 1.5)],
      runs: [['r', 'a', 't', [pump({ headM: 4, flowLps: 0.1 }), check, pipe(40, 12)]]],
    })
    const [weak] = found(site, 'tap-weak')
    const given = momentWith(site, ['t'], 'low').taps.t!
    expect(weak!.numbers).toMatchObject({ flowLps: given.flowLps, pressureKPa: given.pressureKPa, wantedLps: 0.15 })
  })
  it('suction: the sum’s limit at this altitude, less the lift that there is', () => {
    const at = (altitudeM: number) => {
      const site = worksOf({
        nodes: [wellAt('w', 7), jointAt('j', 1), tapAt('t', 1)],
        runs: [
          ['r', 'w', 'j', [check, pipe(9, 32), pump({ flowLps: 0.4 })]],
          ['s', 'j', 't', [pipe(5)]],
        ],
      })
      return found({ ...site, place: { ...site.place, altitudeM } }, 'suction-too-high')[0]
    }
    expect(at(0)).toBeUndefined()
    const high = at(1500)!
    const { maxLiftM } = suctionLift(high.sum!.input as never)
    expect(high.severity).toBe('wrong')
    expect(high.numbers.maxLiftM).toBeCloseTo(maxLiftM, 3)
    expect(high.numbers.spareM).toBeCloseTo(maxLiftM - 7, 3)
    expect(phraseText(high.sentence, 'metric')).toMatch(/cannot draw: its water stands 7 m below it/)
    expect(phraseText(high.why, 'metric')).toMatch(/At 1500 m of altitude/)
  })
  it('a well drawn past its pump: by its capacity, in a dry season', () => {
    const site = (dryFallM: number) =>
      worksOf({
        nodes: [wellAt('w', 20, { specificCapacityLpsPerM: 0.1, dryFallM }), tapAt('t', 1)],
        runs: [['r', 'w', 't', [pump({ pump: 'submersible', dryGuard: true }), check, pipe(30)]]],
      })
    expect(found(site(0), 'pump-runs-dry')).toEqual([])
    // 20 m at rest, 4 m lower when it is dry, 5 m for 0.5 L/s: 29 of 30 m.
    expect(found(site(4), 'pump-runs-dry')[0]!.numbers).toMatchObject({ drawnM: 29, depthM: 30 })
  })
  it('a pump too weak for a lift of 15 m: one press buys the head that the line asks for, and it lifts', () => {
    const weak = worksOf({
      nodes: [tankAt('a', 0), tankAt('b', 15)],
      runs: [['r', 'a', 'b.in', [pump({ headM: 6, flowLps: 0.3 }), check, pipe(30)]]],
    })
    const [finding] = found(weak, 'pump-off-its-curve')
    expect(finding!.severity).toBe('wrong')
    expect(finding!.numbers.askedM).toBeGreaterThan(15)
    expect(finding!.numbers.headM).toBe(Math.ceil(finding!.numbers.askedM!))
    const mended = build(weak, finding!.mend!.move)
    expect(found(mended, 'pump-off-its-curve')).toEqual([])
    const { flowLps } = momentWith(mended, [], 'low').runs.r!
    expect(flowLps).toBeGreaterThan(0.25)
  })
  it('a pump that a stronger main holds shut, or that brings next to nothing, is no pump too weak', () => {
    const beside = worksOf({
      nodes: [tankAt('a', 0), mainAt('m', 0, 400), jointAt('j', 0), tapAt('t', 1)],
      runs: [
        ['r', 'a', 'j', [pump({ headM: 12 }), check, pipe(5)]],
        ['s', 'm', 'j', [check, pipe(5)]],
        ['u', 'j', 't', [pipe(5)]],
      ],
    })
    expect(momentWith(beside, ['t'], 'low').runs.r!.flowLps).toBe(0)
    expect(found(beside, 'pump-off-its-curve')).toEqual([])
  })
  it('a pump that outruns its well: after how long, and no longer once a guard stops it; a dry well is a dry well', () => {
    const site = (told: object, well: object) =>
      worksOf({
        nodes: [wellAt('w', 20, well), tapAt('t', 1)],
        runs: [['r', 'w', 't', [pump({ pump: 'submersible', ...told }), check, pipe(30)]]],
      })
    const [outrun] = found(site({}, { yieldLPerDay: 600 }), 'pump-runs-dry')
    const { storedL, comesLps } = casingOf(wellAt('w', 20, { yieldLPerDay: 600 }) as NodeOf<'well'>)
    expect(outrun!.severity).toBe('wrong')
    expect(outrun!.numbers.minutes).toBeCloseTo(storedL / (0.5 - comesLps) / 60, 9)
    expect(phraseText(outrun!.sentence, 'metric')).toMatch(
      /outruns .*25 L an hour come in, and draws air after 3 minutes/,
    )
    expect(found(site({ dryGuard: true }, { yieldLPerDay: 600 }), 'pump-runs-dry')).toEqual([])
    const [dry] = found(site({}, { dryFallM: 9 }), 'pump-runs-dry')
    expect(phraseText(dry!.sentence, 'metric')).toMatch(/is dry at the end of a dry season: its water stands 29 m down/)
    expect(dry!.mend).toBeUndefined()
    expect(found(site({}, { dryFallM: 9 }), 'pump-off-its-curve')).toEqual([])
  })
  it('starts: at worst the flow over four times what the tank gives', () => {
    const start = build(plainTank(blank(), 'Tank'), moveOf('addUse', { preset: 'kitchen', count: 4 }))
    const run = feedsOf(start)[0]!.trunk[0]!.id
    const site = build(
      start,
      moveOf('liftBy', { run, by: 'jet', hold: 'pressure-tank' }),
      setField('node', 'pressure-tank-1', 'volumeL', 12),
    )
    const [often] = found(site, 'starts-too-often')
    const { worstPerHour, runS } = often!.numbers as { worstPerHour: number; runS: number }
    expect(worstPerHour).toBeCloseTo(3600 / (4 * runS), 6)
    expect(worstPerHour).toBeGreaterThan(20)
  })
  it('air in a line: how far its pressure falls below the air’s, there', () => {
    const site = worksOf({ nodes: [tankAt('a', 5), tapAt('t', 1)], runs: [['r', 'a', 't', [pipe(40)]]] })
    const humped = build(site, moveOf('shapeRun', { run: 'r', places: [{ alongM: 20, heightM: 9 }] }))
    const [air] = found(humped, 'air-in-line')
    expect(air!.subject).toMatchObject({ kind: 'run', id: 'r' })
    expect(air!.numbers.pressureKPa).toBeLessThan(-20)
    expect(air!.numbers.pressureKPa).toBeGreaterThan(-50)
  })
})
