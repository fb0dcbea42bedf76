import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { WebElement } from 'selenium-webdriver'
import { largeYard, sideBySide } from '../largeYard'
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
async function keystroke(
  field: WebElement,
  text: string,
  figure = '[data-figure="Usable when full"]',
): Promise<number> {
  await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text)
  return page.driver.executeAsyncScript<number>(
    `const [input, selector, done] = arguments;
    const figure = document.querySelector(selector), before = figure.textContent;
    const start = performance.now();
    new MutationObserver(() => {
      if (figure.textContent !== before && !figure.textContent.includes('…')) done(performance.now() - start)
    }).observe(figure, { characterData: true, childList: true, subtree: true });
    input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))`,
    field,
    figure,
  )
}

/** Milliseconds of each task longer than 50 that the page's own thread has had since `watchTasks`. */
const watchTasks = () =>
  page.driver.executeScript(`
    window.longTasks = []
    window.taskWatch?.disconnect()
    window.taskWatch = new PerformanceObserver(list => window.longTasks.push(...list.getEntries()))
    window.taskWatch.observe({ type: 'longtask' })`)
const longTasks = () =>
  page.driver.executeScript<number[]>('return window.longTasks.map(task => Math.round(task.duration))')

/** What each of some figures, typed one after another, takes until it is seen, and its long tasks. */
async function typed(field: WebElement, texts: string[]): Promise<{ ms: number; tasks: number[] }[]> {
  const strokes: { ms: number; tasks: number[] }[] = []
  for (const text of texts) {
    await watchTasks()
    const ms = await keystroke(field, text)
    await page.answered()
    await page.saved()
    strokes.push({ ms, tasks: await longTasks() })
  }
  return strokes
}
/** The second best of some: whatever else the machine does while they are measured can only lengthen them. */
const secondBest = (values: number[]) => values.toSorted((a, b) => a - b)[1]!
const told = (strokes: { ms: number; tasks: number[] }[]) =>
  strokes.map(({ ms, tasks }) => `${ms.toFixed(0)} ms (long: ${tasks.join(' ') || 'none'})`).join(', ')

