import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const lit = async () => (await page.css('.index [aria-current="true"]')).getAttribute('data-subject')
const notes = () => page.text('.notes')
const isLit = (id: string) => page.until(lit, subject => subject === id, `${id} is in hand`)

describe('one subject at a time', () => {
  it('is chosen in the index by pointer and by arrows, each with its key figure and its mark', async () => {
    await page.openDemo('quillfern-ridge', 'store')
    await isLit('tank-1')
    const index = await page.text('.index')
    expect(index).toMatch(/East tank A \+ East tank B\s*, to look at\s+18\.1 m³/)
    expect(index).toMatch(/Dry spell\s+\d+ days/)
    expect(await page.all('.index [data-subject="tank-1"] .look')).toHaveLength(1)
    expect(await page.all('.index [data-subject="tank-3"] .clear')).toHaveLength(1)
    await (await page.css('.index [aria-current="true"]')).sendKeys(Key.ARROW_DOWN)
    await isLit('tank-3')
    expect(await page.text('.notes h2')).toBe('Header')
    await (await page.css('.index [aria-current="true"]')).sendKeys(Key.ARROW_DOWN, Key.ARROW_DOWN)
    await isLit('outside')
    expect(await notes()).toContain('Water from outside')
    expect(await notes()).not.toContain('Header is a kind of')
  })
  it('is chosen in the Section, where the same thing is lit', async () => {
    await page.driver.executeScript(
      'document.querySelector(\'[data-node="tank-3"]\').dispatchEvent(new MouseEvent("click", { bubbles: true }))',
    )
    await isLit('tank-3')
    await page.click(page.css('.index [data-subject="tank-1"]'))
    await page.css('[data-node="tank-1"].on')
  })
  it('is chosen by a finding and by Find, at the step that tells of it', async () => {
    const card = await page.css('.finding[data-check="gutter-too-small"]')
    await page.click(card.findElement({ xpath: './/button[.="Show it"]' }))
    await page.until(
      () => page.driver.getCurrentUrl(),
      url => url.endsWith('/catch'),
      'at Catch',
    )
    await isLit('roof-2')
    await page.driver.actions().sendKeys('/').perform()
    await (await page.css('.el-dialog input')).sendKeys('Header', Key.ENTER)
    await page.until(
      () => page.driver.getCurrentUrl(),
      url => url.endsWith('/store'),
      'at Store',
    )
    await isLit('tank-3')
  })
  it('leaves what was found as its owner wants it, and tells of it again when asked', async () => {
    const wanted = async (check: string) => {
      await page.still()
      const button = './/button[normalize-space()="This is how I want it"]'
      await page.click((await page.css(`.finding[data-check="${check}"]`)).findElement({ xpath: button }))
    }
    await wanted('no-first-flush')
    await page.until(page.findings, found => !found.includes('no-first-flush'), 'it is told no more')
    expect(await page.text('.margin')).toContain('1 finding is as you want it')
    // What is wrong wants a reason, so that it can be read later.
    await wanted('gutter-too-small')
    await (await page.css('.finding[data-check="gutter-too-small"] input')).sendKeys('Gravel below', Key.ENTER)
    await page.until(page.findings, found => !found.includes('gutter-too-small'), 'and so is this')
    // What followed from it is told by itself.
    expect(await page.findings()).toContain('spill-over-door')
    await page.click(page.css('.accepted button'))
    expect(await page.text('.accepted')).toMatch(/2 findings are as you want it.*Gravel below/s)
    await page.click(page.css('.accepted li:first-child button'))
    await page.until(page.findings, found => found.includes('gutter-too-small'), 'one is told again')
    await page.click(page.css('.accepted li:first-child button'))
    await page.until(page.findings, found => found.includes('no-first-flush'), 'and the other')
  })
  it('stands where a step was left', async () => {
    await page.subject('spell')
    await page.click(page.css('.path a[href$="/need"]'))
    await page.css('.sheet[aria-label="The Sheet: Need"]')
    await page.click(page.css('.path a[href$="/store"]'))
    await isLit('spell')
  })
  it('none needs more than two windows of scrolling', async () => {
    for (const site of ['quillfern-ridge', 'brindle-yard', 'cinder-tor'])
      for (const step of ['need', 'catch', 'clean', 'store', 'lift', 'reach', 'try', 'build']) {
        await page.openDemo(site, step)
        const tall = await page.driver.executeAsyncScript<string[]>(`
          const done = arguments[0];
          const frame = () => new Promise(next => requestAnimationFrame(() => requestAnimationFrame(next)));
          (async () => {
            const tall = [];
            for (const subject of document.querySelectorAll('.index button')) {
              subject.click();
              await frame();
              const notes = document.querySelector('.notes');
              if (notes.scrollHeight > 3 * notes.clientHeight) tall.push(subject.dataset.subject + ' ' + notes.scrollHeight);
            }
            done(tall);
          })()`)
        expect(tall, `${site} ${step}`).toEqual([])
      }
  })
})

