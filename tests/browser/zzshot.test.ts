import { writeFileSync } from 'node:fs'
import { afterAll, beforeAll, it } from 'vitest'
import { openBrowser, type Page } from './page'
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())
const shot = async (name: string) => {
  await new Promise(r => setTimeout(r, 900))
  writeFileSync(`/tmp/${name}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'))
}
it('x', async () => {
  await page.openDemo('quillfern-ridge', 'lift')
  await page.subject('lift:house-suction')
  await shot('l1')
  await page.choose('How it is lifted', 'a jet pump beside it')
  await page.choose('What holds the pressure', 'through a pressure tank')
  await page.driver.executeScript(`document.querySelector('.vessel').scrollIntoView()`)
  await shot('l2')
  await page.driver.executeScript(`document.querySelector('[data-card=switch]').scrollIntoView()`)
  await shot('l3')
  await page.subject('borehole')
  await shot('l4')
  await page.subject('lift:hill-line')
  await shot('l5')
})
