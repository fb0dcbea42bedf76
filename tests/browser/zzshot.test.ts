import { afterAll, beforeAll, it } from 'vitest'
import { writeFileSync } from 'node:fs'
import { openBrowser, type Page } from './page'
let page: Page
beforeAll(async () => { page = await openBrowser() })
afterAll(() => page.quit())
const wait = (ms: number) => new Promise(r => setTimeout(r, ms))
const shot = async (name: string) => { await wait(900); writeFileSync(`/tmp/${name}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64')) }
const js = async (s: string) => { const m = /querySelector\('(.*?)'\)/.exec(s); if (m) await page.css(m[1]!); return page.driver.executeScript(s) }
it('shots', async () => {
  await page.openDemo('quillfern-ridge')
  await page.go('/site/quillfern-ridge/reach')
  await page.answered()
  await js(`document.querySelector('[data-subject="run:hill-line"]').click()`)
  await wait(500)
  await js(`document.querySelector('.notes').scrollTo(0, 330)`)
  await shot('r2')
  await page.go('/site/quillfern-ridge/try')
  await page.answered()
  await wait(1500)
  await shot('t1')
  await js(`document.querySelector('[data-subject="play"]').click()`)
  await shot('t2')
  await js(`document.querySelector('[data-play="usual-day"]').click()`)
  await wait(9000)
  await shot('t3')
  await js(`document.querySelector('[data-subject="break"]').click()`)
  await shot('t4')
})
