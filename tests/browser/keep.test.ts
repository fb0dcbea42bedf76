import { extractText } from 'unpdf'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

/** A system as it is lived with: what is logged, what that teaches, what is due. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())
const lines = () => page.text('[data-subject="log"]').then(text => Number(text.replace(/\D/g, '')))

describe('a level', () => {
  it('is logged by thumb at 390 px in under ten seconds, is in the log, and is taken back', async () => {
    await page.size(390, 844)
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('today')
    await page.css('[data-held]')
    const before = await lines()
    const began = Date.now()
    await page.click(page.css('[data-quick-of="level"]'))
    await (await page.css('[aria-label="Log: level"]')).sendKeys('half')
    await page.click(page.css('[data-take]'))
    await page.until(lines, count => count === before + 1, 'it is in the log')
    expect(Date.now() - began).toBeLessThan(10_000)
    await page.saved()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.until(lines, count => count === before + 1, 'it is there after the page was loaded anew')
    await page.subject('log')
    expect(await page.text('[data-line]')).toMatch(/level/)
    await page.press('Undo')
    await page.until(lines, count => count === before, 'it is taken back')
    await page.size(1280, 800)
  })
  it('is dragged in the tank’s own picture, by keys too', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.subject('today')
    const before = await lines()
    const picture = await page.css('[data-held] [role="slider"]')
    await page.settle(picture)
    await picture.sendKeys(Key.PAGE_DOWN, Key.ARROW_UP)
    await page.click(page.css('[data-log-level]'))
    await page.until(lines, count => count === before + 1, 'it is logged')
    await page.undo(1)
  })
  it('that cannot be is refused with what can, and what was typed stays', async () => {
    await page.click(page.css('[data-quick-of="level"]'))
    await (await page.css('[aria-label="Log: level"]')).sendKeys('fifth rib')
    await page.click(page.css('[data-take]'))
    expect(await page.text('[data-quick] [role="alert"]')).toMatch(/ribs/)
    expect(await page.value('Log: level')).toBe('fifth rib')
    await page.click(page.css('[data-quick-of="level"]'))
  })
})

describe('what the log has taught', () => {
  it('is taken into the plan, and undone', async () => {
    await page.openDemo('quillfern-ridge', 'keep')
    await page.subject('life')
    const of = () => page.text('[data-learned="use"]')
    const taught = (text: string) =>
      text
        .match(/You take (\d\.\d+) ± (\d\.\d+)/)
        ?.slice(1)
        .map(Number) ?? []
    const [use, band] = taught(await of())
    // The household that ships with the app takes 1.18 of what it planned; its log ends yesterday.
    expect(Math.abs(use! - 1.18)).toBeLessThan(band!)
    expect(band).toBeLessThan(0.1)
    await page.click(page.css('[data-learned="use"] .move'))
    const fits = (text: string) => /That fits/.test(text) && Math.abs(taught(text)[0]! - 1) < 0.1
    await page.until(of, fits, 'the plan fits now')
    await page.undo(1)
    await page.until(of, text => Math.abs(taught(text)[0]! - use!) < 0.04, 'it is as it was')
  })
})

describe('a chore', () => {
  it('that is done moves its next; put off it waits; never here it is gone, and comes back', async () => {
    await page.openDemo('quillfern-ridge', 'keep')
    await page.subject('chores')
    const [first] = await page.all('[data-chore]')
    const id = await first!.getAttribute('data-chore')
    const row = () => page.text(`[data-chore="${id}"]`)
    const there = async () => (await page.all(`[data-chore="${id}"]`)).length
    await page.click(page.css(`[data-chore="${id}"] .tick`))
    await page.until(row, text => /last today/.test(text) && !/late/.test(text), 'it was done today')
    await page.undo(1)
    const never = await page.driver.findElement({ xpath: `//*[@data-chore="${id}"]//button[.="Never here"]` })
    await page.click(never)
    await page.until(there, count => count === 0, 'it is gone')
    await page.press('after all')
    await page.until(there, count => count === 1, 'it is back')
  })
  it('leaves as a calendar that is read back', async () => {
    const { name, bytes } = await page.savedFile('[data-save="ics"]')
    expect(name).toBe('quillfern-ridge-chores.ics')
    const text = new TextDecoder().decode(bytes)
    expect(text.startsWith('BEGIN:VCALENDAR')).toBe(true)
    expect(text.match(/BEGIN:VEVENT/g)!.length).toBeGreaterThan(15)
  })
})

describe('what it is doing', () => {
  it('is found question by question, and noted in the log', async () => {
    await page.openDemo('quillfern-ridge', 'keep')
    const before = await lines()
    await page.subject('signs')
    await page.choose('What you see or hear', 'Water comes weakly')
    const branch = () => page.text('[data-branch]')
    await page.until(branch, text => /At all taps, or at one/.test(text), 'the first question')
    await page.click(page.css('[data-no]'))
    await page.until(branch, text => /by-pass/.test(text), 'the next one')
    await page.click(page.css('[data-yes]'))
    await page.until(branch, text => /The cartridge is full/.test(text), 'what it means')
    await page.click(page.css('[data-note]'))
    await page.until(lines, count => count === before + 1, 'it is in the log')
    await page.undo(1)
  })
})

describe('something odd', () => {
  it('is looked into at Try, with what was read filled in', async () => {
    await page.openDemo('brindle-yard', 'keep')
    const reads = encodeURIComponent(JSON.stringify({ 'falls:tank-1': 0.03, 'falls:nowhere': 1 }))
    await page.go(`/site/brindle-yard/try?reads=${reads}`)
    await page.css('.section svg')
    await page.subject('mine')
    const field = '[data-notes="mine"] input[aria-label^="fall of Top drum"]'
    expect(await (await page.css(field)).getAttribute('value')).toMatch(/^(0\.03 m|3 cm|30 mm)$/)
  })
})

describe('the binder', () => {
  it('is one document with all that a stranger needs, opened again', async () => {
    await page.openDemo('quillfern-ridge', 'keep')
    await page.subject('binder')
    const { name, bytes } = await page.savedFile('[data-save="binder"]')
    expect(name).toBe('quillfern-ridge-binder.pdf')
    const { text } = await extractText(bytes, { mergePages: true })
    for (const chapter of ['What stands here', 'The card for the wall', 'Chores', 'What the log tells', 'Cautions'])
      expect(text).toContain(chapter)
    expect(text).toMatch(/levels read/)
  })
})

describe('the log', () => {
  it('leaves as a table, and comes back without a double; what cannot be read is told by its line', async () => {
    await page.openDemo('cinder-tor', 'keep')
    await page.subject('log')
    const before = await lines()
    const { bytes } = await page.savedFile('[data-save="log"]')
    const input = '[data-notes="log"] input[type=file]'
    await page.upload(input, 'log.csv', bytes)
    const notes = () => page.text('[data-notes="log"]')
    await page.until(notes, text => /\d+ lines read, 0 of them new/.test(text), 'none of it is new')
    await page.upload(
      input,
      'mine.csv',
      'date,rain [in],level [cm]\n2026-01-02,0.5,80\n2026-13-02,1,80\n2026-01-03,wet,\n',
    )
    await page.until(notes, text => /2 lines read, 2 of them new/.test(text), 'two lines are new')
    expect(await notes()).toMatch(/Line 3: at must be a day that there is/)
    expect(await notes()).toMatch(/Line 4: “wet” is no number/)
    await page.until(lines, count => count === before + 2, 'they are in the log')
    await page.undo(1)
    await page.click(page.css('[data-paste]'))
    const box = await page.css('textarea')
    await box.sendKeys('date;rain [in]\n2026-02-03;0.25\n')
    await page.press('Read it')
    await page.until(notes, text => /1 line read, 1 of them new/.test(text), 'what was copied in a spreadsheet')
    await page.undo(1)
    expect(await page.errors()).toEqual([])
  })
})
