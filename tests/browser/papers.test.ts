import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { lastLine, outside, overlapping, pagesOf, unseen, type PaperPage } from '../paperPages'
import { openBrowser, type Page } from './page'

/** Every paper is made, rendered and read as whoever holds it would. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

async function made(selector: string): Promise<PaperPage[]> {
  await page.css(selector)
  return pagesOf((await page.savedFile(selector)).bytes)
}
const textOf = (pages: readonly PaperPage[]) => pages.flatMap(({ words }) => words.map(({ text }) => text)).join(' ')
/** What any page of ours must be: all its words seen, on the page, apart, and no heading alone at its foot. */
function isFit(pages: readonly PaperPage[]): void {
  expect(pages.length).toBeGreaterThan(0)
  for (const [at, each] of pages.entries()) {
    const which = `page ${at + 1}`
    expect(each.words.length, which).toBeGreaterThan(1)
    expect(outside(each), which).toEqual([])
    expect(overlapping(each), which).toEqual([])
    expect(unseen(each), which).toEqual([])
    expect(textOf([each]), which).not.toMatch(/[\u25a1\ufffd]|NaN|undefined/)
  }
}
function headingsStand(pages: readonly PaperPage[]): void {
  for (const [at, each] of pages.entries()) {
    const line = lastLine(each)
    const alone = line.length > 0 && line.every(({ face, x }) => /Bitter|Bold/.test(face) && x < 60)
    expect(alone, `page ${at + 1} ends with ${line.map(({ text }) => text).join(' ')}`).toBe(false)
  }
}
const near = (value: number, other: number) => Math.abs(value - other) < 1

const DEMOS = [
  ['quillfern-ridge', 'Quillfern Ridge', ['East tank A', 'Borehole', 'Header', 'Kitchen']],
  ['brindle-yard', 'Brindle Yard', ['Top drum', 'Low drum', 'Planters']],
  ['cinder-tor', 'Cinder Tor', ['Buried tank', 'Shallow well', 'Hill header']],
] as const
const SYSTEMS = [
  ['metric', 595.3, 841.9],
  ['US units', 612, 792],
] as const

describe.each(DEMOS)('the papers of %s', (id, name, labels) => {
  it.each(SYSTEMS)('in %s are fit to hand over', async (units, width, height) => {
    await page.openDemo(id, 'build')
    await page.choose('Units', units)
    await page.answered()
    await page.subject('report')
    const report = await made('[data-save="report"]')
    isFit(report)
    headingsStand(report)
    expect(report.length).toBeGreaterThan(8)
    for (const each of report) expect([near(each.width, width), near(each.height, height)]).toEqual([true, true])
    // Page one says what it is, and all of it stands there.
    const [first, ...others] = report
    const said = textOf([first!])
    for (const words of [`${name}: Report`, 'Cautions', 'Taken for granted', 'Measured by nobody yet', 'signature'])
      expect(said).toContain(words)
    expect(said).toMatch(/\d{1,2} \w+ 20\d\d · plan as/)
    expect(said).toContain('check valve')
    for (const label of labels) {
      const [found] = first!.words.filter(({ text }) => text === label)
      expect(found, label).toBeDefined()
      expect(found!.dark, label).toBeGreaterThan(0.05)
    }
    // Every other page bears the site's name, the day and its number.
    for (const [at, each] of others.entries())
      expect(textOf([each])).toMatch(
        new RegExp(`${name}: Report.*20\\d\\d · plan as.* ${at + 2} of ${report.length}`, 's'),
      )
    const all = textOf(report)
    for (const chapter of ['Lines and their pressures', 'Power', 'Treatment', 'The card for the wall', 'Chores'])
      expect(all).toContain(chapter)
  })
})

/** Papers beside the report: at which step and subject each is made, by what, and words that it must have. */
const OTHERS = [
  ['build', 'parts', '[data-save="parts"]', 'Parts and trips'],
  ['build', 'cuts', '[data-save="cuts"]', 'from – to'],
  ['build', 'order', '[data-save="order"]', 'The order of work'],
  ['build', 'holes', '[data-save^="holes-"]:not([data-save$="svg"])', 'Print without scaling'],
  ['keep', 'binder', '[data-save="binder"]', 'Binder'],
  ['keep', 'chores', '[data-save="year-card"]', 'The year’s chores'],
  ['reach', 'card', '[data-save="pdf"]', 'which valves for what'],
] as const

describe.each(DEMOS)('all other papers of %s', (id, name) => {
  it.each(SYSTEMS)('in %s are fit to hand over too', async (units, width, height) => {
    await page.openDemo(id, 'build')
    await page.choose('Units', units)
    await page.answered()
    for (const [step, subject, selector, words] of OTHERS) {
      await page.step(id, step)
      await page.subject(subject)
      const pages = await made(selector)
      isFit(pages)
      if (subject !== 'holes' && subject !== 'card') headingsStand(pages)
      const size =
        subject === 'card' ? [pages[0]!.width, pages[0]!.height].sort((one, other) => one - other) : undefined
      for (const each of pages)
        expect(size ?? [each.width, each.height]).toEqual([expect.closeTo(width, 0), expect.closeTo(height, 0)])
      expect(textOf(pages), `${subject} of ${name}`).toContain(words)
    }
  })
})

describe('the papers', () => {
  it('of the wall and of what is bought say no less than the screen', async () => {
    await page.openDemo('quillfern-ridge', 'reach')
    await page.subject('card')
    const card = await made('[data-save="pdf"]')
    expect(card).toHaveLength(1)
    for (const { text } of card[0]!.words) expect(text).not.toContain('…')
    await page.step('quillfern-ridge', 'build')
    await page.subject('cuts')
    const cuts = textOf(await made('[data-save="cuts"]'))
    const labels = await page.driver.executeScript<string[]>(
      'return [...document.querySelectorAll("[data-piece] th")].map(each => each.textContent.trim())',
    )
    expect(labels.length).toBeGreaterThan(5)
    for (const label of labels) expect(cuts).toContain(label)
  })
  it('are made by day, whatever the page’s theme is', async () => {
    await page.driver.executeScript('document.documentElement.classList.add("dark")')
    await page.step('quillfern-ridge', 'build')
    await page.subject('report')
    isFit(await made('[data-save="report"]'))
    await page.driver.executeScript('document.documentElement.classList.remove("dark")')
  })
})
