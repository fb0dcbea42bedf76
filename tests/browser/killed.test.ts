import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

/** What was shown, and above all what was shown as saved, is there again however a page ends. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page?.quit())

/** A crash is answered by nobody, or late: it is not waited for longer than this. */
const CRASH_MS = 5000
const within = (work: Promise<unknown>) =>
  Promise.race([work.catch(() => undefined), new Promise(done => setTimeout(done, CRASH_MS))])
/** Opens a page, has it work for so long, and kills it; back in the page that keeps what was shown. */
async function killed(
  path: string,
  there: () => Promise<unknown>,
  work: string,
  until: number | ((keeper: string) => Promise<unknown>),
): Promise<void> {
  const keeper = await page.driver.getWindowHandle()
  await page.driver.switchTo().newWindow('tab')
  await page.go(path)
  await there()
  await page.driver.executeScript(work)
  await (typeof until === 'number' ? page.driver.sleep(until) : until(keeper))
  await within(page.devtools('Page.crash', {}))
  await within(page.driver.close())
  await page.driver.switchTo().window(keeper)
}

describe('a page that is killed', () => {
  /** In the page: edits, undoes and redoes by the buttons and fields, and tells another page all that it has shown. */
  const WORK = `
    const pause = ms => new Promise(next => setTimeout(next, ms));
    const shown = () => {
      const value = name => document.querySelector('input[aria-label="' + name + '"]').value;
      const undo = [...document.querySelectorAll('.tool')].find(each => each.textContent.trim() === 'Undo').title;
      return [value('Length of the piece'), value('Width of the piece'), undo].join(' / ');
    };
    const type = (name, text) => {
      const input = document.querySelector('input[aria-label="' + name + '"]');
      input.focus();
      input.value = text;
      input.dispatchEvent(new Event('input', { bubbles: true }));
      input.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    };
    const press = name => [...document.querySelectorAll('.tool')].find(each => each.textContent.trim().startsWith(name))?.click();
    const channel = new BroadcastChannel('shown');
    const note = () => channel.postMessage(shown());
    (async () => {
      note();
      for (;;) {
        const dice = Math.random();
        if (dice < 0.35) type('Length of the piece', (4 + Math.floor(Math.random() * 50) / 10).toString());
        else if (dice < 0.6) type('Width of the piece', (3 + Math.floor(Math.random() * 30) / 10).toString());
        else if (dice < 0.85) press('Undo');
        else press('Redo');
        await pause(0);
        note();
        await pause(Math.random() * 60);
        note();
      }
    })()`
  const SHOWN = `
    const value = name => document.querySelector('input[aria-label="' + name + '"]').value;
    const undo = [...document.querySelectorAll('.tool')].find(each => each.textContent.trim() === 'Undo');
    return [[value('Length of the piece'), value('Width of the piece'), undo.title].join(' / '), undo.disabled];`

  it('at any moment of two dozen is opened again as it was shown, with all its history', async () => {
    await page.go('/')
    await page.css('a[href^="/site/brindle-yard"]')
    await page.driver.executeScript(`
      window.shown = new Set();
      new BroadcastChannel('shown').onmessage = ({ data }) => window.shown.add(data)`)
    const there = () => page.field('Width of the piece')
    for (let round = 0; round < 24; round++)
      await killed('/site/brindle-yard/catch', there, WORK, 80 + ((round * 67) % 400))
    const all = await page.driver.executeScript<string[]>('return [...window.shown]')
    expect(all.length).toBeGreaterThan(24)
    await page.go('/site/brindle-yard/catch')
    await page.field('Width of the piece')
    for (let steps = 0; steps < 60; steps++) {
      const [seen, first] = await page.driver.executeScript<[string, boolean]>(SHOWN)
      expect(all).toContain(seen)
      if (first) break
      await page.undo(1)
    }
  }, 180000)

  /**
   * In the page: logs, takes out and puts back, keeps photos, loads a rain record, and tells another page what it shows
   * and whether that is shown as saved.
   */
  const LOG_WORK = `
    const pause = ms => new Promise(next => setTimeout(next, ms));
    const one = selector => document.querySelector(selector);
    const button = name => [...document.querySelectorAll('button')].find(each => each.textContent.trim() === name);
    const comes = async read => { for (let times = 0; times < 200 && !read(); times++) await pause(5); return read(); };
    const channel = new BroadcastChannel('logged');
    const note = () => channel.postMessage({ ...(SEEN)(), saved: one('[data-saving]').dataset.saving === 'saved' });
    const give = (input, file) => {
      const files = new DataTransfer();
      files.items.add(file);
      input.files = files.files;
      input.dispatchEvent(new Event('change', { bubbles: true }));
    };
    const write = async (of, text) => {
      one('[data-quick-of=' + of + ']').click();
      const input = await comes(() => one('input[aria-label="Log: ' + of + '"]'));
      input.value = text;
      input.dispatchEvent(new Event('input', { bubbles: true }));
      one('[data-take]').click();
    };
    const photo = async () => {
      const canvas = Object.assign(document.createElement('canvas'), { width: 400, height: 300 });
      canvas.getContext('2d').fillRect(Math.random() * 300, 40, 90, 90);
      const blob = await new Promise(done => canvas.toBlob(done));
      give(one('[data-photos=log] input[type=file]'), new File([blob], 'photo.png', { type: 'image/png' }));
    };
    const record = async () => {
      one('a[href$="/brindle-yard/catch"]').click();
      (await comes(() => one('.index [data-subject=weather]'))).click();
      (await comes(() => button('Load a rain record'))).click();
      const input = await comes(() => one('.el-dialog input[type=file]'));
      const from = 1950 + Math.floor(Math.random() * 40);
      const days = Array.from({ length: 4000 }, (_, at) =>
        new Date(Date.UTC(from, 0, 1 + at)).toISOString().slice(0, 10) + ',' + (at % 3 ? 0 : (at % 17) + 1));
      give(input, new File(['date,rain [mm]\\n' + days.join('\\n')], 'record-' + from + '.csv', { type: 'text/csv' }));
      const take = () => button('Use this record');
      await comes(() => take() && !take().disabled);
      take()?.click();
      await pause(0);
      note();
      await pause(Math.random() * 120);
      note();
      one('a[href$="/brindle-yard/keep"]').click();
      (await comes(() => one('.index [data-subject=log]'))).click();
      await comes(() => one('[data-quick]'));
    };
    (async () => {
      note();
      // A slow machine comes to these by chance too seldom.
      if (EAGER) { await photo(); await record(); }
      for (let turn = 0; ; turn++) {
        note();
        const dice = Math.random();
        if (dice < 0.35) await write('rain', (1 + Math.floor(Math.random() * 300) / 10) + ' mm');
        else if (dice < 0.5) await write('note', 'Seen at ' + Math.random());
        else if (dice < 0.62) await photo();
        else if (dice < 0.7) one('[data-line] .out button')?.click();
        else if (dice < 0.82) button('Undo')?.click();
        else if (dice < 0.9) button('Redo')?.click();
        else await record();
        await pause(0);
        note();
        await pause(Math.random() * 80);
      }
    })()`
  /** In the page: what it shows of the log, of the photos, and of the last step that could be undone. */
  const SEEN = `() => ({
    undo: [...document.querySelectorAll('.tool')].find(each => each.textContent.trim() === 'Undo').title,
    log: document.querySelector('[data-notes=log]') && [...document.querySelectorAll('[data-line]')]
      .map(line => line.dataset.line + ' ' + (line.querySelector('.quantity input, td:nth-child(3) input')?.value ?? '')).join(),
    photos: document.querySelectorAll('[data-photos=log] img').length,
  })`
  interface Seen {
    undo: string
    log: string | null
    photos: number
    saved: boolean
  }
  const seenNow = () => page.driver.executeScript<Seen>(`return (${SEEN})()`)
  const atLog = async () => {
    await page.css('.index [data-subject="log"]')
    await page.subject('log')
    await page.css('[data-quick]')
    await page.css('[data-photos="log"]')
  }

  it('while it logs, keeps photos and reads rain records, is opened again as it was shown, and lost nothing saved', async () => {
    await page.openDemo('brindle-yard', 'keep')
    await page.go('/')
    await page.css('a[href^="/site/brindle-yard"]')
    await page.driver.executeScript(`
      window.seen = [];
      new BroadcastChannel('logged').onmessage = ({ data }) => window.seen.push(data)`)
    const work = (eager: boolean) => LOG_WORK.replace('SEEN', () => SEEN).replace('EAGER', String(eager))
    const shown = () => page.driver.executeScript<Seen[]>('return window.seen')
    /** All that is to be kept was there. */
    const isMuch = (all: readonly Seen[]) =>
      all.length > 60 && all.some(({ undo }) => undo.includes('record-')) && all.some(({ photos }) => photos > 0)
    for (let round = 0; round < 12; round++)
      await killed('/site/brindle-yard/keep', atLog, work(false), 200 + ((round * 211) % 1300))
    // Once more, killed the moment a record and a photo are there.
    await killed('/site/brindle-yard/keep', atLog, work(true), async keeper => {
      const own = await page.driver.getWindowHandle()
      await page.driver.switchTo().window(keeper)
      await page.until(shown, isMuch, 'a record and a photo were shown')
      await page.driver.switchTo().window(own)
    })
    const seen = await shown()
    await page.go('/site/brindle-yard/keep')
    await atLog()
    const now = await seenNow()
    const last = (of: (one: Seen) => boolean) => seen.findLastIndex(of)
    // It may be a state that came after the last that was seen saved, and none from before it.
    expect(last(({ undo }) => undo === now.undo)).toBeGreaterThanOrEqual(last(({ saved }) => saved))
    await page.until(
      seenNow,
      ({ photos }) => photos >= Math.max(...seen.map(each => each.photos)),
      'the photos are there',
    )
    const [titles, logs] = [new Set(seen.map(({ undo }) => undo)), new Set(seen.map(({ log }) => log))]
    for (let steps = 0; steps < 80; steps++) {
      const { undo, log } = await seenNow()
      expect([titles.has(undo), logs.has(log)], `${undo}: ${log}`).toEqual([true, true])
      if (await (await page.button('Undo')).getAttribute('disabled')) break
      await page.undo(1)
    }
  }, 480_000)
})
