import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'
import { writeSite } from '../../core/site'
import { demoSite } from '../demoSites'

/** What tells readings by itself: put up, asked, failing and well again; and a log that two pages write at once. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())
const lines = () => page.text('[data-subject="log"]').then(text => Number(text.replace(/\D/g, '')))
const row = () => page.text('[data-device]')
const WELL = 'works'
const does = (what: string) => page.choose('How the device does', what)

describe('a level sensor', () => {
  it('is put up, and what it tells stands in the log under its name', async () => {
    await page.openDemo('quillfern-ridge', 'keep')
    const before = await lines()
    await page.subject('devices')
    await page.click(page.css('[data-add-device]'))
    await page.until(row, text => /told [\d.]+ m (today|yesterday)/.test(text), 'it has told')
    await page.until(lines, count => count > before + 200, 'sixty days of it are in the log')
    await page.subject('log')
    await page.choose('What is shown of the log', 'what was written by hand')
    await page.until(
      () => page.text('[data-notes="log"]'),
      text => !text.includes('by the level sensor'),
      'by hand alone',
    )
    await page.choose('What is shown of the log', 'everything')
    expect(await page.text('[data-line]')).toMatch(/level/)
    expect(await page.text('[data-notes="log"]')).toMatch(/by the level sensor/)
  })
  it('that does not answer, or answers nonsense, is told where it stands; then it is well again', async () => {
    await page.subject('devices')
    await does('does not answer')
    await page.until(row, text => /The device does not answer/.test(text), 'it is told')
    await does('answers nonsense')
    await page.until(row, text => /no answer of a device/.test(text), 'that is no answer')
    await does(WELL)
    await page.until(row, text => !/no answer|does not answer\./.test(text), 'it is well')
    expect((await page.all('[data-device] [role="alert"]')).length).toBe(0)
  })
  it('that has a wrong clock is put right by it', async () => {
    await does('has a wrong clock')
    await page.until(row, text => /clock is 3 days behind/.test(text), 'it is told')
    await does(WELL)
    await page.until(row, text => !/clock is/.test(text), 'its clock is right')
  })
  it('that is stuck from the beginning is not believed; taken out, what it told stays', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('devices')
    const before = await lines()
    await page.driver.executeAsyncScript(
      `const done = arguments[0];
      fetch('/api/devices/level', { method: 'POST', headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ failure: 'stuck' }) }).then(done, done)`,
    )
    await page.click(page.css('[data-add-device]'))
    await page.until(lines, count => count > before + 200, 'it has told')
    await page.subject('log')
    await page.until(
      () => page.text('[data-notes="log"]'),
      text => /not believed: the device tells the same over and over/.test(text),
      'it is doubted',
    )
    await page.subject('devices')
    await does(WELL)
    const told = await lines()
    await page.click(page.css('[aria-label="Take level sensor out"]'))
    await page.until(
      () => page.all('[data-device]'),
      rows => rows.length === 0,
      'it is gone',
    )
    expect(await lines()).toBe(told)
  })
})

describe('a forecast', () => {
  it('promises rain, with which the days to come reckon', async () => {
    await page.openDemo('cinder-tor', 'keep')
    await page.subject('devices')
    await page.choose('Kind of device', 'weather forecast')
    await page.click(page.css('[data-add-device]'))
    await page.until(row, text => /promises rain for 10 days/.test(text), 'it promises')
    await page.subject('today')
    await page.until(
      () => page.text('[data-run-out]'),
      text => /forecast of the next 10 days/.test(text),
      'it is reckoned with',
    )
  })
})

describe('any reading', () => {
  /** The smallest picture there is: one point. */
  const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg=='
  it('is logged at its place, with a photo that stays with it and can leave with the site', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('log')
    const before = await lines()
    await page.click(page.css('[data-quick-of="other"]'))
    await page.choose('What is logged', 'pressure')
    const field = await page.css('[aria-label="Log: pressure"]')
    await field.sendKeys('a lot')
    await page.click(page.css('[data-take]'))
    expect(await page.text('[data-quick] [role="alert"]')).toMatch(/\S/)
    await field.clear()
    await field.sendKeys('2.8 bar')
    await page.upload('[data-quick] input[type=file]', 'gauge.png', new Uint8Array(Buffer.from(PNG, 'base64')))
    await page.click(page.css('[data-take]'))
    await page.until(lines, count => count === before + 1, 'it is in the log')
    await page.until(
      () => page.all('[data-line] .photos img'),
      pictures => pictures.length === 1,
      'its photo stands in its line',
    )
    await page.press('Files')
    await page.until(
      () => page.all('.el-dropdown-menu__item'),
      items => items.length > 3,
      'the menu is open',
    )
    const items = await Promise.all((await page.all('.el-dropdown-menu__item')).map(item => item.getText()))
    expect(items.join()).toMatch(/Save it with its 1 photo, /)
  })
})

