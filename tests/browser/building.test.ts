import { extractText } from 'unpdf'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

/** From a plan to a thing that stands: ends found, parts ticked, pieces measured, work put in order, and the report. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())
const notes = () => page.text('.notes')

describe('an end', () => {
  it('is found with the part in hand, set on a tank’s hole, and led to its pipe', async () => {
    await page.openDemo('brindle-yard', 'build')
    await page.subject('finder')
    await page.type('Across it', '60 mm')
    await page.choose('Does it have a thread?', 'yes')
    await page.choose('Turns of the rule', '3 turns')
    await page.type('Length of those turns', '18 mm')
    await page.until(
      () => page.text('[data-found]'),
      text => text.includes('Sure: 60 mm coarse buttress thread'),
      'it is sure',
    )
    await page.choose('Set it on', 'Low drum, outlet')
    await page.until(
      () => page.text('[data-found]'),
      text => text.includes('It is set on Low drum'),
      'it is set',
    )
    await page.subject('chain')
    await page.until(
      () => page.text('[data-port="tank-3:outlet"]'),
      text => /cap adapter/.test(text),
      'its way to the pipe is told',
    )
    expect(await page.text('[data-way="cheapest"]')).toMatch(/\d joints, holds for good/)
    // Two ends that no adapter brings together say what people do then.
    await page.choose('To: family', 'rubber sleeve')
    await page.subject('parts')
    await page.until(notes, text => /cap adapter/.test(text), 'it is on the list')
    await page.undo(1)
  })
})

describe('a photo', () => {
  it('is kept with the hole it is of, scaled, and is there after the page was loaded anew', async () => {
    await page.openDemo('brindle-yard', 'build')
    await page.subject('finder')
    await page.choose('Photos of', 'Low drum, outlet')
    // A picture 4000 pixels wide, made here.
    const base64 = await page.driver.executeScript<string>(
      `const canvas = Object.assign(document.createElement('canvas'), { width: 4000, height: 1000 });
      canvas.getContext('2d').fillRect(0, 0, 2000, 500);
      return canvas.toDataURL('image/png').split(',')[1];`,
    )
    const input = '[data-photos="tank-3.outlet"] input[type=file]'
    await page.upload(input, 'thread.png', new Uint8Array(Buffer.from(base64, 'base64')))
    const wide = () =>
      page.driver.executeScript<number>('return document.querySelector("[data-photos] img")?.naturalWidth ?? 0')
    await page.until(wide, width => width === 1600, 'it is there, 1600 pixels wide')
    await page.upload(input, 'words.png', 'no picture at all')
    await page.until(notes, text => text.includes('“words.png” is no picture'), 'what is no picture is told')
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.subject('finder')
    await page.choose('Photos of', 'Low drum, outlet')
    await page.until(wide, width => width === 1600, 'it is still there')
    await page.press('take out')
    await page.until(wide, width => width === 0, 'it is gone')
    await page.press('Put it back')
    await page.until(wide, width => width === 1600, 'it is back')
  })
})

describe('the list', () => {
  it('is ticked in the aisle at 390 px, and found so after the page was loaded anew', async () => {
    await page.size(390, 844)
    await page.openDemo('brindle-yard', 'build')
    await page.subject('parts')
    const [tick] = await page.all('[data-item] [role="checkbox"]')
    await page.click(tick!)
    const ticked = async () => (await page.all('[data-item] [aria-checked="true"]')).length
    await page.until(ticked, count => count === 1, 'it is ticked')
    await page.saved()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.subject('parts')
    await page.until(ticked, count => count === 1, 'it is still ticked')
    await page.undo(0)
    await page.size(1280, 800)
  })
  it('leaves as a table, and takes prices from one; what is no price is told by its line', async () => {
    await page.openDemo('brindle-yard', 'build')
    await page.subject('parts')
    const { name, bytes } = await page.savedFile('[data-save="csv"]')
    expect(name).toBe('brindle-yard-parts.csv')
    const table = new TextDecoder().decode(bytes)
    expect(table.split('\n')[0]).toContain('id,trip,what')
    const before = await page.figure('Still to buy')
    const id = table.split('\n')[2]!.split(',')[0]!
    await page.upload('[data-notes="parts"] input[type=file]', 'book.csv', `id,price\n${id},999\ntape,dear\n`)
    await page.until(notes, text => text.includes('Taken into the book of this machine: 1 price.'), 'the book is read')
    expect(await notes()).toContain('Line 3: “dear” is no price')
    await page.until(
      () => page.figure('Still to buy'),
      now => now !== before,
      'the sum is another',
    )
    await page.driver.executeScript('localStorage.removeItem("tall-cask-prices")')
  })
})

describe('a length', () => {
  it('that is cut leaves the list, and what is left of it is there for the next', async () => {
    await page.openDemo('quillfern-ridge', 'build')
    await page.subject('cuts')
    const [sheet] = await page.all('[data-pipe]')
    const pipe = await sheet!.getAttribute('data-pipe')
    const rows = async () => (await page.all(`[data-pipe="${pipe}"] .row`)).length
    const before = await rows()
    await page.click(page.css(`[data-pipe="${pipe}"] [data-cut]`))
    await page.until(
      () => page.text(`[data-pipe="${pipe}"] [data-done]`),
      text => text.startsWith('Cut already: A'),
      'it is cut',
    )
    expect(await rows()).toBeLessThanOrEqual(before)
    expect(await page.text(`[data-pipe="${pipe}"]`)).toMatch(/There already:\s+× \d+ mm/)
    await page.undo(1)
    await page.until(rows, count => count === before, 'it is to be cut again')
  })
})

describe('a piece', () => {
  it('is measured in its place, and the difference is told', async () => {
    await page.openDemo('quillfern-ridge', 'build')
    await page.subject('cuts')
    await page.type('Measured: A2', '2.10 m')
    await page.until(
      () => page.text('[data-piece="run-1:2"]'),
      text => /\+4\d mm/.test(text) && text.includes('as planned'),
      'it differs',
    )
    await page.type('Measured: A2', '-3 m')
    await page.until(
      () => page.text('[data-piece="run-1:2"]'),
      text => /must be|more than/.test(text),
      'that is no length',
    )
    await page.undo(1)
  })
})

describe('the work', () => {
  beforeAll(async () => {
    await page.openDemo('brindle-yard', 'build')
    await page.subject('order')
  })
  it('is put sooner by keys as far as it may be, and refused with its reason', async () => {
    const ids = async () => Promise.all((await page.all('[data-task]')).map(each => each.getAttribute('data-task')))
    const apart = async () => {
      const now = await ids()
      return now.indexOf('make:run-4') - now.indexOf('dry:run-4')
    }
    const before = await apart()
    expect(before).toBeGreaterThan(1)
    const sooner = async () => (await page.css('[data-task="make:run-4"]')).sendKeys(Key.chord(Key.ALT, Key.ARROW_UP))
    for (let at = before - 1; at > 0; at--) {
      await sooner()
      await page.until(apart, now => now === at, 'it comes sooner')
    }
    // Nothing is joined for good before it was put together dry.
    await sooner()
    const refused = await page.until(
      async () => (await page.all('[data-notes="order"] > [role="alert"]'))[0]?.getText() ?? '',
      text => text.length > 0,
      'it is refused',
    )
    expect(refused).toMatch(/“Push home .+ waits for “Put .+ together dry/)
  })
  it('that is done shuts the gate', async () => {
    const open = async () => Number.parseInt(await page.figure('Gate: before the first rain'), 10) || 0
    const before = await open()
    for (const id of ['holes:tank-1', 'wall:tank-1'])
      await page.click(page.css(`[data-task="${id}"] [role="checkbox"]`))
    await page.until(open, count => count < before, 'less is open')
    await page.subject('gate')
    await page.css('[data-gate="supply:tank-1"]:not(.open)')
  })
})

describe('what is on paper', () => {
  it('is one report with its chapters, opened again; the Section is a drawing of its own', async () => {
    await page.openDemo('quillfern-ridge', 'build')
    await page.subject('report')
    const { name, bytes } = await page.savedFile('[data-save="report"]')
    expect(name).toBe('quillfern-ridge-report.pdf')
    const { totalPages, text } = await extractText(bytes, { mergePages: true })
    expect(totalPages).toBeGreaterThan(4)
    for (const words of [
      'Quillfern Ridge',
      'What was found',
      'Sums',
      'Parts and trips',
      'Day 1',
      'Cautions',
      'East tank A',
    ])
      expect(text).toContain(words)
    expect(text).not.toMatch(/undefined|NaN|\[object/)
    const section = new TextDecoder().decode((await page.savedFile('[data-save="section"]')).bytes)
    expect(section).toMatch(/^<svg[^>]+xmlns="http:\/\/www.w3.org\/2000\/svg"/)
    const drawn = await page.driver.executeAsyncScript<[number, string]>(
      `const [svg, done] = arguments, image = new Image();
      image.onload = () => done([image.naturalWidth, 'drawn']);
      image.onerror = () => done([0, 'broken']);
      image.src = 'data:image/svg+xml;utf8,' + encodeURIComponent(svg)`,
      section,
    )
    expect(drawn).toEqual([expect.any(Number), 'drawn'])
  })
  it('holes have templates at true size', async () => {
    await page.subject('holes')
    const { bytes } = await page.savedFile('[data-save="holes-tank-1"]')
    const { totalPages, text } = await extractText(bytes, { mergePages: true })
    const holes = await page.all('[data-fold="build-holes-tank-1"] [data-hole]')
    expect(totalPages).toBeGreaterThanOrEqual(1)
    expect(totalPages).toBeLessThanOrEqual(holes.length)
    expect(text).toContain('holes at true size')
    expect(text).not.toContain('Wider than this page')
  })
})

describe('stages', () => {
  it('put a tank off to next year, and tell what must be fitted now', async () => {
    await page.openDemo('brindle-yard', 'build')
    await page.subject('stages')
    await page.type('Name of a further stage', 'Next year')
    await page.css('[data-stage="stage-2"]')
    await page.choose('Put into Next year', 'Low drum')
    await page.until(
      () => page.text('[data-stage="stage-1"]'),
      text => text.includes('for Low drum'),
      'it is told',
    )
    await page.until(
      () => page.text('[data-stage="stage-1"]'),
      text => /By itself: \d+ short days/.test(text),
      'it is balanced and looked over by itself',
    )
    await page.undo(2)
  })
})
