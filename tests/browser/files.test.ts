import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const quillfern = () => JSON.parse(readFileSync('demo/quillfern-ridge.json', 'utf8')) as Record<string, unknown>

describe('a rain record', () => {
  const RECORD = '.el-dialog input[type=file]'
  const openReader = async () => {
    await page.openDemo('quillfern-ridge', 'catch')
    await page.press('Load a rain record')
    await page.css('.el-dialog')
  }

  it('with every trap is understood, told with counts, and used', async () => {
    await openReader()
    await page.upload(RECORD, 'ridge.csv', readFileSync('demo/ridge-rain.csv'))
    const text = await page.until(
      () => page.text('.el-dialog'),
      seen => seen.includes('days,') || seen.includes('days, '),
      'the record is read',
    )
    expect(text).toMatch(/4.?383 days, 2011-01-01 to 2022-12-31/)
    expect(text).toContain('5 days have no figure')
    expect(text).toContain('1 trace is taken as dry')
    expect(text).toContain('1 day stands twice')
    await page.press('Use this record')
    await page.until(
      () => page.text('.climate'),
      seen => seen.includes('a record of 4383 days'),
      'the record is in the site',
    )
    await page.answered()
    expect(await page.text('.margin')).toContain('record ridge.csv')
    await page.press('Undo')
    await page.until(
      () => page.text('.climate'),
      seen => seen.includes('made up'),
      'the record is undone',
    )
    await page.saved()
  })

  it('asks for a unit that the file leaves open, and does not count before it is answered', async () => {
    await openReader()
    const inches = [
      'date,rain',
      ...Array.from(
        { length: 400 },
        (_, day) => `${new Date(Date.UTC(2003, 0, 1 + day)).toISOString().slice(0, 10)},${day % 5 ? 0 : 0.4}`,
      ),
    ].join('\n')
    await page.upload(RECORD, 'inches.csv', inches)
    await page.until(
      () => page.text('.el-dialog'),
      seen => seen.includes('does not name its unit'),
      'the unit is asked',
    )
    expect(await (await page.button('Use this record')).isEnabled()).toBe(false)
    await page.press('It is in')
    await page.until(async () => (await page.button('Use this record')).isEnabled(), Boolean, 'the answer settles it')
  })

  it('of months is asked about, and gives the plan its months', async () => {
    await openReader()
    const months = Array.from(
      { length: 240 },
      (_, at) => `${1990 + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01,${40 + (at % 12) * 5}`,
    )
    await page.upload(RECORD, 'months.csv', ['month,rain_mm', ...months].join('\n'))
    await page.until(
      () => page.text('.el-dialog'),
      seen => seen.includes('The lines stand 31 days apart. If they are sums, they give 810 mm a year'),
      'what the lines are is asked',
    )
    await page.press('They are sums')
    await page.until(
      () => page.text('.el-dialog'),
      seen => seen.includes('810 mm a year') && seen.includes('takes the mean of each month'),
      'the months are told',
    )
    await page.press('Use this record')
    await page.until(
      () => page.text('.climate'),
      seen => seen.includes('record months.csv'),
      'the months are the site’s',
    )
    await page.answered()
    await page.press('Undo')
    await page.saved()
  })

  it('that cannot be read says why, line by line, and changes nothing', async () => {
    await openReader()
    await page.upload(RECORD, 'poem.txt', 'It rained\nand rained\n')
    await page.until(
      () => page.text('.el-dialog .problems'),
      seen => seen.includes('No line of this file holds a date') && seen.includes('Nothing was changed'),
      'a poem is refused',
    )
    await page.upload(RECORD, 'short.csv', 'date,rain\n2001-02-30,4\n2001-01-02,soaked\n2001-01-03,5\n')
    await page.until(
      () => page.text('.el-dialog .problems'),
      seen => seen.includes('Line 2') && seen.includes('no such date') && seen.includes('Line 3'),
      'the lines are named',
    )
    await page.press('Leave it')
    expect(await page.text('.climate')).toContain('made up')
  })
})

