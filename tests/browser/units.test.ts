import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { FOREIGN, NEVER, SYSTEMS } from '../plainRules'
import { arbitrarySite } from '../sites'
import { openBrowser, type Page } from './page'
import { writeSite } from '../../core/site'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page?.quit())

/** Runs of a text that break a rule, with what stands around them. */
const breaches = (text: string, rule: RegExp) =>
  [...text.matchAll(new RegExp(rule.source, 'g'))].map(
    ({ index }) => `…${text.slice(Math.max(0, index - 50), index + 30)}…`,
  )
/** Sites with several tanks, roofs and uses, each walked in its own system. */
const SEEDS = { metric: 4, us: 3, imperial: 15 }
const STEPS = ['need', 'catch', 'clean', 'store', 'lift', 'reach', 'try', 'build', 'keep']
/** What is bought goes by its name in the trade, and that is in millimetres or inches, whoever asks. */
const TRADE_NAMES = /\d(\.\d+)? mm²?(?!\w)|\d in\b/g
const spoken = (step: string, text: string) => (step === 'build' ? text.replace(TRADE_NAMES, '') : text)

describe('every step of a site', () => {
  it('of a demo site speaks US units and nothing else', async () => {
    // A demo site opens by its address, before anybody has seen the Yard.
    await page.go('/site/cinder-tor/need')
    await page.css('.section svg')
    await page.choose('Units', 'US units')
    await page.saved()
    const found: string[] = []
    for (const step of STEPS)
      for (const { subject, text } of await page.told('cinder-tor', step))
        found.push(...breaches(spoken(step, text), FOREIGN.us).map(breach => `${step}/${subject}: ${breach}`))
    expect(found).toEqual([])
    expect(await page.errors()).toEqual([])
  })
  it.each(SYSTEMS)('of a site that moves have made at random says nothing false in %s', async units => {
    const [made] = fc.sample(arbitrarySite, { numRuns: 1, seed: SEEDS[units] })
    const site = { ...made!, id: `random-${units}`, standards: { ...made!.standards, units } }
    await page.go('/')
    await page.css('a[href^="/site/"]')
    await page.upload('.yard input[type=file]', 'random.json', writeSite(site))
    await page.css('.section svg')
    await page.saved()
    const found: string[] = []
    for (const step of STEPS)
      for (const { subject, text } of await page.told(site.id, step))
        for (const rule of [...NEVER, FOREIGN[units]])
          found.push(...breaches(spoken(step, text), rule).map(breach => `${step}/${subject}: ${breach}`))
    expect(found).toEqual([])
    expect(await page.errors()).toEqual([])
  })
})

describe('an address of no page', () => {
  it('is answered with 404: a page in the browser, JSON under /api', async () => {
    const page404 = await fetch(`${page.address}/nowhere`)
    expect(page404.status).toBe(404)
    const api = await fetch(`${page.address}/api/nowhere`)
    expect(api.status).toBe(404)
    expect(await api.json()).toMatchObject({ error: [{ sentence: expect.stringContaining('/api/nowhere') }] })
    expect((await fetch(`${page.address}/site/cinder-tor/store`)).status).toBe(200)
    await page.go('/nowhere')
    await page.until(
      () => page.text('h1'),
      text => text === 'There is no such page',
      'the page says that it is none',
    )
    await page.press('To the Yard')
    await page.css('a[href^="/site/"]')
  })
})