describe('a keystroke', () => {
  it('holds the page for no longer than a blink', async () => {
    await page.openDemo('quillfern-ridge')
    const strokes = await typed(await page.field('Diameter'), ['2.5', '2.3', '2.6', '2.2', '2.4', '2.7', '2.4'])
    console.log(`three tanks: ${told(strokes)}`)
    // Whatever else the machine does while this runs can only lengthen some of them.
    expect(strokes.filter(({ tasks }) => !tasks.length).length).toBeGreaterThan(3)
  })
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

describe('a bore', () => {
  it('that is typed shows what then flows within 100 ms', async () => {
    await page.openDemo('quillfern-ridge', 'lift')
    await page.subject('lines')
    await page.click(page.css('[data-line="to-bench"] button'))
    await page.click(page.css('[aria-label="Part after"]'))
    const field = await page.field('Bore of the pipe')
    await field.click()
    const times: number[] = []
    for (const text of ['9', '12', '8', '14', '10', '16', '11'])
      times.push(await keystroke(field, text, '[data-figure="All that run at once"]'))
    times.sort((a, b) => a - b)
    console.log(`bore to flow: median ${times[3]!.toFixed(0)} ms, worst ${times[6]!.toFixed(0)} ms`)
    // Whatever else the machine does while this runs can only lengthen some of them.
    expect(times[1]).toBeLessThan(100)
  })
})

describe('the live plant', () => {
  it('of sixty lines in a storm leaves the page its frames', async () => {
    const site = largeYard(20, 24)
    expect(site.runs.length).toBeGreaterThan(60)
    await page.go('/')
    await page.css('a[href^="/site/"]')
    await page.upload('.yard input[type=file]', 'storm.json', writeSite({ ...site, id: 'storm' }))
    await page.css('.section svg [data-node]')
    await page.go('/site/storm/try')
    await page.subject('live')
    await page.css('[data-tap]')
    await page.click(page.css('[data-do="storm"]'))
    await page.press('Run')
    await page.driver.executeScript('return new Promise(done => setTimeout(done, 1500))')
    const frames = await page.driver.executeAsyncScript<number[]>(`
      const done = arguments[0], gaps = [], began = performance.now();
      let last = began;
      const look = now => {
        gaps.push(now - last);
        last = now;
        if (now - began < 4000) requestAnimationFrame(look); else done(gaps.slice(1));
      };
      requestAnimationFrame(look)`)
    const clock = await page.text('[data-figure="clock"]')
    await page.press('Pause')
    frames.sort((a, b) => a - b)
    const at = (share: number) => frames[Math.floor(share * (frames.length - 1))]!
    console.log(
      `a storm on ${site.runs.length} runs: ${(frames.length / 4).toFixed(0)} frames a second, ` +
        `median ${at(0.5).toFixed(1)} ms, 95 of 100 within ${at(0.95).toFixed(1)} ms; clock ${clock}`,
    )
    expect(clock > '07:02').toBe(true)
    // Sixty a second are 16.7 ms each; whatever else the machine does can only lengthen some of them.
    expect(at(0.5)).toBeLessThan(17.5)
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

describe('a large yard', () => {
  const large = ({ tanks, uses, years, yards }: { tanks: number; uses: number; years: number; yards: number }) => {
    const site = sideBySide(largeYard(tanks / yards, uses / yards), yards)
    const rainMm = Array.from(dailySeries(site, { years }).rainMm, mm => Math.round(mm * 10) / 10)
    const climate = { ...site.climate, daily: { start: '1921-01-01', rainMm } }
    return writeSite({ ...site, id: `yard-${tanks}`, climate })
  }
  /** Opens a file from the Yard; milliseconds until the Section is seen, and until all is answered; its long tasks. */
  async function opened(file: string): Promise<[seenMs: number, answeredMs: number, tasks: number[]]> {
    await page.go('/')
    await page.css('a[href^="/site/"]')
    await watchTasks()
    const start = Date.now()
    await page.upload('.yard input[type=file]', 'large.json', file)
    await page.css('.section svg [data-node]')
    const seenMs = Date.now() - start
    await page.answered()
    await page.saved()
    const answeredMs = Date.now() - start
    return [seenMs, answeredMs, await longTasks()]
  }

  const STEPS = ['need', 'catch', 'clean', 'lift', 'reach', 'try', 'build', 'keep', 'store']
  /**
   * The longest task of going to each step and to the last two of its subjects; where there was one, at its best of
   * some rounds.
   */
  async function walked(rounds: number): Promise<Map<string, number>> {
    const longest = new Map<string, number>()
    const wasQuick = (step: string) =>
      longest.has(step) && [...longest].every(([what, ms]) => !what.startsWith(step) || ms === 0)
    const looked = async (what: string, pauseMs: number): Promise<void> => {
      await page.driver.sleep(pauseMs)
      const ms = Math.max(0, ...(await longTasks()))
      longest.set(what, Math.min(ms, longest.get(what) ?? Infinity))
    }
    for (let round = 0; round < rounds; round++)
      for (const step of STEPS) {
        if (wasQuick(step)) continue
        await watchTasks()
        await page.driver.executeScript('document.querySelector(`a[href$="/${arguments[0]}"]`).click()', step)
        await page.css('.index [data-subject]')
        await looked(step, 1500)
        for (const last of [2, 1]) {
          await watchTasks()
          await page.driver.executeScript(
            '[...document.querySelectorAll(".index button")].at(-arguments[0])?.click()',
            last,
          )
          await looked(`${step}, the ${last === 1 ? 'last' : 'last but one'}`, 900)
        }
      }
    return longest
  }

  // The figures that are wanted are told in the log; the limits leave room for whatever else the machine does.
  const YARDS = [
    { tanks: 40, uses: 60, years: 100, yards: 1, seenWithin: 2500, keyWithin: 200, taskWithin: 100, rounds: 3 },
    { tanks: 300, uses: 300, years: 30, yards: 6, seenWithin: 5000, keyWithin: 400, taskWithin: 250, rounds: 2 },
  ]
  describe.each(YARDS)('of $tanks tanks, $uses uses and $years years', yard => {
    it('is seen at once, and typed into', async () => {
      const [seenMs, answeredMs, tasks] = await opened(large(yard))
      const strokes = await typed(await page.field('Length'), ['1.5', '1.3', '1.6', '1.4', '1.7', '1.5'])
      const opening = `first sight ${seenMs} ms, all answered ${answeredMs} ms (long: ${tasks.join(' ') || 'none'})`
      console.log(`${yard.tanks} tanks: ${opening}, ${told(strokes)}`)
      expect(seenMs).toBeLessThan(yard.seenWithin)
      expect(Math.max(0, ...tasks)).toBeLessThan(2 * yard.taskWithin)
      expect(secondBest(strokes.map(({ ms }) => ms))).toBeLessThan(yard.keyWithin)
      expect(secondBest(strokes.map(({ tasks }) => Math.max(0, ...tasks)))).toBeLessThan(yard.taskWithin)
    })
    it('is gone through, step by step and subject by subject, and nothing holds the page', async () => {
      const longest = await walked(yard.rounds)
      const over = [...longest].filter(([, ms]) => ms)
      console.log(`${yard.tanks} tanks: ${over.map(([what, ms]) => `${what} ${ms}`).join(', ') || 'no long task'}`)
      expect(longest.size).toBeGreaterThanOrEqual(3 * STEPS.length)
      for (const [what, ms] of longest) expect([what, ms < yard.taskWithin]).toEqual([what, true])
      await page.answered()
    })
  })
  it('of which a far end is picked is moved along to it, and draws what stands there alone', async () => {
    const drawn = () => page.all('.section [data-node]')
    const tanks = '.index [data-subject^="tank"]'
    await page.go('/site/yard-300/store')
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
