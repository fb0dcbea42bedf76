import { afterAll, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../../../tests/brought'
import { demoSite } from '../../../../tests/demoSites'
import { textsOf } from '../../../../tests/paperText'
import { FOREIGN, NEVER, SYSTEMS } from '../../../../tests/plainRules'
import { blank } from '../../../../tests/sites'
import { review } from '../../../../core/review'
import { showQuantity, type System } from '../../../../core/units'
import { solveSum } from '../../../../core/sums'
import { tankNominalL, tanksOf, type Site } from '../../../../core/site'
import type { ChapterId } from './report'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const { CHAPTER_IDS, CHAPTERS, reportOf } = await import('./report')
const { sumsOf } = await import('./sums')

const spoken = (site: Site, units: System): Site => ({ ...site, standards: { ...site.standards, units } })
function report(site: Site, chapters: readonly ChapterId[] = CHAPTER_IDS, found = review(site)): string[] {
  const { units } = site.standards
  const told = {
    site,
    section: undefined,
    on: '1 May 2027',
    plan: 'plan as saved 7 times',
    headlines: [{ name: 'Usable when full', value: '4', note: '' }],
    figures: [{ step: 'Store', figures: [{ name: 'Held', value: '4', note: '' }] }],
    review: found,
    cautions: ['Ask who knows.'],
    show: (value: number, kind: Parameters<typeof showQuantity>[1]) => showQuantity(value, kind, units).text,
    money: (amount: number) => `${Math.round(amount)} coins`,
  }
  return textsOf(reportOf(told, chapters).content)
}
/** What is bought goes by its name in the trade, whoever asks; sums are worked in SI everywhere. */
const TRADE_NAMES = /\d(\.\d+)? mm²?(?!\w)|\d in\b/g
const PLAIN = CHAPTER_IDS.filter(id => id !== 'sums')

describe('the report', () => {
  it.each(SYSTEMS)('says what it has to say in %s and in nothing else', units => {
    for (const name of ['quillfern-ridge', 'cinder-tor'] as const)
      for (const text of report(spoken(demoSite(name), units), PLAIN))
        for (const rule of [...NEVER, FOREIGN[units]]) expect(text.replace(TRADE_NAMES, '')).not.toMatch(rule)
  })
  it('has the chapters that are wanted, in their order, with a head before and the cautions after', () => {
    const wanted = ['gate', 'figures'] as const
    const texts = report(demoSite('brindle-yard'), wanted)
    const at = (words: string) => texts.indexOf(words)
    expect(texts[0]).toBe('Brindle Yard: Report')
    expect(texts[1]).toMatch(/1 May 2027 · plan as saved 7 times · [\d.]+° (north|south), .* above the sea/)
    const { gate, figures } = CHAPTERS
    expect(at(gate.name)).toBeGreaterThan(0)
    expect(at(figures.name)).toBeGreaterThan(at(gate.name))
    for (const id of CHAPTER_IDS) if (!['gate', 'figures'].includes(id)) expect(at(CHAPTERS[id].name), id).toBe(-1)
    for (const words of ['Cautions', 'Ask who knows.', 'Taken for granted', 'Measured by nobody yet', 'signature']) {
      expect(at(words), words).toBeGreaterThan(0)
      expect(at(words), words).toBeLessThan(at(gate.name))
    }
  })
  it('tells every finding that is left open, and every thing that is to be bought, once', () => {
    const site = demoSite('cinder-tor')
    const found = review(site)
    const said = report(site, ['findings'], found)
    expect(said.filter(text => text === 'wrong' || text === 'look again')).toHaveLength(found.findings.length)
    const things = report(site, ['parts']).filter(text => text === '☐')
    expect(things.length).toBeGreaterThan(30)
  })
  it('works every sum of a finding out, with where it comes from', () => {
    const found = review(demoSite('quillfern-ridge'))
    const sums = found.findings.filter(({ sum }) => sum)
    const texts = report(demoSite('quillfern-ridge'), ['sums'], found)
    expect(sums.length === 0 || texts.length > 10).toBe(true)
    for (const text of texts) expect(text).not.toMatch(/NaN|undefined|Infinity/)
  })
  it('works the figures of the plan: every roof, tank, pressure tank and pump has its sums, and each gives an answer', () => {
    for (const name of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'] as const) {
      const site = demoSite(name)
      const all = sumsOf(site)
      for (const { name: sum, input } of all)
        expect(solveSum(sum, input).ok, `${sum} ${JSON.stringify(input)}`).toBe(true)
      const of = (sum: string) => all.filter(each => each.name === sum).map(each => each.of)
      const tanks = site.nodes.filter(({ kind }) => kind === 'tank').map(node => node.name)
      expect(of('tank-volume')).toEqual(tanks)
      expect(of('base-load')).toEqual(tanks)
      expect(of('roof-yield')).toEqual(site.roofs.map(roof => roof.name))
      expect(of('pump-power').length).toBeGreaterThan(0)
    }
    const [volume] = sumsOf(demoSite('quillfern-ridge')).filter(({ name }) => name === 'tank-volume')
    const solved = solveSum(volume!.name, volume!.input)
    expect(solved.ok && solved.result.volumeL).toBeCloseTo(tankNominalL(tanksOf(demoSite('quillfern-ridge'))[0]!), 6)
  })
  it('of a site of nothing says that nothing was found', () => {
    const texts = report(blank())
    expect(texts).toContain('Nothing was found that is wrong, or wants a second look.')
    for (const rule of NEVER) for (const text of texts) expect(text).not.toMatch(rule)
  })
})
