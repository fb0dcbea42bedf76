import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

/** Nothing is closed unsaved, nothing comes back unasked, and no site keeps the others from showing. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page?.quit())

async function before(source: string): Promise<() => Promise<void>> {
  const { identifier } = await page.devtools<{ identifier: string }>('Page.addScriptToEvaluateOnNewDocument', {
    source,
  })
  return async () => {
    await page.devtools('Page.removeScriptToEvaluateOnNewDocument', { identifier })
  }
}
const toTheYard = async () => {
  await page.press('Tall')
  await page.css('.yard')
}
const left = () => page.text('[data-left]')
const demo = (name: string) => JSON.parse(readFileSync(`demo/${name}.json`, 'utf8')) as Record<string, unknown>

describe('a site that is left unsaved', () => {
  it('with a full disk stands in the Yard as not saved, is opened again as it was, and is saved once there is room', async () => {
    const end = await before(`
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (...given) {
        if (window.diskIsFull && this.name === 'sites') throw new DOMException('full', 'QuotaExceededError');
        return put.apply(this, given);
      }`)
    await page.openDemo('brindle-yard', 'catch')
    await page.driver.executeScript('window.diskIsFull = true')
    await page.type('Length of the piece', '8.4')
    await page.until(
      () => page.text('[data-saving]'),
      text => text === 'not saved',
      'it is told',
    )
    await toTheYard()
    await page.until(left, text => text.includes('no room left') && text.includes('Try again now'), 'it stands there')
    // Another site is opened and left meanwhile.
    await page.click(page.css('a[href^="/site/cinder-tor"]'))
    await page.css('.section svg')
    await toTheYard()
    expect(await left()).toContain('Brindle Yard')
    await page.click(page.css('[data-left="brindle-yard"] a'))
    await page.css('.section svg')
    await page.step('brindle-yard', 'catch')
    expect(await page.value('Length of the piece')).toBe('8.4 m')
    await toTheYard()
    await left()
    await page.driver.executeScript('window.diskIsFull = false')
    await page.press('Try again now')
    await page.until(
      () => page.all('[data-left]'),
      found => found.length === 0,
      'it is saved and let go',
    )
    await page.go('/site/brindle-yard/catch')
    expect(await page.value('Length of the piece')).toBe('8.4 m')
    await page.undo(1)
    await page.saved()
    await end()
  })
  it('that was taken out elsewhere stands there too, and is put back with what was typed', async () => {
    await page.openDemo('brindle-yard', 'catch')
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    await page.go('/')
    await page.click(page.css('[aria-label="Take out Brindle Yard"]'))
    await page.until(
      () => page.all('a[href^="/site/brindle-yard"]'),
      cards => cards.length === 0,
      'it is taken out',
    )
    await page.driver.close()
    await page.driver.switchTo().window(first)
    await page.type('Length of the piece', '8.1')
    await toTheYard()
    await page.until(left, text => text.includes('taken out'), 'it stands there')
    await page.press('Put it back')
    await page.until(
      () => page.all('[data-left]'),
      found => found.length === 0,
      'it is kept again',
    )
    await page.go('/site/brindle-yard/catch')
    expect(await page.value('Length of the piece')).toBe('8.1 m')
    await page.undo(1)
    await page.saved()
  })
})

describe('a demo site that was taken out', () => {
  it('stays out, whenever the Yard is loaded, and comes where it is asked for by its address', async () => {
    await page.go('/')
    await page.click(page.css('[aria-label="Take out Cinder Tor"]'))
    const cards = () => page.all('a[href^="/site/cinder-tor"]')
    await page.until(cards, found => found.length === 0, 'it is taken out')
    await page.driver.navigate().refresh()
    await page.css('a[href^="/site/quillfern-ridge"]')
    await page.still()
    expect(await cards()).toHaveLength(0)
    await page.go('/site/cinder-tor/store')
    await page.css('.section svg')
    await toTheYard()
    await page.until(cards, found => found.length === 1, 'it is there again')
  })
})

describe('a site that cannot be worked with', () => {
  it('is listed with what is wrong and its file, is not opened, and keeps no other from showing', async () => {
    await page.go('/')
    await page.css('a[href^="/site/quillfern-ridge"]')
    const site = demo('brindle-yard') as { nodes: object[]; runs: object[] }
    const ring = {
      ...site,
      id: 'ring',
      name: 'Ring',
      nodes: [...site.nodes, { id: 'o1', kind: 'outfall', name: '', baseM: 0, groundM: 0, to: 'ditch' }],
      runs: [...site.runs, { id: 'r1', from: { node: 'o1', port: 'in' }, to: { node: 'o1', port: 'in' }, parts: [] }],
    }
    await page.driver.executeAsyncScript(
      `const [site, done] = arguments;
      const asked = indexedDB.open('tall-cask');
      asked.onsuccess = () => {
        const now = asked.result.transaction(['sites', 'documents'], 'readwrite');
        now.objectStore('sites').put({ id: site.id, name: site.name, revision: 1, cursor: 0, changedAt: Date.now(), demo: false });
        now.objectStore('documents').put({ id: site.id, text: JSON.stringify(site) });
        now.oncomplete = () => { asked.result.close(); done(); };
      };`,
      ring,
    )
    await page.driver.navigate().refresh()
    const card = () => page.text('li.card:has(a[href^="/site/ring"])')
    await page.until(card, text => text.includes('what has run out has left the site'), 'it is told')
    expect(await card()).toContain('Save it as a file')
    await page.css('li.card:has(a[href^="/site/quillfern-ridge"]) .small-section svg')
    await page.go('/site/ring/store')
    await page.until(
      () => page.text('main'),
      text => text.includes('cannot be worked with'),
      'it is not opened',
    )
    expect(await page.text('main')).toContain('has left the site')
    const { bytes } = await page.savedFile('main .move')
    expect(JSON.parse(new TextDecoder().decode(bytes))).toMatchObject({ id: 'ring', runs: ring.runs })
  })
})

describe('a disk that does not answer', () => {
  it('is worked without after two seconds, which is told, and takes all up once it comes', async () => {
    await page.openDemo('brindle-yard', 'catch')
    await page.type('Length of the piece', '8.7')
    await page.saved()
    const end = await before(`
      const open = IDBFactory.prototype.open;
      IDBFactory.prototype.open = function (...given) {
        const waits = new Promise(done => (window.answer = done));
        const real = { request: undefined };
        const shown = new EventTarget();
        waits.then(() => {
          const request = open.apply(this, given);
          for (const name of ['success', 'error', 'upgradeneeded', 'blocked'])
            request['on' + name] = event => {
              Object.defineProperty(shown, 'result', { get: () => request.result, configurable: true });
              Object.defineProperty(shown, 'transaction', { get: () => request.transaction, configurable: true });
              shown['on' + name]?.({ target: shown, oldVersion: event.oldVersion, preventDefault() {}, stopPropagation() {} });
            };
        });
        return shown;
      }`)
    const began = Date.now()
    await page.go('/site/quillfern-ridge/store')
    await page.css('.section svg')
    expect(Date.now() - began).toBeLessThan(12_000)
    expect(await page.text('.header')).toContain('disk does not answer yet')
    await page.type('Name of the site', 'Changed meanwhile')
    await page.until(
      () => page.text('[data-saving]'),
      text => text === 'in this tab only',
      'it is told',
    )
    await page.driver.executeScript('window.answer()')
    // The disk holds that site already: whose is kept is for the person to say.
    await page.until(
      () => page.text('.header'),
      text => text.includes('Keep this tab’s'),
      'both are there',
    )
    await page.press('Keep this tab’s')
    await page.saved()
    await end()
    await page.go('/site/quillfern-ridge/store')
    expect(await page.value('Name of the site')).toBe('Changed meanwhile')
    await page.go('/site/brindle-yard/catch')
    expect(await page.value('Length of the piece')).toBe('8.7 m')
    await page.undo(1)
    await page.saved()
  })
})
