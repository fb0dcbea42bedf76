import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page?.quit())

/** What every page that is loaded from now on finds before its own code. */
async function before(source: string): Promise<() => Promise<void>> {
  const { identifier } = await page.devtools<{ identifier: string }>('Page.addScriptToEvaluateOnNewDocument', {
    source,
  })
  return async () => {
    await page.devtools('Page.removeScriptToEvaluateOnNewDocument', { identifier })
  }
}
const note = () => page.text('.header .clash')

describe('where the browser keeps nothing', () => {
  it.each([
    ['has no store', 'delete window.indexedDB; Object.defineProperty(window, "indexedDB", { value: undefined })'],
    ['throws when it is opened', 'IDBFactory.prototype.open = () => { throw new DOMException("no", "SecurityError") }'],
    [
      'fails when it is opened',
      `IDBFactory.prototype.open = () => {
        const request = new EventTarget();
        request.error = new DOMException("no", "UnknownError");
        setTimeout(() => {
          request.onerror?.({ target: request, preventDefault() {}, stopPropagation() {} });
        }, 5);
        return request;
      }`,
    ],
    [
      'lets nothing be remembered',
      'Object.defineProperty(window, "localStorage", { get() { throw new DOMException("no", "SecurityError") } })',
    ],
  ] as const)('because it %s, sites are opened, set up, changed and saved as a file', async (which, source) => {
    const end = await before(source)
    await page.go('/')
    const remembers = which === 'lets nothing be remembered'
    if (!remembers)
      await page.until(
        () => page.text('.yard .problems'),
        text => text.includes('keep nothing'),
        'it is told in the Yard',
      )
    await page.click(page.css('a[href^="/site/brindle-yard"]'))
    await page.css('.section svg')
    await page.answered()
    await page.type('Name of the site', `Kept ${which}`)
    await page.until(
      () => page.text('[data-saving]'),
      text => text === (remembers ? 'saved' : 'in this tab only'),
      'and where “saved” stands',
    )
    if (!remembers) expect(await note()).toContain('save a file before you leave')
    await page.press('Undo')
    await page.press('Tall')
    await page.click(page.css('a[href="/new"]'))
    await page.type('Name of the site', 'Made in the air', '')
    await page.press('Set it up')
    await page.css('.section svg')
    await page.press('Tall')
    await page.until(
      () => page.text('.yard'),
      text => text.includes('Made in the air'),
      'it stands in the Yard',
    )
    await end()
  })
})

describe('a disk that is full', () => {
  it('is told loudly, is no other tab, and is tried again by itself', async () => {
    const end = await before(`
      const put = IDBObjectStore.prototype.put;
      IDBObjectStore.prototype.put = function (...given) {
        if (window.diskIsFull && this.name === 'sites') throw new DOMException('full', 'QuotaExceededError');
        return put.apply(this, given);
      }`)
    await page.openDemo('cinder-tor', 'store')
    await page.driver.executeScript('window.diskIsFull = true')
    await page.type('Name of the site', 'Too much')
    await page.until(note, text => text.includes('no room left on the disk'), 'it is told')
    expect(await note()).not.toContain('Another tab')
    expect(await page.text('[data-saving]')).toBe('not saved')
    // Work goes on meanwhile, and nothing of it is lost once there is room.
    await page.type('Name of the site', 'Still too much')
    await page.driver.executeScript('window.diskIsFull = false')
    await page.saved()
    expect(await page.all('.header .clash')).toHaveLength(0)
    await page.go('/site/cinder-tor/store')
    expect(await page.value('Name of the site')).toBe('Still too much')
    await page.undo(2)
    await page.saved()
    await end()
  })
})

describe('another tab', () => {
  const second = async (act: () => Promise<void>) => {
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    await act()
    await page.driver.close()
    await page.driver.switchTo().window(first)
  }
  it('takes the site out: this one is told, keeps all of it, and puts it back with its history', async () => {
    await page.openDemo('brindle-yard', 'catch')
    await page.type('Length of the piece', '8')
    await page.saved()
    await second(async () => {
      await page.go('/')
      await page.click(page.css('[aria-label="Take out Brindle Yard"]'))
      await page.until(
        () => page.all('a[href^="/site/brindle-yard"]'),
        cards => cards.length === 0,
        'it is taken out',
      )
    })
    await page.until(note, text => text.includes('taken out of the Yard in another tab'), 'it is told')
    await page.type('Length of the piece', '9')
    await page.press('Put it back')
    await page.saved()
    await page.go('/site/brindle-yard/catch')
    expect(await page.value('Length of the piece')).toBe('9 m')
    await page.undo(2)
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '7 m',
      'its history came back too',
    )
    await page.saved()
  })
  it('puts it back from the Yard only where nothing newer stands', async () => {
    await page.go('/')
    await page.click(page.css('[aria-label="Take out Cinder Tor"]'))
    await page.button('Put it back')
    await second(async () => {
      // The demo comes anew, and is changed.
      await page.go('/site/cinder-tor/store')
      await page.type('Name of the site', 'Newer')
      await page.saved()
    })
    await page.press('Put it back')
    await page.until(
      () => page.text('body'),
      text => text.includes('stands in the Yard again already'),
      'it is told',
    )
    expect(await page.text('.yard')).toContain('Newer')
  })
  it('saves the very field in which something is half typed: what is typed stays', async () => {
    await page.openDemo('brindle-yard', 'catch')
    const field = await page.field('Length of the piece')
    await field.click()
    await field.sendKeys(Key.chord(Key.CONTROL, 'a'), '12.3')
    await second(async () => {
      await page.go('/site/brindle-yard/catch')
      await page.type('Length of the piece', '6')
      await page.saved()
    })
    await page.until(
      async () => (await page.field('Width of the piece')).getAttribute('value'),
      value => value !== '',
      'the other tab’s site is here',
    )
    expect(await page.value('Length of the piece')).toBe('12.3')
    await (await page.field('Length of the piece')).sendKeys(Key.ENTER)
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '12.3 m',
      'and is taken',
    )
    await page.undo(2)
    await page.saved()
  })
})
