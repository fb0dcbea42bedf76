import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { gzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser(undefined, { network: true })
})
afterAll(() => page.quit())

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

async function seriousFindings(): Promise<string[]> {
  await page.driver.executeScript(axe)
  return page.driver.executeAsyncScript<string[]>(`
    const done = arguments[arguments.length - 1];
    axe.run(document, { resultTypes: ['violations'] }).then(result => done(result.violations
      .filter(v => ['serious', 'critical'].includes(v.impact))
      .map(v => v.id + ': ' + v.nodes.slice(0, 4).map(n => n.html.slice(0, 160)).join(' | '))))`)
}

describe('every view can be used by everyone', () => {
  const VIEWS = [
    '/',
    '/new',
    '/site/quillfern-ridge/need',
    '/site/quillfern-ridge/catch',
    '/site/quillfern-ridge/clean',
    '/site/quillfern-ridge/store',
  ]
  it.each(['light', 'dark'])('no serious finding in any view, %s', async theme => {
    await page.openDemo('quillfern-ridge')
    await page.driver.executeScript(`localStorage.setItem('tall-cask-theme', '${theme}')`)
    for (const view of VIEWS) {
      await page.go(view)
      await page.css(view.startsWith('/site') ? '.year .frame svg' : view === '/' ? '.card' : 'form')
      await page.still()
      expect(await seriousFindings(), view).toEqual([])
    }
    await page.driver.executeScript("localStorage.setItem('tall-cask-theme', 'light')")
  })

  it('dialogs and drawers too', async () => {
    await page.openDemo('quillfern-ridge')
    for (const [key, shown] of [
      ['s', '.el-drawer'],
      ['/', '.el-dialog'],
      ['?', '.el-dialog'],
    ] as const) {
      await page.driver.executeScript('document.activeElement.blur()')
      await page.driver.actions().sendKeys(key).perform()
      await page.until(
        () => page.all(shown),
        found => found.length > 0,
        shown,
      )
      await page.still()
      expect(await seriousFindings(), key).toEqual([])
      await page.driver.actions().sendKeys(Key.ESCAPE).perform()
      await page.still()
    }
  })

  it('a whole change is made by keyboard alone', async () => {
    await page.openDemo('cinder-tor')
    const keys = async (...strokes: string[]) =>
      page.driver
        .actions()
        .sendKeys(...strokes)
        .perform()
    await keys('2')
    await page.until(
      () => page.driver.getCurrentUrl(),
      url => url.endsWith('/catch'),
      'the key 2 goes to Catch',
    )
    await page.css('.roof input')
    await page.driver.executeScript(
      'document.querySelector(\'.sheet input[aria-label="Length of the piece"]\').focus()',
    )
    await page.driver
      .actions()
      .keyDown(Key.CONTROL)
      .sendKeys('a')
      .keyUp(Key.CONTROL)
      .sendKeys('15.5 m', Key.ENTER)
      .perform()
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '15.5 m',
      'typed by keyboard',
    )
    await keys(Key.TAB)
    expect(await page.driver.executeScript('return document.activeElement.ariaLabel')).toBe('Width of the piece')
    await page.driver.executeScript('document.activeElement.blur()')
    await keys(']')
    const first = await page.until(
      () => page.text('.bar'),
      text => text.includes('1 of'),
      'the bracket picks a run',
    )
    await keys(']', ']')
    await page.until(
      () => page.text('.bar'),
      text => text !== first,
      'and walks it',
    )
    await keys('[', '[')
    await page.until(
      () => page.text('.bar'),
      text => text === first,
      'and back',
    )
    await keys('/')
    await page.css('.wanted')
    await page.still()
    await keys('hill header', Key.ENTER)
    await page.until(
      () => page.driver.getCurrentUrl(),
      url => url.endsWith('/store'),
      'find goes there',
    )
    await page.driver.actions().keyDown(Key.CONTROL).sendKeys('z').keyUp(Key.CONTROL).perform()
    await keys('2')
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '14 m',
      'undone by keyboard',
    )
  })

  it('fits a phone: figures first, nothing wider than the screen', async () => {
    await page.size(390, 844)
    for (const view of [
      '/',
      '/new',
      '/site/quillfern-ridge/store',
      '/site/quillfern-ridge/need',
      '/site/quillfern-ridge/catch',
      '/site/quillfern-ridge/clean',
    ]) {
      await page.go(view)
      await page.css(view.startsWith('/site') ? '.sheet' : view === '/' ? '.card' : 'form')
      await page.still()
      expect(await page.driver.executeScript('return document.documentElement.scrollWidth'), view).toBeLessThanOrEqual(
        390,
      )
    }
    const order = await page.driver.executeScript<number[]>(
      'return [".figures", ".section", ".sheet"].map(s => document.querySelector(s).getBoundingClientRect().top)',
    )
    expect(order).toEqual([...order].sort((a, b) => a - b))
    await page.size(1280, 800)
  })
})

/** The scripts a view has asked for, once it asks for no more: its later notes come in tasks of their own. */
async function settled(): Promise<string[]> {
  const asked = () =>
    page.driver.executeScript<string[]>(
      'return performance.getEntriesByType("resource").map(entry => entry.name).filter(name => ' +
        'name.endsWith(".js") && !name.includes("worker"))',
    )
  let before: string[]
  let now = await asked()
  do {
    before = now
    await page.driver.sleep(1500)
    now = await asked()
  } while (now.length > before.length)
  return now
}

describe('the first view comes quickly', () => {
  // Its charts are drawn in it once it stands: what draws them comes after it.
  it.each(['/', '/site/quillfern-ridge/store', '/site/quillfern-ridge/catch'])(
    '%s needs at most 370 kB of script, gzipped, and 62 more where it has charts',
    async view => {
      await page.openDemo('quillfern-ridge')
      await page.go(view)
      await page.css(view === '/' ? '.card' : '.year .frame svg')
      const urls = await settled()
      const files = [...new Set(urls.map(url => url.split('/_nuxt/')[1]!))]
      expect(files.length).toBeGreaterThan(3)
      const pieces = files.map(file => readFileSync(`.output/public/_nuxt/${file}`))
      const kB = (some: Buffer[]) => some.reduce((sum, piece) => sum + gzipSync(piece).length, 0) / 1024
      const charts = pieces.filter(piece => piece.includes('_chartjs'))
      expect(kB(pieces.filter(piece => !charts.includes(piece)))).toBeLessThan(370)
      expect(kB(charts)).toBeLessThan(62)
    },
  )
})

describe('no request leaves the machine, and nothing is refused by the policy', () => {
  it('in all that was done above', async () => {
    await page.openDemo('quillfern-ridge', 'catch')
    const entries = await page.driver.manage().logs().get('performance')
    const urls = entries
      .map(entry => JSON.parse(entry.message).message as { method: string; params: { request?: { url: string } } })
      .filter(message => message.method === 'Network.requestWillBeSent')
      .map(message => message.params.request!.url)
    expect(urls.length).toBeGreaterThan(20)
    expect(
      urls.filter(url => !url.startsWith(page.address) && !/^(data|blob|chrome|chrome-untrusted):/.test(url)),
    ).toEqual([])
    expect(await page.errors()).toEqual([])
  })
})
