import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

/** The plant, live: played, stopped, broken, and played again from a file. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const book = async () =>
  Promise.all((await page.all('.book [data-event]')).map(each => each.getAttribute('data-event')))
const clock = () => page.text('[data-figure="clock"]')
const click = async (selector: string) => page.click(page.css(selector))

describe('the plant', () => {
  beforeAll(async () => {
    await page.openDemo('quillfern-ridge', 'try')
    await page.subject('live')
    await page.css('.do')
  })
  it('is run, stopped and run again: its clock goes on from where it stood', async () => {
    expect(await clock()).toBe('07:00:00')
    await page.press('Run')
    await page.until(clock, time => time > '07:00:30', 'time goes by')
    await page.press('Pause')
    const stood = await clock()
    await new Promise(done => setTimeout(done, 400))
    expect(await clock()).toBe(stood)
    await page.press('Step a minute')
    await page.until(clock, time => time > stood, 'a minute on')
    await page.press('Run')
    const stepped = await clock()
    await page.until(clock, time => time > stepped, 'it goes on')
    await page.press('Pause')
  })
  it('a tap that is opened runs, its water is seen to move, and without power one by gravity still gives', async () => {
    await click('[data-tap="shower-tap"]')
    await page.until(
      () => page.text('[data-tap="shower-tap"]'),
      text => text.includes('L/s'),
      'the shower runs',
    )
    await page.css('.section [data-flow="to-shower"]')
    await page.until(book, events => events.includes('pump-starts'), 'the set starts')
    await click('[data-do="power"]')
    await page.until(book, events => events.includes('power-off'), 'the power goes')
    await click('[data-tap="bench-tap"]')
    const gives = async () => Number.parseFloat(await page.text('[data-tap="bench-tap"]'))
    await page.until(gives, lps => lps > 0.02, 'the bench tap by gravity gives')
    expect(Number.parseFloat(await page.text('[data-tap="shower-tap"]'))).toBeLessThan(0.1)
    // Drained down, every tap stands open and the level falls.
    await click('[data-do="drain"]')
    await page.until(
      () => page.all('[data-tap][aria-pressed="true"]'),
      open => open.length === 5,
      'every tap is open',
    )
  })
})

describe('readings', () => {
  it('are pinned by picking in the Section, told there as they change, and kept for the card', async () => {
    await page.openDemo('brindle-yard', 'try')
    await page.subject('live')
    await click('[data-do="pin"]')
    const tank = await page.css('.section [data-node="tank-1"]')
    await page.driver.executeScript(`arguments[0].dispatchEvent(new MouseEvent('click', { bubbles: true }))`, tank)
    const pin = () => page.text('[data-pin]')
    await page.until(pin, text => /^Level of .+ \d\.\d+ m/.test(text), 'the level is told')
    await page.css('.section .labels .pin')
    await page.press('So it should show')
    await page.until(pin, text => text.includes('should be'), 'it is kept')
    await page.subject('card')
    expect(await page.text('[data-line^="pin:"]')).toContain('as it was kept')
    await page.undo(2)
  })
})

describe('plays', () => {
  it('a storm on full tanks: they spill, and the water stands over their overflows', async () => {
    await page.openDemo('quillfern-ridge', 'try')
    await page.subject('play')
    await click('[data-play="storm-on-full"]')
    await page.until(book, events => events.includes('spills') && events.includes('chamber-full'), 'it spills')
    await page.css('.section [data-flow="run-1"]')
    await page.press('Pause')
  })
  it('is saved as a file and played again from it, the very same; what is none says why', async () => {
    await page.openDemo('brindle-yard', 'try')
    await page.subject('play')
    await page.css('button[aria-label="Save A usual day as a file"]')
    const file = await page.savedFile('button[aria-label="Save A usual day as a file"]')
    expect(file.name).toBe('brindle-yard-usual-day.script.json')
    await page.upload('[data-notes="plays"] input[type=file]', 'day.json', '{"format":"other"}')
    await page.until(
      () => page.text('.notes'),
      text => text.includes('no script of Tall Cask'),
      'it is refused',
    )
    await page.upload('[data-notes="plays"] input[type=file]', 'day.json', file.bytes)
    await page.until(book, events => events.includes('tap-opens'), 'it plays')
    expect(await page.text('.clock')).toContain('playing “A usual day”')
    await page.press('Pause')
  })
  it('a float that sticks runs its tank over', async () => {
    await page.openDemo('cinder-tor', 'try')
    await page.subject('break')
    await click('[data-break="float-stuck-open"]')
    await page.choose('Speed', '10 minutes a second')
    await page.press('Run')
    await page.until(book, events => events.includes('spills'), 'the tank runs over')
    await page.press('Pause')
  })
})

describe('what breaks', () => {
  it('unseen is found: readings are taken, it is named, and the quickest way is told', async () => {
    await page.openDemo('brindle-yard', 'try')
    await page.subject('find')
    await page.press('Break something unseen')
    const places = () => page.all('[data-take]')
    await page.until(places, found => found.length > 4, 'there is something to read')
    for (let times = 0; times < 2; times++) await page.click((await places())[0]!)
    await page.until(
      () => page.all('[data-read]'),
      read => read.length === 2,
      'two readings are taken',
    )
    // A valve may be turned for a reading: a test, which costs the way there and back.
    const minutes = async () => Number(/(\d+) minutes/.exec(await page.text('.hunt h3'))![1])
    const before = await minutes()
    await page.driver.executeScript('document.querySelector(".hunt").scrollIntoView()')
    await page.click((await page.all('.hunt .choice [role="combobox"]'))[0]!)
    const valveToTurn = async () => {
      const shown = await page.all('.el-select-dropdown__item')
      const words = await Promise.all(shown.map(each => each.getText()))
      return shown[words.findIndex(each => each.startsWith('the valve in'))]
    }
    await page.until(valveToTurn, item => item !== undefined, 'a valve to turn')
    await page.click((await valveToTurn())!)
    await page.click((await places())[0]!)
    await page.until(
      () => page.all('[data-read]'),
      read => read.length === 3,
      'a third reading is taken',
    )
    expect(await minutes()).toBeGreaterThan(before + 5)
    await page.press('That is it')
    const words = await page.text('[data-debrief]')
    expect(words).toMatch(/^(Found|Not that)\. It was .+:/)
    await page.until(
      () => page.text('.hunt'),
      told => /Quickest, in \d+ minutes: .+You took \d+\./s.test(told),
      'the quickest way is told',
    )
  })
  it('in the real yard is ranked by what was read there, with the reading that parts the first two', async () => {
    await page.subject('mine')
    await page.choose('Middle drum runs over without rain', 'yes')
    await page.press('What may it be?')
    await page.until(
      () => page.all('[data-cause]'),
      causes => causes.length > 0,
      'causes are ranked',
    )
    expect(await (await page.css('[data-cause]')).getAttribute('data-cause')).toBe('float-stuck-open')
  })
  it('is held against a card: what is found is kept with the site, and what is off is told', async () => {
    await page.openDemo('brindle-yard', 'try')
    await page.subject('card')
    const line = await page.css('[data-line="gives:wc"]')
    expect(await line.getText()).toContain('L/s')
    const label = (await (await page.css('[data-line="gives:wc"] input')).getAttribute('aria-label'))!
    await page.type(label, '0.01 L/s')
    await page.until(
      () => page.text('[data-line="gives:wc"]'),
      text => text.includes('not as expected'),
      'it is told',
    )
    await page.saved()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.subject('card')
    expect(await page.text('[data-notes="commission"]')).toContain('1 of ')
  })
})
