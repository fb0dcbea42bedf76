import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

/** What takes time, or is timed: run with the machine to itself. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

describe('a keystroke', () => {
  it('shows consequences within 100 ms of the keystroke', async () => {
    await page.openDemo('quillfern-ridge')
    const field = await page.field('Diameter')
    await field.click()
    const change = async (text: string) => {
      await field.sendKeys(Key.chord(Key.CONTROL, 'a'), text)
      return page.driver.executeAsyncScript<number>(
        `
        const done = arguments[0], input = arguments[1];
        const figure = document.querySelector('[data-figure="Usable when full"]'), before = figure.textContent;
        const start = performance.now();
        new MutationObserver(() => {
          if (figure.textContent !== before && !figure.textContent.includes('…')) done(performance.now() - start)
        }).observe(figure, { characterData: true, childList: true, subtree: true });
        input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))`
          .replace('arguments[0]', 'arguments[arguments.length - 1]')
          .replace('arguments[1]', 'arguments[0]'),
        field,
      )
    }
    const times = []
    for (const text of ['2.5', '2.3', '2.6', '2.2', '2.4', '2.7', '2.1', '2.8', '2.4']) times.push(await change(text))
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