describe('a drought stage', () => {
  it('is said once: what is reckoned goes by it, and it is ended', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('drought')
    await page.press('No garden water')
    await page.until(
      () => page.text('[data-stage]'),
      text => /in force/.test(text),
      'it is in force',
    )
    await page.type('What Planters is given of what it asks', '20 %')
    await page.subject('today')
    await page.until(
      () => page.text('[data-run-out]'),
      text => /Reckoned with what is in force: No garden water/.test(text),
      'it is reckoned with',
    )
    await page.undo(2)
  })
})

describe('two tabs on one log', () => {
  it('both keep what was written in either', async () => {
    await page.openDemo('cinder-tor', 'keep')
    const before = await lines()
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    await page.go('/site/cinder-tor/keep')
    await page.click(page.css('[data-quick-of="rain"]'))
    await (await page.css('[aria-label="Log: rain"]')).sendKeys('7 mm')
    await page.click(page.css('[data-take]'))
    await page.saved()
    await page.driver.close()
    await page.driver.switchTo().window(first)
    await page.until(lines, count => count === before + 1, 'the other tab’s line is here')
    await page.click(page.css('[data-quick-of="note"]'))
    await (await page.css('[aria-label="Log: note"]')).sendKeys('frog in the chamber')
    await page.click(page.css('[data-take]'))
    await page.saved()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.until(lines, count => count === before + 2, 'both are there')
  })
})

describe('a site file from elsewhere', () => {
  it('causes no request to its devices before its owner says yes', async () => {
    const site = demoSite('brindle-yard')
    const address = '/api/devices/level/readings?site=from-elsewhere&of=tank-3'
    const device = {
      id: 'device-level',
      kind: 'level',
      name: 'level sensor',
      address,
      subject: 'tank-3',
      everyMinutes: 1,
    }
    await page.go('/')
    await page.css('a[href^="/site/"]')
    await page.upload(
      '.yard input[type=file]',
      'elsewhere.json',
      writeSite({ ...site, id: 'from-elsewhere', devices: [device] as never }),
    )
    await page.css('.section svg')
    await page.step('from-elsewhere', 'keep')
    await page.subject('devices')
    await page.until(row, text => text.includes('asked only once you say so'), 'it is told')
    await page.press('Ask all of them now')
    await page.still()
    const asked = () =>
      page.driver.executeScript<number>(
        'return performance.getEntriesByType("resource").filter(({ name }) => name.includes("/readings?")).length',
      )
    expect(await asked()).toBe(0)
    await page.press('Ask it from now on')
    await page.until(asked, count => count > 0, 'now it is asked')
    await page.until(row, text => /told [\d.]+ m/.test(text), 'and has told')
  })
})

describe('the Yard', () => {
  it('shows each site as it stands today, and leads there', async () => {
    await page.go('/')
    await page.until(
      () => page.all('[data-glance]'),
      all => all.length >= 3,
      'all are worked out',
    )
    expect(await page.text('[data-glance]')).toMatch(
      /Today\s*[\d.]+ (L|m³), \d+ %; (lasts the year|runs short|one chance)/,
    )
    await page.click(page.css('[data-glance] a'))
    await page.css('[data-notes="today"]')
    // What a device refused is told by the browser too.
    expect((await page.errors()).filter(said => !said.includes('/api/devices/'))).toEqual([])
  })
})
