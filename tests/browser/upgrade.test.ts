import { afterEach, beforeEach, describe, expect, inject, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'
import { upgradable, type Upgradable } from './upgraded'

/** A server that is upgraded under open pages, with what answers without a network and without. */
let page: Page
let server: Upgradable
beforeEach(async () => {
  server = await upgradable(inject('address'))
  page = await openBrowser(server.address)
})
afterEach(async () => {
  await page.quit()
  server.end()
})
const note = () => page.text('[data-newer]')
const mark = () => page.driver.executeScript('window.sameDocument = true')
const isSame = () => page.driver.executeScript<boolean | null>('return window.sameDocument ?? null')
const kept = () =>
  page.until(
    () =>
      page.driver.executeAsyncScript<boolean>(
        `const done = arguments[0];
        navigator.serviceWorker.getRegistration().then(found => done(Boolean(found?.active)), () => done(false));`,
      ),
    active => active,
    'the app is kept on this machine',
  )
const halfType = async (label: string, text: string) => {
  const field = await page.field(label)
  await field.click()
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text)
}

describe('without what answers without a network', () => {
  it('a piece that is gone is told of, and the page loads anew once all is saved and nobody types', async () => {
    await page.devtools('Page.addScriptToEvaluateOnNewDocument', {
      source:
        'Object.defineProperty(navigator, "serviceWorker", { value: undefined }); delete Navigator.prototype.serviceWorker',
    })
    await page.openDemo('brindle-yard', 'catch')
    await mark()
    await halfType('Length of the piece', '8.')
    // Every piece that has not come yet is gone with the older version.
    server.upgrade(/\/_nuxt\/[\w-]+\.js$/)
    await page.driver.executeScript('document.querySelector(`nav a[href$="/build"]`).click()')
    await page.until(note, text => text.includes('pieces of this one are gone'), 'it is told')
    await page.until(isSame, same => same === null, 'it loads anew once the field is left')
    await page.css('.section svg')
    await page.step('brindle-yard', 'catch')
    expect(await page.value('Length of the piece')).not.toBe('')
  })
})

describe('with what answers without a network', () => {
  it('each tab is asked, none loads anew by itself, and what is typed is taken or told of first', async () => {
    await page.openDemo('brindle-yard', 'catch')
    await kept()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    await page.go('/site/brindle-yard/catch')
    await page.css('.section svg')
    const second = await page.driver.getWindowHandle()
    await mark()
    await page.driver.switchTo().window(first)
    await mark()
    server.upgrade()
    const update = `const done = arguments[0];
      navigator.serviceWorker.getRegistration().then(found => found.update()).then(() => done(true), () => done(false))`
    // What is looked out for begins once the page has stood for a while.
    await page.until(
      async () => {
        await page.driver.executeAsyncScript(update)
        return (await page.all('[data-newer="waits"]')).length
      },
      found => found > 0,
      'it is asked',
    )
    expect(await isSame()).toBe(true)
    // Text that a field refuses is not thrown away unasked.
    await page.type('Length of the piece', 'eight')
    await page.press('Take it')
    await page.until(note, text => text.includes('“eight” is typed and not taken'), 'it waits for what is typed')
    expect(await isSame()).toBe(true)
    await page.type('Length of the piece', '8.2')
    await page.saved()
    await page.driver.switchTo().window(second)
    await halfType('Width of the piece', '3.33')
    await page.driver.switchTo().window(first)
    await page.press('Take it')
    await page.until(isSame, same => same === null, 'this tab loads the newer one')
    expect(await page.value('Length of the piece')).toBe('8.2 m')
    await page.driver.switchTo().window(second)
    await page.until(note, text => text.includes('taken in another tab'), 'the other is asked')
    expect(await isSame()).toBe(true)
    expect(await page.value('Width of the piece')).toBe('3.33')
    await page.press('Load it')
    await page.until(isSame, same => same === null, 'and loads when it is told to')
    expect(await page.value('Width of the piece')).toBe('3.33 m')
    await page.undo(2)
    await page.saved()
  })
  it('papers are made with the server gone, and a page’s rules come with today’s answer where there is one', async () => {
    await page.openDemo('brindle-yard', 'build')
    await kept()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    server.silent(true)
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.answered()
    for (const [step, subject, save] of [
      ['build', 'report', '[data-save="report"]'],
      ['build', 'holes', '[data-save^="holes-"]'],
      ['reach', 'card', '[data-save="pdf"]'],
      ['keep', 'binder', '[data-save="binder"]'],
      ['keep', 'chores', '[data-save="ics"]'],
    ] as const) {
      await page.step('brindle-yard', step)
      await page.subject(subject)
      await page.css(save)
      const { bytes } = await page.savedFile(save)
      expect(bytes.length, subject).toBeGreaterThan(500)
    }
    server.silent(false)
    server.upgrade()
    // The newer answer bears no old copy's rules: here it says so itself.
    const answer = await page.driver.executeAsyncScript<string | null>(
      `const done = arguments[0];
      fetch('/', { headers: { accept: 'text/html' } }).then(found => done(found.headers.get('x-tall-cask')), () => done(null))`,
    )
    expect(answer).toBe('newer')
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    const shown = await page.driver.executeScript<string>('return window.__NUXT__?.config?.app?.buildId ?? ""')
    expect(shown).toBe('newer')
  })
})

describe('a paper whose faces did not come', () => {
  it('is told, and is made at the next press once they do', async () => {
    await page.devtools('Page.addScriptToEvaluateOnNewDocument', {
      source:
        'Object.defineProperty(navigator, "serviceWorker", { value: undefined }); delete Navigator.prototype.serviceWorker',
    })
    await page.openDemo('brindle-yard', 'build')
    await page.subject('report')
    await page.css('[data-save="report"]')
    server.silent(true)
    await page.press('Save as PDF')
    await page.until(
      () => page.text('[data-notes="report"]'),
      text => text.includes('could not be made'),
      'it is told',
    )
    server.silent(false)
    const { bytes } = await page.savedFile('[data-save="report"]')
    expect(new TextDecoder().decode(bytes.slice(0, 5))).toBe('%PDF-')
  })
})
