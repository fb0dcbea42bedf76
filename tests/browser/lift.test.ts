import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

/** What the taps give: by themselves, at once, and along the way their water comes. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const figureIn = (text: string) => Number(/[\d.]+/.exec(text)![0])
const passes = async (tap: string) => figureIn(await page.text(`[data-row="${tap}"] .figure`))
const pressure = async (tap: string) => figureIn(await page.text(`[data-row="${tap}"] td:last-child`))

describe('taps at once', () => {
  it('each give more the fewer run, and the weakest is named', async () => {
    await page.openDemo('cinder-tor', 'lift')
    await page.subject('together')
    const both = await pressure('glaze-sink')
    expect(await page.text('.notes')).toMatch(/2 of 2 taps open the weakest is/)
    await page.click(page.css('[data-row="washdown-tap"] input'))
    await page.until(
      () => pressure('glaze-sink'),
      now => now > both,
      'the sink gets more',
    )
    expect(await page.text('[data-row="washdown-tap"]')).toContain('shut')
    expect(figureIn(await page.figure('All that run at once'))).toBe(await passes('glaze-sink'))
  })
  it('give less once the tanks are nearly empty', async () => {
    const full = await passes('glaze-sink')
    await page.choose('How high the tanks stand', 'nearly empty')
    await page.until(
      () => passes('glaze-sink'),
      now => now < full,
      'less flows',
    )
    await page.choose('How high the tanks stand', 'full')
    // A basin and a hose tap weigh three and a half, and Hunter gives those 7.25 US gallons a minute.
    await page.click(page.css('.notes .sum button'))
    expect(await page.text('.notes')).toMatch(/\(3.5 load units\) seldom draws more than\s+0.46 L\/s/)
    expect(await page.text('.notes .sum')).toContain('0.0630902')
  })
})

describe('one tap', () => {
  const given = (when: string) => page.text(`[data-gives="${when}"]`)
  it('is told alone, low and shut, with the way of its water from tank to tap', async () => {
    await page.openDemo('cinder-tor', 'lift')
    await page.subject('glaze-sink')
    expect(figureIn(await given('full'))).toBeGreaterThan(figureIn(await given('low')))
    expect((await page.all('[data-stretch]')).length).toBe(2)
    // What is left at its end is what its last stretch left, above the tap's own height.
    const cells = await page.all('[data-stretch] td:last-child')
    const leftM = figureIn(await cells.at(-1)!.getText())
    const kPa = figureIn(await page.text('.notes tfoot .figure'))
    expect(kPa / 9.798).toBeCloseTo(leftM - figureIn((await page.value('Height of the tap')) as string), 1)
  })
  it('gives less where it is raised, at once', async () => {
    const before = figureIn(await given('full'))
    await page.type('Height of the tap', '5')
    await page.until(
      () => given('full'),
      text => figureIn(text) < before,
      'less flows',
    )
    await page.press('Undo')
  })
  it('passes what its fixture does', async () => {
    const before = figureIn(await given('full'))
    await page.choose('Fixture', 'fire hydrant')
    await page.until(
      () => given('full'),
      text => figureIn(text) > before,
      'a hydrant takes more',
    )
    await page.press('Undo')
  })
  it('has no water while a valve on its way is shut', async () => {
    const first = await (await page.all('[data-stretch]'))[0]!.getAttribute('data-stretch')
    await page.click(page.css('[data-stretch] button'))
    await page.choose('Valve', 'shut')
    await page.subject('glaze-sink')
    await page.until(
      () => page.text('.notes'),
      text => text.includes('No water comes to it'),
      'no water',
    )
    await page.subject('lines')
    expect(await page.text(`[data-line="${first}"]`)).toContain('a valve is shut')
    await page.press('Undo')
  })
})

describe('a pump', () => {
  const duty = async (what: string) => figureIn(await page.text(`[data-duty="${what}"]`))
  it('is told where it runs, by figures and on its chart, and what that takes', async () => {
    await page.openDemo('cinder-tor', 'lift')
    await page.subject('lift:well-line')
    await page.css('.pump .chart canvas')
    expect(await duty('flow')).toBeGreaterThan(0)
    expect(await page.text('.pump')).toMatch(/\d+ W from its cable/)
    for (const button of await page.all('.pump .sum > button')) await page.click(button)
    const sums = await Promise.all((await page.all('.pump .sum')).map(sum => sum.getText()))
    // Where its curve meets what is asked, what its head is made of, and what that takes.
    expect(sums.join(' ')).toContain('9.80665')
    const worked = await Promise.all((await page.all('.pump .sum .worked')).map(sum => sum.getText()))
    expect(worked).toHaveLength(3)
    expect(worked.join(' ')).toContain('H')
  })
  it('of more head passes more, and one that is too weak moves nothing', async () => {
    const before = await duty('flow')
    await page.type('Head it is made for', '60')
    await page.until(
      () => duty('flow'),
      now => now > before,
      'more flows',
    )
    await page.press('Undo')
    await page.type('Head it is made for', '0.2')
    await page.until(
      () => page.text('.pump'),
      text => text.includes('moves no water'),
      'it moves none',
    )
    await page.press('Undo')
  })
})
