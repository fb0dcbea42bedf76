import { describe, expect, it } from 'vitest'
import { blank, build, plainTank } from '../../tests/sites'
import { moveOf, standInClimate, type Site } from '../site'
import { phraseText, quantityText, review } from '.'
import { bore, length, percent, say, volume } from './phrase'

const finding = (site: Site, check: string) => review(site).findings.find(candidate => candidate.check === check)!
const pair = () => build(plainTank(plainTank(blank(), 'A'), 'B'), moveOf('linkAtBottom', { a: 'tank-1', b: 'tank-2', boreMm: 50 }))

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
    const bare = { ...pair(), runs: pair().runs.map(run => ({ ...run, parts: run.parts.filter(part => part.kind !== 'valve') })) }
    expect(finding(bare, 'link-without-valve').numbers.lostL).toBeCloseTo(1800, 6)
  })
  it('the load on bare soil, with the sum that gives it', () => {
    const site = plainTank(blank(), 'A')
    const found = finding(build(site, moveOf('change', { path: ['nodes', site.nodes.findIndex(node => node.id === 'tank-1'), 'base'], value: 'bare-soil' })), 'bare-soil')
    expect(found.numbers.massKg).toBe(1060)
    expect(found.numbers.pressureKPa).toBeCloseTo(1060 * 9.80665 / 1000, 6)
    expect(found.sum).toEqual({ name: 'base-load', input: { volumeL: 1000, emptyMassKg: 60, contactAreaM2: 1 } })
  })
  it('what a chamber would have to hold', () => {
    const site = build(plainTank(blank(), 'A'), moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 5, material: 'steel', tank: 'tank-1' }))
    // 50 m² under the light school: the small rains of a wet town would run away through the outlet of a larger one.
    expect(finding(site, 'no-first-flush').numbers.volumeL).toBeCloseTo(20, 9)
    expect(finding({ ...site, climate: standInClimate('monsoon-lowland') }, 'no-first-flush').numbers.volumeL).toBeCloseTo(40, 9)
  })
  it('what a year brings and what is asked of it', () => {
    const site = { ...build(plainTank(blank(), 'A'), moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 5, material: 'steel', tank: 'tank-1' }), moveOf('addUse', { preset: 'sheep', count: 60 })), climate: standInClimate('wet-town') }
    const { numbers } = finding(site, 'asks-more-than-comes')
    // 922 mm less 153 wet days of 0.3 mm, 95 % of it, on 50 m².
    expect(numbers.roofsL).toBeCloseTo(50 * (922 - 45.9) * 0.95, 3)
    expect(numbers.askedL).toBeCloseTo(60 * 5 * 365, 6)
    expect(numbers.wellsL).toBe(0)
  })
  it('the share of a roof that never reaches a tank', () => {
    const roofed = build(plainTank(blank(), 'A'), moveOf('addRoof', { name: 'R', lengthM: 10, widthM: 5, material: 'steel', tank: 'tank-1' }), moveOf('addSpout', { roof: 'roof-1', tank: 'tank-1' }))
    const cut = build(roofed, moveOf('remove', { id: roofed.runs.find(run => run.from.node === 'spout-2')!.id }))
    expect(finding(cut, 'roof-without-spout').numbers.lostShare).toBeCloseTo(0.5, 9)
  })
})

describe('phrases', () => {
  it('are written in the units of whoever reads them', () => {
    const phrase = say`A ${bore(50)} link ${length(1.6764)} up passes ${percent(0.25)} of ${volume(12500)}, ${3} times.`
    expect(phraseText(phrase, 'metric')).toBe('A 50 mm link 1.68 m up passes 25 % of 12.5 m³, 3 times.')
    expect(phraseText(phrase, 'us')).toBe('A 1.969 in link 5 ft 6 in up passes 25 % of 3302 US gal, 3 times.')
    expect(quantityText(volume(4.546), 'imperial')).toBe('1 imp gal')
  })
})