describe('groups that fold', () => {
  it('open where something is amiss, and as a person left them', async () => {
    await page.openDemo('quillfern-ridge', 'store')
    await page.click(page.css('.index [data-subject="tank-1"]'))
    const head = (id: string) => page.css(`[data-fold="${id}"] button[aria-expanded]`)
    const shown = async (id: string) => (await head(id)).getAttribute('aria-expanded')
    expect(await shown('store-spills')).toBe('true')
    expect(await shown('store-stands-tank-1')).toBe('false')
    expect(await page.text('[data-fold="store-stands-tank-1"]')).toMatch(/on .+/)
    await page.click(head('store-stands-tank-1'))
    await page.until(
      () => shown('store-stands-tank-1'),
      open => open === 'true',
      'opened',
    )
    await page.click(page.css('.index [data-subject="tank-3"]'))
    await page.click(page.css('.index [data-subject="tank-1"]'))
    await page.until(
      () => shown('store-stands-tank-1'),
      open => open === 'true',
      'still open',
    )
  })
})

describe('the line between Section and Sheet', () => {
  it('moves by keys, and is remembered', async () => {
    const height = async () => (await (await page.css('.section')).getRect()).height
    const before = await height()
    await (await page.css('.split')).sendKeys(...Array.from({ length: 5 }, () => Key.ARROW_UP))
    const smaller = await page.until(height, now => now < before - 60, 'the Section is smaller')
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.until(height, now => Math.abs(now - smaller) < 3, 'after a reload too')
    await (await page.css('.split')).sendKeys(Key.HOME)
    await page.until(height, now => Math.abs(now - before) < 3, 'and put back')
  })
})

describe('an option that no longer fits', () => {
  it('says which change, and the rest is adopted', async () => {
    await page.openDemo('brindle-yard', 'store')
    await page.press('Or try changes of your own')
    await page.subject('tank-3')
    const name = await page.field('Name of the tank')
    await name.sendKeys(Key.chord(Key.CONTROL, 'a'), 'Cellar drum', Key.ENTER)
    await page.subject('tank-2')
    await page.type('Diameter', '0.7 m')
    await page.press('Keep it as an option')
    await page.subject('tank-2')
    await page.press('Take Middle drum out')
    await page.subject('ways')
    await page.until(
      () => page.text('.options'),
      text => text.includes('No longer fits: '),
      'what no longer fits',
    )
    await page.press('Adopt the rest')
    await page.until(
      () => page.text('.index'),
      text => text.includes('Cellar drum') && text.includes('Top drum'),
      'the drum it was made for is renamed, and no other',
    )
    await page.press('Undo')
    await page.press('Undo')
  })
})

describe('the Section', () => {
  const widthPx = () => page.driver.executeScript<number>('return document.querySelector(".section svg").clientWidth')
  const shiftPx = () =>
    page.driver.executeScript<number>('return document.querySelector(".section .scroll").scrollLeft')

  it('is made wider by the wheel and by keys, moved along by a drag, and a double click shows the whole', async () => {
    await page.openDemo('quillfern-ridge')
    const whole = await widthPx()
    const ground = await page.css('.section svg')
    await page.wheel(ground, -400)
    await page.until(widthPx, px => px > whole * 1.5, 'wider by the wheel')
    const [before, wheeled] = [await shiftPx(), await widthPx()]
    await page.driver.actions().move({ origin: ground, x: 0, y: -120 }).press().perform()
    await page.driver.actions().move({ origin: ground, x: -90, y: -120 }).release().perform()
    await page.until(shiftPx, px => Math.abs(px - before - 90) < 8, 'moved along')
    await (await page.css('.section [data-node="tank-1"]')).sendKeys('+')
    await page.until(widthPx, px => px > wheeled * 1.2, 'wider by a key')
    await page.press('Show the whole')
    await page.until(widthPx, px => px === whole, 'whole again')
  })
  it('lets a part be picked, by pointer and by keys, and tells its name', async () => {
    const [pump] = await page.all('.section [data-part][aria-label^="pump"]')
    await page.click(pump!)
    expect(await page.text('.bar')).toContain('pump')
    expect(await pump!.getAttribute('tabindex')).toBe('0')
    expect(await pump!.getAttribute('aria-pressed')).toBe('true')
  })
  it('says how high what is dragged stands, and picks it', async () => {
    const header = await page.css('.section [data-node="tank-3"]')
    const drag = page.driver.actions()
    await drag.move({ origin: header }).press().move({ origin: header, x: 0, y: -20 }).perform()
    expect(await page.text('.caption .now')).toMatch(/^Header: 19\.\d+ m$/)
    await page.driver.actions().release().perform()
    await isLit('tank-3')
    expect(await page.all('.caption .now')).toHaveLength(0)
    await page.press('Undo')
  })
})
