import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { jointAt, pipe, tapAt, wellAt, worksOf } from '../waterworks'
import { writeSite } from '../../core/site'
import { Key, openBrowser, type Page } from './page'

/** How the water is lifted: each way by its move, and what it comes to. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const figureIn = (text: string) => Number(/[\d.]+/.exec(text)![0])
const notes = () => page.text('.notes')
const section = () => page.text('.section')
/** The word that a choice shows. */
const chosen = async (label: string) => {
  const words = await page.css(`.choice:has([role="combobox"][aria-label="${label}"]) .words`)
  return page.driver.executeScript<string>('return arguments[0].textContent', words)
}
/** Types into a field of several lines. */
const fill = async (text: string) => {
  const field = await page.css('.pairs textarea')
  await field.clear()
  await field.sendKeys(text)
}

describe('ways of lifting', () => {
  beforeAll(async () => {
    await page.openDemo('quillfern-ridge', 'lift')
    await page.subject('lift:house-suction')
  })
  it.each([
    ['an on-demand pump beside it', 'on-demand pump'],
    ['an on-demand pump above it', 'on-demand pump'],
    ['a pump in it', 'submersible pump'],
    ['a jet pump beside it', 'jet pump'],
    ['a solar pump', 'solar pump'],
    ['a variable-speed set', 'variable-speed set'],
  ])('%s is laid by its move, and every tap of it has water', async (name, kind) => {
    await page.choose('How it is lifted', name)
    expect(await chosen('Kind of pump')).toBe(kind)
    expect(figureIn(await page.text('[data-duty="flow"]'))).toBeGreaterThan(0)
  })
  it('a pressure tank stands in the Section, with its starts and its hours without power', async () => {
    await page.choose('How it is lifted', 'a jet pump beside it')
    await page.choose('What holds the pressure', 'through a pressure tank')
    expect(await section()).toContain('Pressure tank')
    const starts = figureIn(await page.text('[data-vessel-figure="starts"]'))
    expect(starts).toBeGreaterThan(0)
    const rows = await page.all('.vessel tbody tr')
    expect(rows.length).toBeGreaterThan(4)
    // The largest of them starts its pump least.
    await page.click((await page.all('.vessel tbody tr:last-child button'))[0]!)
    await page.until(
      async () => figureIn(await page.text('[data-vessel-figure="starts"]')),
      now => now < starts,
      'it starts less often',
    )
  })
  it('the cards of its switch and its gas say what their readings mean, and keep them', async () => {
    await page.type('Running pressure', '500 kPa')
    await page.until(
      () => page.text('[data-card="switch"] [data-meanings]'),
      text => text.includes('chokes the line'),
      'a choke is told',
    )
    await page.type('Fall an hour', '30 kPa')
    expect(await page.text('[data-card="switch"]')).toContain('a check valve that passes')
    await page.type('Litres from stop to start', '3 L')
    expect(await page.text('[data-card="gas"]')).toContain('full of water')
    await page.saved()
    await page.driver.navigate().refresh()
    await page.css('.section svg')
    await page.subject('lift:house-suction')
    expect(await page.text('[data-card="switch"]')).toContain('chokes the line')
  })
  it('a cut-in above the cut-out is refused at its field, and keeps what it was', async () => {
    await page.type('Cut-in', '900 kPa')
    await page.until(notes, text => text.includes('must lie under its cut-out'), 'it says why')
    await (await page.field('Cut-in')).sendKeys(Key.ESCAPE)
  })
  it('side by side the ways are told, and one is taken from there', async () => {
    expect((await page.all('[data-table="side-by-side"] tbody tr')).length).toBeGreaterThan(6)
    await page.click(page.css('[data-way="gravity straight"] button'))
    expect(await chosen('How it is lifted')).toBe('its own fall')
    expect(await page.all('[data-fold^="pump-"]')).toHaveLength(0)
    await page.press('Undo')
    expect(await chosen('How it is lifted')).toBe('a jet pump beside it')
  })
  it('taps hang on a manifold or on tees, one more hangs on it, and the main backs it', async () => {
    await page.choose('How the taps hang on it', 'one after another by tees')
    expect(await chosen('How the taps hang on it')).toBe('one after another by tees')
    await page.choose('Add a tap to this line', 'hose tap')
    await page.until(
      () => page.text('.index'),
      text => text.includes('Hose tap'),
      'the hose tap',
    )
    await page.click(page.button('Back it by the main'))
    await page.until(
      () => page.text('.index'),
      text => text.includes('Tap for power cuts'),
      'the tap by gravity',
    )
    expect(await section()).toContain('Main')
  })
})

