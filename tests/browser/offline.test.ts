import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

/** Without a network: the app opens, a level is logged, and all is there when the network is back. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())
const network = (offline: boolean) =>
  page.devtools('Network.emulateNetworkConditions', {
    offline,
    latency: 0,
    downloadThroughput: -1,
    uploadThroughput: -1,
  })
const lines = () => page.text('[data-subject="log"]').then(text => Number(text.replace(/\D/g, '')))

describe('an installed app', () => {
  it('names itself, with pictures for a phone', async () => {
    const manifest = (await (await fetch(`${page.address}/manifest.webmanifest`)).json()) as {
      name: string
      display: string
      icons: { src: string; sizes: string }[]
    }
    expect(manifest).toMatchObject({ name: 'Tall Cask', display: 'standalone' })
    for (const { src, sizes } of manifest.icons) {
      const icon = await fetch(page.address + src)
      expect([icon.status, icon.headers.get('content-type'), sizes]).toEqual([200, 'image/png', expect.any(String)])
    }
  })
  it('opens without a network, keeps what is logged there, and is whole when it is back', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('today')
    const before = await page.until(lines, count => count > 0, 'the log is there')
    await page.until(
      () =>
        page.driver.executeAsyncScript<boolean>(
          `const done = arguments[0];
          navigator.serviceWorker.getRegistration().then(found => done(Boolean(found?.active)), () => done(false));`,
        ),
      active => active,
      'the app is kept on this machine',
    )
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.devtools('Network.enable', {})
    await network(true)
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.subject('today')
    await page.click(page.css('[data-quick-of="rain"]'))
    await (await page.css('[aria-label="Log: rain"]')).sendKeys('7 mm')
    await page.click(page.css('[data-take]'))
    await page.until(lines, count => count === before + 1, 'it is logged without a network')
    await page.saved()
    await network(false)
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.until(lines, count => count === before + 1, 'it is there with the network back')
  })
})
