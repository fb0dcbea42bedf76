import { afterAll, describe, expect, it, vi } from 'vitest'
import { bringTheApp } from '../../../tests/brought'
import { demoSite } from '../../../tests/demoSites'
import { textsOf } from '../../../tests/paperText'
import { FOREIGN, NEVER, SYSTEMS } from '../../../tests/plainRules'
import { choresOf } from '../../../core/keep'
import { showQuantity, showVolume, type System } from '../../../core/units'
import type { Site } from '../../../core/site'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const { binderOf } = await import('./binder')

const binder = (site: Site, units: System = 'metric'): string[] =>
  textsOf(
    binderOf({
      site: { ...site, standards: { ...site.standards, units } },
      on: '1 May 2027',
      plan: 'plan as saved 7 times',
      section: undefined,
      headlines: [],
      cautions: ['Ask who knows.'],
      today: undefined,
      show: (value, kind) => showQuantity(value, kind, units).text,
      litres: value => showVolume(value, units).text,
    }).content,
  )
const site = demoSite('cinder-tor')
const log: Site['log'] = [
  { id: 'l1', at: '2027-03-04T08:00', kind: 'rain', value: 12 },
  { id: 'l2', at: '2027-03-09T08:00', kind: 'rain', value: 8 },
  { id: 'l3', at: '2027-03-09T08:05', kind: 'level', subject: 'tank-1', value: 0.8 },
  { id: 'l4', at: '2027-02-01T08:00', kind: 'note', note: 'The ditch was dug out.' },
]

describe('the binder', () => {
  it.each(SYSTEMS)('speaks %s and nothing else', units => {
    for (const text of binder({ ...site, log }, units))
      for (const rule of [...NEVER, FOREIGN[units]]) expect(text).not.toMatch(rule)
  })
  it('has every tank, every chore with why, and when it comes', () => {
    const texts = binder(site)
    for (const { name } of site.nodes.filter(node => node.kind === 'tank')) expect(texts).toContain(name)
    for (const { what, why } of choresOf(site)) {
      expect(texts).toContain(what)
      expect(texts).toContain(why)
    }
    const seasons = choresOf(site).filter(({ comes }) => comes.by === 'season')
    expect(seasons.length).toBeGreaterThan(0)
    expect(texts.some(text => /^\d{1,2} [A-Z][a-z]+(, \d{1,2} [A-Z][a-z]+)*$/.test(text))).toBe(true)
  })
  it('tells the log month by month, the first first, and its notes', () => {
    const texts = binder({ ...site, log })
    const march = texts.indexOf('March 2027')
    expect(texts.slice(march, march + 4)).toEqual(['March 2027', '20 mm', '1', '0'])
    expect(texts.indexOf('February 2027')).toBeLessThan(march)
    expect(texts).toContain('2027-02-01: The ditch was dug out.')
  })
  it('of a system that nobody has logged yet says so', () =>
    expect(binder(site)).toEqual(
      expect.arrayContaining(['Nothing was logged yet.', 'Nobody has written the card yet; Try has it.']),
    ))
})
