import { extractText } from 'unpdf'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { jointAt, mainAt, pipe, tankAt, tapAt, wellAt, worksOf, type Works } from '../waterworks'
import { writeSite } from '../../core/site'
import type { NewPart } from '../../core/kinds'
import { Key, openBrowser, type Page } from './page'

/** Lines part by part, ways of running the site, and water that goes where it should not. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
  await page.go('/')
  await page.css('.card')
})
afterAll(() => page.quit())

const valve = (id: string, open = true): NewPart => ({ id, kind: 'valve', boreMm: 25, open })
const pump: NewPart = { id: 'pump', kind: 'pump', pump: 'submersible', flowLps: 0.5, headM: 45 }

async function open(id: string, works: Works): Promise<void> {
  await page.go('/')
  await page.css('.card')
  await page.upload('.yard input[type=file]', `${id}.json`, writeSite({ ...worksOf(works), id, name: id }))
  await page.css('.section svg [data-node]')
  await page.go(`/site/${id}/reach`)
  await page.css('[data-subject="wrong"]')
}
const strip = async () => Promise.all((await page.all('[data-part-of-line] b')).map(each => each.getText()))

describe('water that goes wrong', () => {
  it('is lit with its flow, and gone once a check valve is inserted by keys', async () => {
    await open('mainpush', {
      nodes: [mainAt('street', 0, 300), tankAt('tank', 1), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['from-main', 'street', 'tee', [{ kind: 'check', boreMm: 25 }, pipe(10)]],
        ['from-tank', 'tank', 'tee', [valve('v'), pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    })
    await page.subject('wrong')
    await page.css('[data-way^="into-tank-by-outlet"]')
    const words = await page.text('[data-way^="into-tank-by-outlet"]')
    expect(words).toMatch(/street into a tank by its outlet: tank/)
    expect(words).toMatch(/\d L\/s/)
    await page.css('.section [data-lit="from-tank"]')
    // By keys alone: the line, walked to its pipe, and the check valve fitted before it.
    await page.subject('run:from-tank')
    await page.css('[data-part-of-line="v"]')
    await page.driver.actions().sendKeys(']').perform()
    await page.css('[data-part-notes="pipe"]')
    await page.choose('Fit before it', 'check valve')
    await page.css('[data-part-of-line*="check"]')
    expect(await strip()).toEqual(['valve', 'check valve', 'pipe'])
    await page.subject('wrong')
    await page.until(
      () => page.text('.notes'),
      text => !text.includes('by its outlet'),
      'the wrong way is gone',
    )
    const ways = () => page.text('[data-figure^="Ways water can go wrong"]')
    await page.until(ways, text => text.includes('0'), 'none is left')
    await page.undo(1)
    await page.css('[data-way^="into-tank-by-outlet"]')
  })
  it('a pressure regulator is fitted behind a part, told by its setting, drawn and taken back', async () => {
    await page.openDemo('quillfern-ridge', 'reach')
    await page.subject('run:house-suction')
    const kinds = () =>
      page.driver.executeScript<string[]>(
        'return [...document.querySelectorAll(".strip [data-part-of-line] b")].map(each => each.textContent)',
      )
    await page.until(kinds, all => all.length > 3, 'the line is there')
    const before = await kinds()
    await page.click(page.css('.strip [data-part-of-line]:last-of-type'))
    await page.choose('Fit behind it', 'pressure regulator')
    await page.until(kinds, all => all.length === before.length + 1, 'it is fitted')
    expect((await kinds()).at(-1)).toBe('pressure regulator')
    await page.click(page.css('.strip [data-part-of-line]:last-of-type'))
    await page.css('[data-part-notes="regulator"]')
    await page.type('pressure regulator: is what it lets through', '150 kPa')
    await page.until(
      () => page.text('[data-part-notes="regulator"]'),
      text => /150 kPa behind|14\d(\.\d)? kPa behind/.test(text),
      'no more than that stands behind it',
    )
    await page.undo(2)
    await page.until(kinds, all => all.length === before.length, 'and it is gone')
  })
  it('into a public main asks for what the code names, and never for a mere valve', async () => {
    await open('street', {
      nodes: [mainAt('street', 0, 250), tankAt('tank', 0), jointAt('tee', 0), tapAt('tap', 1)],
      runs: [
        ['from-main', 'street', 'tee', [pipe(10)]],
        ['from-tank', 'tank', 'tee', [pump, { kind: 'check', boreMm: 25 }, pipe(5)]],
        ['house', 'tee', 'tap', [pipe(8)]],
      ],
    })
    await page.subject('wrong')
    const words = await page.text('[data-way^="into-main"]')
    expect(words).toContain('air gap')
    expect(words).not.toContain('Fit a check valve')
    await page.press('It has that device')
    await page.until(
      () => page.text('.notes'),
      text => !text.includes('into the main'),
      'the street is safe',
    )
  })
})

describe('a line', () => {
  beforeAll(() => page.openDemo('quillfern-ridge', 'reach'))
  it('stands part by part, with what is missing where it belongs; parts are moved by keys and taken back', async () => {
    await page.subject('run:hill-line')
    expect(await strip()).toEqual(['valve', 'union', 'pump', 'check valve', 'pipe', 'float valve'])
    // Nothing is called missing that no check finds; without its check valve the line runs back.
    expect(await page.all('[data-missing]')).toEqual([])
    await (await page.css('[data-part-of-line="hill-line-check-1"]')).sendKeys(Key.DELETE)
    await page.until(strip, parts => !parts.includes('check valve'), 'it is taken out')
    await page.click(page.css('[data-missing="check"]'))
    await page.until(strip, parts => parts.includes('check valve'), 'one is fitted')
    const union = await page.css('[data-part-of-line="hill-line-union-1"]')
    await page.click(union)
    await (await page.css('[data-part-of-line="hill-line-union-1"]')).sendKeys(Key.chord(Key.ALT, Key.ARROW_LEFT))
    await page.until(strip, parts => parts[0] === 'union', 'the union stands first')
    await page.undo(3)
    await page.until(strip, parts => parts.join() === 'valve,union,pump,check valve,pipe,float valve', 'all as it was')
  })
  it('offers by + what may be fitted behind the part in hand, and fits it', async () => {
    await page.subject('run:hill-line')
    await (await page.css('[data-part-of-line="hill-line-union-1"]')).sendKeys('+')
    const offered = async () =>
      Promise.all(
        (await page.all('.el-select-dropdown__item')).map(async item =>
          (await item.isDisplayed()) ? item.getText() : '',
        ),
      )
    await page.until(offered, names => names.includes('meter'), 'the choice is open')
    await page.driver.actions().sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ENTER).perform()
    await page.until(strip, parts => parts.length === 7, 'one more part')
    expect((await strip())[1]).toBe('union')
    await page.undo(1)
  })
  it('tells what a break loses, and which valve would have stopped it', async () => {
    await page.until(
      () => page.text('[data-notes="break"]'),
      text => /\d (m³|L)/.test(text),
      'the loss is known',
    )
    expect(await page.text('[data-notes="break"]')).toMatch(/The valve in .+ would stop it/)
  })
  it('is parted by a tee, and led elsewhere by picking in the Section', async () => {
    await page.subject('run:to-orchard')
    await page.press('Part it by a tee')
    await page.until(
      () => page.text('.index'),
      text => text.includes('Tee'),
      'the tee stands there',
    )
    await page.undo(1)
    await page.subject('run:to-orchard')
    await page.press('beginning')
    await page.driver.executeScript(
      `document.querySelector('.section [data-node="tank-2"]').dispatchEvent(new MouseEvent('click', { bubbles: true }))`,
    )
    await page.css('.choice [role="combobox"][aria-label="Hole of the tank"]')
    await page.choose('Hole of the tank', 'outlet “outlet”')
    await page.until(
      () => page.text('.index'),
      text => !text.includes('Header to Orchard'),
      'it starts at the pair',
    )
    await page.undo(1)
  })
})

describe('ways of running it', () => {
  it('of a well, a house and a hill tank are proposed, named, turned, and printed on a card', async () => {
    await open('three', {
      nodes: [wellAt('well', 12), tankAt('hill', 15), jointAt('tee', 0), tapAt('house', 1)],
      runs: [
        ['rise', 'well', 'tee', [pump, { kind: 'check', boreMm: 25 }, valve('at-well'), pipe(20)]],
        ['hill-line', 'tee', 'hill.out', [valve('at-hill'), pipe(60)]],
        ['to-house', 'tee', 'house', [valve('at-house'), pipe(8)]],
      ],
    })
    await page.subject('modes')
    for (const name of ['well to hill', 'well to the taps', 'hill to the taps']) await page.press(name)
    const heads = await Promise.all((await page.all('.compare thead input')).map(each => each.getAttribute('value')))
    expect(heads).toEqual(['well to hill', 'well to the taps', 'hill to the taps'])
    expect(await page.text('.served')).toContain('fills hill')
    // The way to the house is kept by turning valves and saying so.
    await page.type('What this way of running it is called', 'rest a while')
    await page.until(
      () => page.all('.compare thead input'),
      inputs => inputs.length === 4,
      'it is kept',
    )
    await page.subject('card')
    const card = await page.css('.notes img.card')
    const svg = decodeURIComponent((await card.getAttribute('src'))!)
    for (const name of ['well to hill', 'hill to the taps', 'rest a while']) expect(svg).toContain(name.slice(0, 10))
    expect(await page.driver.executeScript('return arguments[0].naturalWidth > 300', card)).toBe(true)
    const { name, bytes } = await page.savedFile('[data-save="pdf"]')
    expect(name).toBe('three-valve-card.pdf')
    const { totalPages, text } = await extractText(bytes, { mergePages: true })
    expect(totalPages).toBe(1)
    for (const word of ['three: which valves for what', 'well to hill', 'open', 'shut']) expect(text).toContain(word)
  })
})
