import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { yardFile } from '../largeYard'
import { levelTable } from './levelTable'
import { openBrowser, type Page } from './page'

/** What is large, as it is used: how long it takes is timed by `npm run bench`. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

describe('a large yard', () => {
  it('of which a far end is picked is moved along to it, and draws what stands there alone', async () => {
    const drawn = () => page.all('.section [data-node]')
    const tanks = '.index [data-subject^="tank"]'
    await page.go('/')
    await page.css('a[href^="/site/"]')
    const file = yardFile({ tanks: 300, uses: 300, years: 30, yards: 6 })
    await page.upload('.yard input[type=file]', 'large.json', file)
    await page.css('.section svg [data-node]')
    await page.css(tanks)
    await page.answered()
    expect((await drawn()).length).toBeLessThan(120)
    const far = (await page.all(tanks)).at(-1)!
    const id = await far.getAttribute('data-subject')
    expect(await page.all(`.section [data-node="${id}"]`)).toEqual([])
    await page.driver.executeScript('arguments[0].click()', far)
    const there = await page.css(`.section [data-node="${id}"]`)
    const { x, width } = await there.getRect()
    expect(x + width).toBeLessThan(1280 - 280)
    expect(x).toBeGreaterThan(92)
    expect((await drawn()).length).toBeLessThan(120)
    // Picked again, it is shown again.
    await page.driver.executeScript('document.querySelector(".section .scroll").scrollTo({ left: 0 })')
    await page.until(
      () => page.all(`.section [data-node="${id}"]`),
      found => found.length === 0,
      'it is out of sight',
    )
    await page.driver.executeScript('arguments[0].click()', far)
    await page.css(`.section [data-node="${id}"]`)
  })
})

describe('many years', () => {
  const years = async () =>
    Number(/In ([\d  ]+) made-up years/.exec(await page.text('.many'))?.[1]?.replace(/\D/g, '') ?? 0)
  it('are run when the Sheet opens, more on demand; a stopped run leaves the last answer', async () => {
    await page.openDemo('quillfern-ridge')
    await page.subject('many')
    await page.until(years, count => count === 1200, '40 times 30 years')
    const said = await page.text('.many p')
    await page.press('Run 1000 times 30 years')
    await page.css('.many progress')
    await page.press('Stop')
    await page.until(
      () => page.all('.many progress'),
      bars => bars.length === 0,
      'stopped',
    )
    expect(await page.text('.many p')).toBe(said)
    await page.press('Run 1000 times 30 years')
    await page.until(years, count => count === 30000, 'all of them')
  })
  it('say when they are from before a change', async () => {
    await page.type('Diameter', '2')
    await page.subject('many')
    await page.until(
      () => page.text('.many'),
      text => text.includes('from before the last change'),
      'old',
    )
    // A stale answer is struck through until it is run again.
    const struck = async () => (await page.css('.many p')).getCssValue('text-decoration-line')
    expect(await struck()).toBe('line-through')
    await page.press('Undo')
    await page.press('Run 40 times again')
    await page.until(years, count => count === 1200, 'run again')
    expect(await page.text('.many')).not.toContain('from before')
    expect(await struck()).toBe('none')
  })
})

const hourlyRecord = (days: number): string => {
  const hours = Array.from({ length: days }, (_, day) => {
    const date = new Date(Date.UTC(1900, 0, 1 + day)).toISOString().slice(0, 10)
    return Array.from({ length: 24 }, (_, hour) => `${date} ${String(hour).padStart(2, '0')}:00,${hour % 8 ? 0 : 0.4}`)
  })
  return ['time,rain_mm', ...hours.flat()].join('\n')
}

describe('a record of a million hours', () => {
  it('says how far it is, and is read', async () => {
    await page.openDemo('quillfern-ridge', 'catch')
    await page.press('Load a rain record')
    const dialog = () => page.text('.el-dialog')
    await page.css('.el-dialog')
    await page.upload('.el-dialog input[type=file]', 'hours.csv', hourlyRecord(41_667))
    await page.until(dialog, seen => /reading… [1-9]\d? %/.test(seen), 'how far it is')
    await page.until(dialog, seen => /41.?667 days/.test(seen) && seen.includes('added up'), 'the record is read')
    await page.press('Leave it')
  })
})

describe('a long table', () => {
  const INPUT = '[data-notes="log"] .files input[type=file]'
  const table = (count: number) => levelTable(count, Date.UTC(1985, 0, 1))
  const lines = () => page.text('[data-subject="log"]').then(text => Number(text.replace(/\D/g, '')))
  it('of three hundred thousand lines is refused in words; of ten thousand it is taken in', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('log')
    await page.until(lines, count => count > 0, 'the log is there')
    const before = await lines()
    await page.upload(INPUT, 'long.csv', table(300_000))
    await page.until(
      () => page.text('[data-notes="log"]'),
      text => text.includes('has room for'),
      'it is refused in words',
    )
    expect(await lines()).toBe(before)
    await page.upload(INPUT, 'table.csv', table(10_000))
    await page.until(lines, count => count === before + 10_000, 'all of it is in the log')
  })
})
