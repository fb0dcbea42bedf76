import { afterAll, beforeAll, describe, it } from 'vitest'
import { By, Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

/** The dialog is loaded when it is first opened; nothing is looked for before it is there. */
async function openService(): Promise<void> {
  await page.press('Ask the weather service')
  await page.css('input[aria-label="Latitude of the place"]')
}

describe('the weather service', () => {
  const dialog = () => page.text('.el-dialog')
  const dialogs = async () =>
    (await Promise.all((await page.all('.el-dialog')).map(element => element.getText()))).join('\n')
  it('down, it says so, changes nothing, and can be asked again', async () => {
    await page.openDemo('cinder-tor', 'catch')
    await openService()
    await page.choose('How the service does', 'is down')
    await page.press('Find stations')
    await page.until(
      dialog,
      text => text.includes('is down. Try again later') && text.includes('Nothing was changed'),
      'it is down',
    )
    await page.choose('How the service does', 'works')
    await page.type('Latitude of the place', '95', Key.TAB)
    await page.press('Find stations')
    await page.until(dialog, text => text.includes('must be a number of degrees from −90 to 90'), 'no such place')
    await page.type('Latitude of the place', '56', Key.TAB)
    await page.press('Find stations')
    await page.until(
      () => page.all('.stations li'),
      stations => stations.length > 3,
      'stations',
    )
  })
  it('garbled or broken off half way, it says what came', async () => {
    await page.choose('How the service does', 'sends something else')
    await page.click((await page.css('.stations li')).findElement(By.css('button')))
    await page.until(dialog, text => text.includes('that is no record'), 'no record')
    await page.choose('How the service does', 'breaks off half way')
    await page.click((await page.css('.stations li')).findElement(By.css('button')))
    await page.until(dialogs, text => text.includes('The service broke off'), 'half of it')
    await page.press('Leave it')
  })
  it('a station’s record is read like a file, and the plan runs on it', async () => {
    await page.openDemo('cinder-tor', 'catch')
    await openService()
    await page.choose('How the service does', 'works')
    await page.press('Find stations')
    await page.click((await page.css('.stations li')).findElement(By.css('button')))
    await page.until(
      dialogs,
      text => text.includes('as the weather service sent it') && text.includes('a year; the wettest day'),
      'it is read',
    )
    await page.press('Use this record')
    await page.until(
      () => page.text('.climate'),
      text => text.includes('a record of') && text.includes('on record'),
      'it is in the site',
    )
    await page.choose('What the plan runs on', 'on thirty years made up from it')
    await page.until(
      () => page.text('.climate'),
      text => text.includes('of the made-up years'),
      'years are made from it',
    )
    await page.answered()
    await page.undo(2)
    await page.until(
      () => page.text('.climate'),
      text => text.includes('made up from these months'),
      'undone',
    )
  })
})
