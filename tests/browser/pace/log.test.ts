import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { levelTable } from '../levelTable'
import { openBrowser, type Page } from '../page'
import { longest, slowly, timing, type Timing } from './timing'

/** Long tables and long answers come into the log, and the page is held by none of them. */
let page: Page
let time: Timing
beforeAll(async () => {
  page = await openBrowser()
  time = timing(page)
})
afterAll(async () => {
  await time.stop()
  await page.quit()
})
/** To refuse may hold the page so long, ms; to take in is to, too, and has half as much again for what else runs. */
const [REFUSED_MS, TAKEN_MS] = [50, 75]
/** Each try has moments of its own. */
let begin = Date.UTC(1985, 0, 1)
const table = (count: number) => levelTable(count, begin)
const lines = () => page.text('[data-subject="log"]').then(text => Number(text.replace(/\D/g, '')))
const INPUT = '[data-notes="log"] .files input[type=file]'

describe('a long table', () => {
  it('of three hundred thousand lines is refused in words; of ten thousand it is taken in, with the page free', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('log')
    await page.until(lines, count => count > 0, 'the log is there')
    begin += 100 * 86_400_000
    const before = await lines()
    const [[refused, taken], slow] = await time.held(async () => {
      await time.watchTasks()
      await page.upload(INPUT, 'long.csv', table(300_000))
      await page.until(
        () => page.text('[data-notes="log"]'),
        text => text.includes('has room for'),
        'it is refused in words',
      )
      expect(await lines()).toBe(before)
      const ofRefused = longest({ tasks: await time.longTasks() })
      await time.watchTasks()
      await page.upload(INPUT, 'table.csv', table(10_000))
      await page.until(lines, count => count === before + 10_000, 'all of it is in the log')
      await page.saved()
      return [ofRefused, longest({ tasks: await time.longTasks() })] as const
    })
    console.log(`300 000 lines: longest task ${refused} ms; 10 000 taken in: ${taken} ms${slowly(slow)}`)
    expect(refused).toBeLessThanOrEqual(REFUSED_MS * slow)
    expect(taken).toBeLessThanOrEqual(TAKEN_MS * slow)
  })
})
