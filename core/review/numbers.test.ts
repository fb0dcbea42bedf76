import { describe, expect, it } from 'vitest'
import { gutter } from '../../tests/soundSite'
import { blank, build, plainTank, put } from '../../tests/sites'
import { review } from './review'
import { phraseText, quantityText, monthNames, boreText, length, percent, say, volume } from '../words'
import { lineFrom, type Site } from '../site'
import { roofYearOf } from '../balance'
import { roofLines, waterLine } from '../network'
import { moveOf, standInClimate } from '../moves'

const finding = (site: Site, check: string) => review(site).findings.find(candidate => candidate.check === check)!
const pair = () =>
  build(plainTank(plainTank(blank(), 'A'), 'B'), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))

describe('the numbers in a finding are those of the site', () => {
  it('litres lost to a low rim', () => {
    // B stands 0.3 m lower and spills at 0.6: A could fill to its own 0.9, so 300 L of its 1 m² are lost.
    const found = finding(build(pair(), moveOf('setHeight', { node: 'tank-2', baseM: -0.3 })), 'rims-differ')
    expect(found.numbers.lostL).toBeCloseTo(300, 6)
    expect(found.numbers.spreadM).toBeCloseTo(0.3, 6)
    expect(found.severity).toBe('wrong')
    expect(phraseText(found.sentence, 'metric')).toContain('300 L')
    expect(phraseText(found.sentence, 'imperial')).toContain('66 imp gal')
  })
  it('litres that a leak can take from two tanks', () => {
    const bare = {
      ...pair(),
      runs: pair().runs.map(run => ({ ...run, parts: run.parts.filter(part => part.kind !== 'valve') })),
    }
    expect(finding(bare, 'link-without-valve').numbers.lostL).toBeCloseTo(1800, 6)
  })
  it('the load on bare soil, with the sum that gives it', () => {
    const site = plainTank(blank(), 'A')
    const found = finding(
      build(site, put(['nodes', site.nodes.findIndex(node => node.id === 'tank-1'), 'base'], 'bare-soil')),
      'bare-soil',
    )
    expect(found.numbers.massKg).toBe(1060)
    expect(found.numbers.pressureKPa).toBeCloseTo((1060 * 9.80665) / 1000, 6)
    expect(found.sum).toEqual({ name: 'base-load', input: { volumeL: 1000, emptyMassKg: 60, contactAreaM2: 1 } })
  })
  it('what a chamber would have to hold', () => {
    const site = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 5, material: 'steel', tank: 'tank-1' }),
    )
    // 50 m² under the light school: the small rains of a wet town would run away through the outlet of a larger one.
    expect(finding(site, 'no-first-flush').numbers.volumeL).toBeCloseTo(20, 9)
    expect(
      finding({ ...site, climate: standInClimate('monsoon-lowland') }, 'no-first-flush').numbers.volumeL,
    ).toBeCloseTo(40, 9)
  })
  it('what a year brings and what is asked of it', () => {
    const site = {
      ...build(
        plainTank(blank(), 'A'),
        moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 5, material: 'steel', tank: 'tank-1' }),
        moveOf('addUse', { preset: 'sheep', count: 60 }),
      ),
      climate: standInClimate('wet-town'),
    }
    const { numbers } = finding(site, 'asks-more-than-comes')
    // 922 mm less 153 wet days of 0.3 mm, 95 % of it, on 50 m²; made-up years come within a few hundredths of that.
    expect(numbers.roofsL! / (50 * (922 - 45.9) * 0.95)).toBeCloseTo(1, 1)
    // Of thirty years, seven are leap years.
    expect(numbers.askedL).toBeCloseTo((60 * 5 * (30 * 365 + 7)) / 30, 6)
    expect(numbers.wellsL).toBe(0)
    // What goes to ground does not come.
    const bypassed = build(site, moveOf('setBypass', { spout: 'spout-1', months: [1, 2, 3, 10, 11, 12] }))
    expect(finding(bypassed, 'asks-more-than-comes').numbers.roofsL).toBeLessThan(0.6 * numbers.roofsL!)
  })
  it('a gutter that spills: what comes, what it carries, from which rain on, and the litres of a mean year', () => {
    const site = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 6, material: 'steel', eavesM: 3, tank: 'tank-1' }),
      gutter({ below: 'unknown' }),
    )
    const found = finding(site, 'gutter-too-small')
    // 60 m² under 60 mm an hour are 1 L/s; a 75 mm half-round carries 0.9 · 2.78e−5 · (π 75²/8)^1.25.
    expect(found.numbers).toMatchObject({
      stormLps: 1,
      gutterLps: expect.closeTo(0.9 * 2.78e-5 * ((Math.PI * 75 ** 2) / 8) ** 1.25, 9),
    })
    expect(found.numbers.spillsAtMmPerH).toBeCloseTo(found.numbers.gutterLps! * 60, 6)
    expect(found.numbers.lostL).toBe(roofYearOf(site).catches[0]!.overGutterL)
    expect(found.sum).toEqual({ name: 'gutter-half-round', input: { widthMm: 75 } })
    const asked = finding(site, 'spill-over-door')
    expect(asked.answers!.map(answer => answer.label)).toEqual(['Nothing that is harmed', 'A door or a footing'])
    expect(finding(build(site, asked.answers![0]!.move), 'spill-over-door')).toBeUndefined()
    expect(finding(build(site, asked.answers![1]!.move), 'spill-over-door').severity).toBe('wrong')
  })
  it('a wet line: the litres that stand in it, the height it has and needs', () => {
    const wet = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 6, material: 'steel', eavesM: 1.2, tank: 'tank-1' }),
      moveOf('dipLine', { spout: 'spout-1', lowM: -0.5 }),
    )
    const narrow = build(wet, moveOf('setBore', { runs: lineFrom(wet, 'spout-1').map(run => run.id), boreMm: 32 }))
    const slow = finding(narrow, 'line-too-slow')
    const [line] = roofLines(narrow)
    expect(slow.numbers).toMatchObject({ haveM: expect.closeTo(0.25, 9), passesMmPerH: line!.passesMmPerH })
    expect(slow.numbers.needM).toBeCloseTo(waterLine(line!, 60).atTopM - 0.95, 9)
    const cold = { ...wet, climate: standInClimate('cold-upland') }
    const frozen = finding(cold, 'wet-line-freezes')
    expect(frozen.numbers).toMatchObject({ months: 5, standingL: roofLines(wet)[0]!.standingL })
    expect(phraseText(frozen.sentence, 'metric')).toContain('November to March')
    expect(finding(build(cold, frozen.mend!.move), 'wet-line-freezes')).toBeUndefined()
  })
  it('a screen head hung too low: the height it leaves, and the height that is enough', () => {
    const site = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 6, material: 'steel', eavesM: 3, tank: 'tank-1' }),
      moveOf('fitScreen', { spout: 'spout-1', type: 'spout' }),
    )
    const narrow = build(site, moveOf('setBore', { runs: [lineFrom(site, 'spout-1')[0]!.id], boreMm: 50 }))
    expect(finding(narrow, 'line-too-slow')).toBeUndefined()
    const hung = build(narrow, moveOf('hangScreen', { spout: 'spout-1', atM: 1 }))
    const slow = finding(hung, 'line-too-slow')
    expect(slow.numbers.haveM).toBeCloseTo(1 - roofLines(hung)[0]!.inletM, 9)
    expect(phraseText(slow.sentence, 'metric')).toContain('the screen head runs over')
    const mended = build(hung, slow.mend!.move)
    expect(finding(mended, 'line-too-slow')).toBeUndefined()
    expect(roofLines(mended)[0]!.topM).toBeLessThan(3)
    const under = build(narrow, moveOf('hangScreen', { spout: 'spout-1', atM: 0.9 }))
    const fed = finding(under, 'fed-from-below')
    expect(phraseText(fed.sentence, 'metric')).toContain('higher than the screen head')
    expect(finding(build(under, fed.mend!.move), 'fed-from-below')).toBeUndefined()
  })
  it('what an outlet wastes in a mean year, and the flush that wastes less', () => {
    const site = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 6, material: 'steel', eavesM: 3, tank: 'tank-1' }),
      moveOf('fitFirstFlush', { spout: 'spout-1', depthMm: 2 }),
    )
    const found = finding(site, 'outlet-wasteful')
    const {
      catches: [caught],
      chambers: [chamber],
    } = roofYearOf(site)
    expect(found.numbers.wastedL).toBe(chamber!.outletL)
    expect(found.numbers.comesL).toBeCloseTo(caught!.runoffL - caught!.overGutterL - caught!.screenedL, 6)
    expect(found.numbers.share).toBeGreaterThan(0.05)
    expect(finding(build(site, found.mend!.move), 'outlet-wasteful')).toBeUndefined()
  })
  it('what a by-pass sends away in the months that fill the tanks', () => {
    const sentAway = (month: number) => ({
      ...build(
        plainTank(blank(), 'A'),
        moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 6, material: 'steel', tank: 'tank-1' }),
        moveOf('addUse', { preset: 'beds', count: 40 }),
        moveOf('setBypass', { spout: 'spout-1', months: [month] }),
      ),
      climate: standInClimate('dry-summer-hill'),
    })
    const site = sentAway(9)
    const { rainMm, wetDays } = site.climate.months[8]!
    // September: its rain less a wetting of 0.3 mm for each wet day, 95 % of it, on 60 m².
    const { lostL, wantedL } = finding(site, 'bypass-in-filling').numbers as Record<'lostL' | 'wantedL', number>
    expect(lostL).toBeCloseTo(60 * (rainMm - 0.3 * wetDays) * 0.95, 6)
    // No more can be wanted than is sent away; and of December's water all would have spilled.
    expect(wantedL).toBeLessThan(lostL * 1.2)
    expect(review(sentAway(12)).findings.find(({ check }) => check === 'bypass-in-filling')).toBeUndefined()
  })
  it('the share of a roof that never reaches a tank', () => {
    const roofed = build(
      plainTank(blank(), 'A'),
      moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 5, material: 'steel', tank: 'tank-1' }),
      moveOf('addSpout', { roof: 'roof-1', tank: 'tank-1' }),
    )
    const cut = build(roofed, moveOf('remove', { id: roofed.runs.find(run => run.from.node === 'spout-2')!.id }))
    expect(finding(cut, 'roof-without-spout').numbers.lostShare).toBeCloseTo(0.5, 9)
  })
})

describe('months in words', () => {
  it.each([
    [[3], 'March'],
    [[3, 4], 'March and April'],
    [[11, 12, 1, 2], 'November to February'],
    [[1, 5, 6, 7], 'January and May to July'],
    [[12, 1], 'December and January'],
    [[1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12], 'every month'],
    [[], 'no month'],
  ])('%j are %s', (months, words) => {
    expect(monthNames(months)).toBe(words)
  })
})

describe('phrases', () => {
  it('are written in the units of whoever reads them', () => {
    const phrase = say`A ${boreText(50)} link ${length(1.6764)} up passes ${percent(0.25)} of ${volume(12500)}, ${3} times.`
    expect(phraseText(phrase, 'metric')).toBe('A 50 mm link 1.68 m up passes 25 % of 12.5 m³, 3 times.')
    expect(phraseText(phrase, 'us')).toBe('A 1.97 in link 5 ft 6 in up passes 25 % of 3302 US gal, 3 times.')
    expect(quantityText(volume(4.546), 'imperial')).toBe('1 imp gal')
  })
})
