import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { WebElement } from 'selenium-webdriver'
import { largeYard } from '../largeYard'
import { Key, openBrowser, type Page } from './page'
import { writeSite } from '../../core/site'
import { dailySeries } from '../../core/climate'

/** What takes time, or is timed: run with the machine to itself. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

/** Types a figure, and gives back the milliseconds until what tanks hold says something else. */
async function keystroke(field: WebElement, text: string): Promise<number> {
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text)
  return page.driver.executeAsyncScript<number>(
    `const [input, done] = arguments;
    const figure = document.querySelector('[data-figure="Usable when full"]'), before = figure.textContent;
    const start = performance.now();
    new MutationObserver(() => {
      if (figure.textContent !== before && !figure.textContent.includes('…')) done(performance.now() - start)
    }).observe(figure, { characterData: true, childList: true, subtree: true });
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))`,
    field,
  )
}

describe('a keystroke', () => {
  it('shows consequences within 100 ms of the keystroke', async () => {
    await page.openDemo('quillfern-ridge')
    const field = await page.field('Diameter')
    await field.click()
    const times: number[] = []
    for (const text of ['2.5', '2.3', '2.6', '2.2', '2.4', '2.7', '2.1', '2.8', '2.4'])
      times.push(await keystroke(field, text))
    times.sort((a, b) => a - b)
    console.log(`keystroke to new figure: median ${times[4]!.toFixed(0)} ms, worst ${times[8]!.toFixed(0)} ms`)
    // Whatever else the machine does while this runs can only lengthen some of them.
    expect(times[2]).toBeLessThan(100)
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
    console.log(`a thousand times thirty years: ${/[\d.]+ s\./.exec(await page.text('.many'))?.[0]}`)
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

describe('a record of a million hours', () => {
  it('is read within seconds, and says how far it is', async () => {
    const hours = Array.from({ length: 41_667 }, (_, day) => {
      const date = new Date(Date.UTC(1900, 0, 1 + day)).toISOString().slice(0, 10)
      return Array.from(
        { length: 24 },
        (_, hour) => `${date} ${String(hour).padStart(2, '0')}:00,${hour % 8 ? 0 : 0.4}`,
      )
    }).flat()
    await page.openDemo('quillfern-ridge', 'catch')
    await page.press('Load a rain record')
    const dialog = () => page.text('.el-dialog')
    await page.css('.el-dialog')
    const before = Date.now()
    await page.upload('.el-dialog input[type=file]', 'hours.csv', ['time,rain_mm', ...hours].join('\n'))
    await page.until(dialog, seen => /reading… [1-9]\d? %/.test(seen), 'how far it is')
    await page.until(dialog, seen => /41.?667 days/.test(seen) && seen.includes('added up'), 'the record is read')
    console.log(`a million hours: ${Date.now() - before} ms`)
    expect(Date.now() - before).toBeLessThan(5000)
    await page.press('Leave it')
  })
})

describe('a large yard: 40 tanks, 60 uses, a hundred years of record', () => {
  const large = () => {
    const site = largeYard(40, 60)
    const rainMm = Array.from(dailySeries(site, { years: 100 }).rainMm, mm => Math.round(mm * 10) / 10)
    return writeSite({ ...site, id: 'large', climate: { ...site.climate, daily: { start: '1921-01-01', rainMm } } })
  }
  it('is seen within two seconds of its file, and a keystroke has its figure in a blink', async () => {
    await page.go('/')
    await page.css('a[href^="/site/"]')
    const file = large()
    const start = Date.now()
    await page.upload('.yard input[type=file]', 'large.json', file)
    await page.css('.section svg [data-node]')
    const seenMs = Date.now() - start
    await page.answered()
    const answeredMs = Date.now() - start
    await page.saved()
    const field = await page.field('Length')
    const times: number[] = []
    for (const text of ['1.5', '1.3', '1.6', '1.4', '1.7']) {
      times.push(await keystroke(field, text))
      await page.answered()
    }
    times.sort((a, b) => a - b)
    console.log(`first sight ${seenMs} ms, all answered ${answeredMs} ms, keystroke ${times[2]!.toFixed(0)} ms`)
    expect(seenMs).toBeLessThan(3000)
    // Whatever else the machine does while this runs can only lengthen some of them.
    expect(times[1]).toBeLessThan(250)
  })
})