describe('a hill tank', () => {
  it('is filled by its own line or by one that also feeds, and the time to fill is told', async () => {
    await page.openDemo('quillfern-ridge', 'lift')
    await page.subject('lift:hill-line')
    expect(await page.text('[data-fill="time"]')).toMatch(/\d/)
    await page.choose('Which line it takes', 'one line that fills and feeds')
    await page.until(
      notes,
      text => text.includes('one line that fills and feeds') || text.includes('Header'),
      'it is laid',
    )
  })
  it('is offered a pump where none fills it', async () => {
    await page.openDemo('brindle-yard', 'lift')
    await page.subject('up')
    await page.choose('Where it is lifted from', 'Low drum')
    await page.choose('How it is lifted up', 'a pump in it')
    await page.click(page.button('Lay it'))
    await page.until(
      () => page.text('.index'),
      text => text.includes('Low drum to Top drum'),
      'the line up',
    )
  })
})

describe('a pump of one’s own', () => {
  it('takes the points of its plate, refuses a curve that rises, and goes back to its kind', async () => {
    await page.openDemo('cinder-tor', 'lift')
    await page.subject('lift:well-line')
    await page.click(page.button('Type the curve of its plate'))
    await fill('0, 10\n0.5, 12')
    await page.click(page.button('Take them'))
    await page.until(
      () => page.text('.pairs [role="alert"]'),
      text => text.includes('must fall'),
      'it says why',
    )
    await fill('flow (gpm), head (ft)\n0, 40\n8, 30\n14, 12')
    await page.click(page.button('Take them'))
    await page.until(notes, text => text.includes('Its curve has 3 points'), 'it is taken')
    await page.press('Back to its kind’s curve')
    await page.until(notes, text => text.includes('Its curve is that of its kind'), 'it is its kind’s')
  })
})

describe('a well', () => {
  it('by its pumping test gives what it gives a metre, and its chart', async () => {
    await page.openDemo('cinder-tor', 'lift')
    await page.subject('well')
    await page.type('Flow of the pumping test', '0.4 L/s')
    await page.click(page.button('Type the depths while it was pumped'))
    await fill('minutes, depth (m)\n1, 3.6\n10, 4.1\n30, 4.2')
    await page.click(page.button('Take them'))
    await page.until(
      () => page.text('[data-well-figure="test"]'),
      text => text.includes('0.4 L/s/m'),
      'the test is read',
    )
    await page.press('Take that into the plan')
    expect(await page.value('What it gives for each metre drawn down')).toBe('0.4 L/s/m')
    await page.css('.well .chart canvas')
  })
  it('7 m deep at 1500 m of altitude is refused to a suction pump, with its reason', async () => {
    await page.openDemo('cinder-tor', 'lift')
    await page.subject('well')
    await page.type('Altitude of the site', '1500 m')
    await page.type('Depth of the well', '12 m')
    await page.type('Depth to still water', '7 m')
    await page.until(
      () => page.text('[data-well-figure="verdict"]'),
      text => text.includes('take a submersible'),
      'the verdict',
    )
    await page.until(
      () => page.text('.margin'),
      text => text.includes('cannot draw') && text.includes('1500 m'),
      'it is found',
    )
  })
  it('shallower than its water is refused at the field', async () => {
    await page.type('Depth to still water', '40 m')
    await page.until(notes, text => text.includes('shallower than its water'), 'it says why')
  })
})

describe('a well without a tank', () => {
  it('serves its taps by a suction pump, or by a submersible through a pressure tank', async () => {
    const site = worksOf({
      nodes: [wellAt('w', 4), jointAt('j', 1), tapAt('sink', 1), tapAt('hose', 0.5, { fixture: 'hose' })],
      runs: [
        ['r', 'w', 'j', [{ kind: 'check', boreMm: 25 }, pipe(12)]],
        ['a', 'j', 'sink', [pipe(5)]],
        ['b', 'j', 'hose', [pipe(9)]],
      ],
    })
    await page.go('/')
    await page.css('a[href^="/site/"]')
    const file = writeSite({ ...site, id: 'lone-well', name: 'Lone well' })
    await page.upload('.yard input[type=file]', 'well.json', file)
    await page.css('.section svg')
    await page.saved()
    await page.go('/site/lone-well/lift')
    await page.css('.section svg')
    await page.subject('lift:r')
    await page.choose('How it is lifted', 'a suction pump on top of it')
    await page.unfold()
    expect(await page.text('[data-suction="spare"]')).toContain('to spare')
    await page.choose('How it is lifted', 'a submersible pump in it')
    await page.choose('What holds the pressure', 'through a pressure tank')
    expect(await section()).toContain('Pressure tank')
    await page.subject('together')
    const rows = await page.all('[data-row] .figure')
    for (const row of rows) expect(figureIn(await row.getText())).toBeGreaterThan(0.05)
  })
})
