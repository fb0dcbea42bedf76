import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { By, openBrowser, type Page } from './page'

let page: Page
const FIVE_MINUTES_MS = 300_000
beforeAll(async () => {
  page = await openBrowser()
  await page.go('/')
  // Until the Yard stands the disk is being set up; a page that is left meanwhile may keep it from the next.
  await page.css('.card')
})
afterAll(() => page?.quit())

const site = () => page.driver.getCurrentUrl().then(url => /site\/([\w-]+)/.exec(url)![1]!)
async function step(name: string): Promise<void> {
  const id = await site()
  await page.saved()
  await page.go(`/site/${id}/${name}`)
  await page.css('.section svg')
  await page.answered()
}
const subjects = () =>
  page.driver.executeScript<string[]>(
    'return [...document.querySelectorAll(".index [data-subject]")].map(each => each.dataset.subject)',
  )

describe('a barrel at each of three corners, stepped to a drum in the cellar', () => {
  const started = Date.now()

  it('begins as a garden under one roof; its two totes are parted and become barrels', async () => {
    await page.go('/new')
    await page.type('Name of the site', 'Three corners', '')
    await page.press('Set it up')
    await page.css('.section svg')
    await page.answered()
    await page.subject('tank-1')
    await page.press('Take this join out')
    await page.until(subjects, ids => ids.includes('tank-2'), 'the tanks stand apart')
    for (const tank of ['tank-1', 'tank-2']) {
      await page.subject(tank)
      await page.choose('Kind of this tank', 'drum')
    }
    await page.subject('tank-2')
    await page.press('Fit an overflow')
  })
  it('gets a third barrel, and a spout for each, led to its own', async () => {
    await page.subject('another')
    await page.choose('Kind of tank', 'drum')
    await page.press('Stand it alone')
    await step('catch')
    await page.press('Add a spout')
    await page.press('Add a spout')
    await step('clean')
    await page.choose('Where Main roof spout 2 leads', 'Tank B')
    await page.choose('Where Main roof spout 3 leads', 'Tank C')
    await page.answered()
    expect(await page.findings()).not.toContain('never-fills')
  })
  it('is stepped to a drum whose floor lies in the cellar, through a float valve from each', async () => {
    await step('store')
    await page.subject('another')
    await page.choose('Kind of tank', 'drum')
    await page.choose('Which tank', 'Tank A')
    await page.press('Step it down')
    await page.until(subjects, ids => ids.includes('tank-4'), 'the drum stands')
    await page.subject('tank-4')
    await page.type('Height of the ground', '-2 m')
    await page.type('Height of the floor', '-1.9 m')
    await page.type('Name of the tank', 'Cellar drum')
    for (const corner of ['Tank B', 'Tank C']) {
      await page.subject('another')
      await page.choose('Which tank', corner)
      await page.choose('Second tank', 'Cellar drum')
      await page.click(page.driver.findElement(By.xpath('//button[contains(., "through a float valve")]')))
    }
    await page.subject('tank-4')
    const joined = await page.until(
      () => page.text('.joins'),
      text => ['Tank A', 'Tank B', 'Tank C'].every(name => text.includes(`filled from ${name} through a float valve`)),
      'all three fill it',
    )
    expect(joined).toContain('can be drawn')
  })
  it('and is told where its cellar would flood, with the sump that mends it', async () => {
    const card = await page.until(
      () => page.text('.finding[data-check="outfall-in-the-ground"], .finding[data-check="overflow-cannot-run"]'),
      text => /sump/.test(text),
      'the cellar is told of',
    )
    expect(card).toMatch(/below the ground|cannot run/)
    await page.press('sump and a pump')
    await page.until(
      () => page.findings(),
      checks => !checks.includes('outfall-in-the-ground') && !checks.includes('overflow-cannot-run'),
      'the sump mends it',
    )
    expect(await page.errors()).toEqual([])
    expect(Date.now() - started).toBeLessThan(FIVE_MINUTES_MS)
  })
})