describe('site files', () => {
  const PICK = '.yard input[type=file]'
  const refused = async (name: string, content: string, reason: string) => {
    await page.go('/')
    // The last of the demo sites to come.
    await page.css('a[href^="/site/cinder-tor"]')
    const before = (await page.all('.card')).length
    await page.upload(PICK, name, content)
    await page.until(
      () => page.text('.yard .problems'),
      seen => seen.includes(reason),
      `${name} is refused for its reason`,
    )
    expect((await page.all('.card')).length).toBe(before)
  }

  it('broken, foreign, newer and hostile ones are told in plain words, and nothing is lost', async () => {
    await refused('broken.json', '{"format": "tall-cask/site", ', 'not JSON')
    await refused('foreign.json', '{"format":"garden","version":1}', 'not a Tall Cask site')
    await refused('newer.json', JSON.stringify({ ...quillfern(), version: 9 }), 'newer Tall Cask')
    await refused(
      'hostile.json',
      JSON.stringify({
        ...quillfern(),
        nodes: [{ kind: 'tank', id: '../../x', name: '<img src=x onerror=alert(1)>' }],
      }),
      'letters, digits and dashes',
    )
    await refused('empty.json', '', 'empty')
  })

  it('a sound one opens, under a name of its own where the id is taken', async () => {
    await page.go('/')
    await page.css('a[href^="/site/quillfern-ridge"]')
    await page.upload(PICK, 'copy.json', JSON.stringify({ ...quillfern(), name: '<b>Copy</b>' }))
    await page.css('.section svg')
    expect(await page.value('Name of the site')).toBe('<b>Copy</b>')
    expect(await page.driver.getCurrentUrl()).not.toMatch(/quillfern-ridge\//)
  })

  it('the site and its days are saved as files that read back', async () => {
    await page.openDemo('cinder-tor')
    const saved = await page.driver.executeAsyncScript<{ name: string; text: string }[]>(`
      const done = arguments[arguments.length - 1], files = [], make = URL.createObjectURL;
      URL.createObjectURL = (blob) => {
        const file = { text: '', name: '' };
        files.push(file);
        blob.text().then(text => { file.text = text });
        return make.call(URL, blob);
      };
      HTMLAnchorElement.prototype.click = function () { if (this.download) files.at(-1).name = this.download };
      const wait = ms => new Promise(r => setTimeout(r, ms));
      (async () => {
        for (const words of ['Save this site as a file', 'days as CSV']) {
          [...document.querySelectorAll('.tools button')].find(b => b.textContent.trim().startsWith('Files')).click();
          await wait(500);
          const before = files.length;
          [...document.querySelectorAll('.el-dropdown-menu__item')]
            .find(i => i.textContent.includes(words)).dispatchEvent(new MouseEvent('click', { bubbles: true }));
          for (let times = 0; times < 100 && !files[before]?.text; times++) await wait(100);
        }
        done(files);
      })()`)
    expect(saved.map(file => file.name)).toEqual([
      'cinder-tor.tallcask.json',
      expect.stringMatching(/^cinder-tor-made-up-\d+\.csv$/),
    ])
    // It has been lived with for two years since it was drawn up.
    const { log, ...site } = JSON.parse(saved[0]!.text) as { log: object[] }
    expect(site).toEqual(JSON.parse(readFileSync('demo/cinder-tor.json', 'utf8')))
    expect(log.length).toBeGreaterThan(100)
    const days = saved[1]!.text.trim().split(/\r?\n/)
    expect(days[0]).toContain('held_L')
    expect(days.length).toBeGreaterThanOrEqual(366)
  })
})

describe('closing at any moment', () => {
  it('the whole Yard is saved as one file, and opens as the sites that it holds', async () => {
    await page.go('/')
    await page.css('a[href^="/site/cinder-tor"]')
    const before = (await page.all('.card')).length
    const text = await page.driver.executeAsyncScript<string>(`
      const done = arguments[arguments.length - 1], make = URL.createObjectURL;
      URL.createObjectURL = blob => { blob.text().then(done); return make.call(URL, blob) };
      HTMLAnchorElement.prototype.click = () => {};
      [...document.querySelectorAll('button')].find(each => each.textContent.includes('whole Yard')).click()`)
    const yard = JSON.parse(text) as { format: string; sites: { id: string }[] }
    expect(yard.format).toBe('tall-cask/yard')
    expect(yard.sites).toHaveLength(before)
    expect(yard.sites.map(site => site.id)).toContain('cinder-tor')
    await page.go('/')
    await page.css('.card')
    await page.upload('.yard input[type=file]', 'yard.tallcask.json', text)
    await page.until(
      () => page.all('.card'),
      cards => cards.length === 2 * before,
      'each stands beside what was there, under an id of its own',
    )
  })

  it('keeps all that was shown as saved, when the tab is killed in the middle of editing', async () => {
    await page.openDemo('brindle-yard', 'catch')
    await page.type('Length of the piece', '8.25')
    await page.saved()
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    const second = await page.driver.getWindowHandle()
    await page.driver.switchTo().window(first)
    await (await page.field('Width of the piece')).sendKeys('99')
    await page.driver.close()
    await page.driver.switchTo().window(second)
    await page.go('/site/brindle-yard/catch')
    expect(await page.value('Length of the piece')).toBe('8.25 m')
    await page.press('Undo')
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '7 m',
      'its history came along',
    )
    await page.saved()
  })

  it('two tabs on one site notice each other', async () => {
    await page.size(1280, 800)
    await page.openDemo('brindle-yard', 'catch')
    const first = await page.driver.getWindowHandle()
    await page.driver.switchTo().newWindow('tab')
    await page.go('/site/brindle-yard/catch')
    await page.type('Length of the piece', '9')
    await page.saved()
    const second = await page.driver.getWindowHandle()
    await page.driver.switchTo().window(first)
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '9 m',
      'an idle tab takes over what the other saved',
    )
    await page.driver.switchTo().window(second)
    await page.press('Undo')
    await page.saved()
    await page.driver.close()
    await page.driver.switchTo().window(first)
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '7 m',
      'undo travels too',
    )
    await page.driver.actions().sendKeys(Key.ESCAPE).perform()
  })
})
