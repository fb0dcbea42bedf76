import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { By, Key, openBrowser, litres, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const usable = async () => litres(await page.figure('Usable when full'))
const tanks = async () => (await page.all('[data-node^="tank-"]')).length
describe('joining', () => {
  it.each([
    ['Join at the bottom', /2 tanks joined at the bottom stand at one level/, 'at the bottom', true],
    ['Feed by the spill', /nothing draws from it yet/, 'spills into', false],
    ['Step it down', /filled from Buried tank through a float valve/, 'fills', false],
    ['A pump tank beside it', /filled from Buried tank through a float valve: .* stand too low/, 'fills', false],
  ] as const)(
    '%s: the tank stands in the Section, its line among the lines, its litres in the figures',
    async (move, words, line, drawn) => {
      await page.openDemo('cinder-tor')
      const nominal = async () => litres(/of ([\d., ]+(?:L|m³)) nominal/.exec(await page.text('.figures'))![1]!)
      const [before, count, held] = [await usable(), await tanks(), await nominal()]
      await page.choose('Which tank', 'Buried tank')
      await page.press(move)
      await page.until(tanks, now => now === count + 1, 'one tank more')
      await page.until(nominal, now => now > held + 300, 'more is held')
      await page.until(
        () => page.text('.notes'),
        text => words.test(text),
        'it is said how',
      )
      // What nothing draws from is held, but is no water to use.
      await page.answered()
      expect((await usable()) > before + 100).toBe(drawn)
      await page.press('As a list')
      expect(await page.text('.runs')).toContain(line)
      await page.press('As a drawing')
      await page.undo(1)
      await page.until(tanks, now => now === count, 'undone')
      await page.until(usable, now => now === before, 'as before')
    },
  )
  it('a tank that is fed has water to use once a use is drawn from it', async () => {
    await page.openDemo('quillfern-ridge')
    await page.choose('Which tank', 'East tank A')
    await page.press('Feed by the spill')
    await page.until(
      () => page.text('.notes'),
      text => text.includes('nothing draws from it yet'),
      'it only stands there',
    )
    await page.press('Need')
    await page.choose('Drawn from', 'Tank D')
    await page.press('Store')
    await page.subject('tank-4')
    await page.until(
      () => page.text('.notes'),
      text => text.includes('Tank D') && !text.includes('nothing draws from it yet'),
      'it is drawn from',
    )
    await page.undo(2)
    await page.until(tanks, now => now === 3, 'as before')
  })
  it('a move that cannot be made says why beside what was pressed, until the next press', async () => {
    await page.openDemo('brindle-yard')
    await page.choose('Which tank', 'Top drum')
    const spill = () => page.driver.findElement(By.xpath('//button[normalize-space(.)="by the spill"]'))
    await page.choose('Second tank', 'Middle drum')
    await page.click(spill())
    await page.choose('Second tank', 'Low drum')
    await page.click(spill())
    const said = await page.css('.refusal')
    expect(await said.getText()).toMatch(/Top drum spills into Middle drum already.*elsewhere first\./)
    const [note, button] = [await said.getRect(), await (await spill()).getRect()]
    expect(Math.abs(note.y - (button.y + button.height))).toBeLessThan(20)
    await page.press('Undo')
    await page.until(
      () => page.all('.refusal'),
      notes => notes.length === 0,
      'it is gone',
    )
  })
  it('says what a burst loses and what a valve does, and shuts it', async () => {
    await page.openDemo('quillfern-ridge')
    await page.subject('tank-1')
    expect(await page.text('.joins')).toMatch(/If East tank A bursts .* 17\.6 m³ run out, its own 9048 L/)
    await page.choose('Which valve', 'East tank A to East tank B, at the bottom, at East tank A')
    expect(await page.text('.joins')).toMatch(/East tank A and East tank B stand apart/)
    await page.press('Shut it')
    await page.until(
      () => page.all('.index [data-subject^="tank-"]'),
      pools => pools.length === 3,
      'they stand apart',
    )
    await page.press('Undo')
    await page.until(
      () => page.all('.index [data-subject^="tank-"]'),
      pools => pools.length === 2,
      'one level again',
    )
  })
  it('a narrow link is told against the storm, and widened', async () => {
    await page.type('Bore of the link', '20')
    await page.until(page.findings, found => found.includes('link-too-slow'), 'the link is too slow')
    expect(await page.text('.joins .wrong')).toContain('one overflows while the other is half full')
    await page.press('Undo')
    await page.until(page.findings, found => !found.includes('link-too-slow'), 'as before')
  })
  it('a tank is taken out and its lines are led to the other: nothing loses its water', async () => {
    const asked = await page.figure('Days short')
    await page.press('Take East tank B out, its lines to East tank A')
    await page.until(
      () => page.all('.index [data-subject^="tank-"]'),
      pools => pools.length === 2,
      'two groups',
    )
    await page.until(usable, now => now < 12000, 'a tank less')
    expect(await page.findings()).not.toContain('use-without-supply')
    await page.press('Undo')
    await page.until(
      () => page.figure('Days short'),
      days => days === asked,
      'as before',
    )
  })
})

describe('overflow, base and fittings', () => {
  it('a soakaway shows its pit, its storm and how fast it empties', async () => {
    await page.openDemo('quillfern-ridge')
    await page.subject('tank-1')
    await page.choose('Where the overflow leads', 'a soakaway')
    await page.until(
      () => page.text('.spills'),
      text => /the hardest five-year storm, of [\d.]+ (minutes|hours), asks for/.test(text),
      'its sum',
    )
    await page.choose('Soil of the soakaway', 'stiff clay')
    await page.until(page.findings, found => found.includes('soakaway-fails'), 'clay does not take it')
    await page.undo(2)
  })
  it('a plain overflow lets mosquitoes in, and is screened', async () => {
    await page.choose('How the overflow begins', 'plain')
    await page.until(page.findings, found => found.includes('overflow-open'), 'it is open')
    await page.press('Screen it')
    await page.until(page.findings, found => !found.includes('overflow-open'), 'screened')
    await page.undo(2)
  })
  it('an overflow towards a neighbour is found', async () => {
    await page.choose('What lies below the overflow', 'a neighbour')
    await page.until(page.findings, found => found.includes('overflow-harms'), 'it harms')
    await page.undo(1)
    await page.until(page.findings, found => !found.includes('overflow-harms'), 'as before')
  })
  it('a stand says its posts’ load, and when to ask an engineer', async () => {
    await page.choose('Base', 'a timber stand')
    await page.until(page.findings, found => found.includes('stand-for-engineer'), 'ten tonnes on posts')
    expect(await page.text('[data-fold="store-stands-tank-1"]')).toMatch(/kN.* a post/)
    await page.undo(1)
  })
  it('a draw-off floats in the Section, and a calmed inlet shows its pipe', async () => {
    await page.choose('How outlet is drawn', 'floating on a tether')
    await page.css('[data-inside="float:tank-1"]')
    await page.choose('Inlet', 'calmed')
    await page.css('[data-inside="calmed:tank-1"]')
    await page.choose('Air hole of the inlet', 'without an air hole')
    await page.until(page.findings, found => found.includes('inlet-siphons'), 'it can siphon')
    await page.press('Drill the air hole')
    await page.until(page.findings, found => !found.includes('inlet-siphons'), 'drilled')
    await page.undo(4)
  })
})

describe('how big', () => {
  const size = async () => Number(await (await page.css('.size [role=slider]')).getAttribute('aria-valuenow'))
  const short = async () => Number(/As it is, [\d.  ]+(?:L|m³): ([\d.]+) day/.exec(await page.text('.size'))?.[1] ?? 0)
  it('is dragged along its curve: tank, curve and figures follow, and one undo takes it back', async () => {
    await page.openDemo('quillfern-ridge')
    await page.subject('tank-1')
    const before = [await page.until(size, value => value > 1000, 'the curve'), await short(), await usable()] as const
    const dot = await page.css('.size .dot')
    await page.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', dot)
    const { x, y, width, height } = await dot.getRect()
    const from = { x: Math.round(x + width / 2), y: Math.round(y + height / 2) }
    await page.driver
      .actions()
      .move(from)
      .press()
      .move({ x: from.x - 25, y: from.y, duration: 200 })
      .move({ x: from.x - 45, y: from.y, duration: 200 })
      .release()
      .perform()
    await page.until(size, value => value < before[0] * 0.8, 'smaller')
    await page.until(short, days => days > before[1] + 5, 'and short more often')
    await page.until(usable, now => now < before[2] - 2000, 'less can be drawn')
    await page.press('Undo')
    await page.until(size, value => value === before[0], 'one undo')
    await page.until(short, days => days === before[1], 'the same days')
  })
  it('is changed by the keyboard, and shows litres and cost', async () => {
    const slider = await page.css('.size [role=slider]')
    const before = await size()
    await slider.sendKeys(Key.ARROW_RIGHT, Key.ARROW_RIGHT)
    await page.until(size, value => Math.abs(value / before - 1.1025) < 0.01, 'a tenth more')
    expect(await slider.getAttribute('aria-valuetext')).toMatch(/m³: .*day/)
    await page.press('Undo')
    await page.choose('What the curve shows', 'what the tanks cost')
    await page.until(
      () => page.text('.size'),
      text => /As it is, .* 3 687/.test(text),
      'two tanks at a guessed price',
    )
    await page.choose('What the curve shows', 'days short')
  })
  it('answers as the API does', async () => {
    const asked = await page.driver.executeAsyncScript<{
      status: number
      body: { sizes: { capL: number; band: [number, number, number] }[] }
    }>(
      'const done = arguments[1]; fetch("/api/balance", { method: "POST", headers: { "content-type": ' +
        '"application/json" }, body: arguments[0] }).then(async answer => done({ status: answer.status, body: ' +
        'await answer.json() }))',
      JSON.stringify({
        site: JSON.parse(readFileSync('demo/quillfern-ridge.json', 'utf8')) as unknown,
        options: { sizes: { tank: 'tank-1' } },
      }),
    )
    expect(asked.status).toBe(200)
    const capL = await size()
    const point = asked.body.sizes.reduce((near, each) =>
      Math.abs(each.capL - capL) < Math.abs(near.capL - capL) ? each : near,
    )
    expect(Math.abs(point.capL - capL)).toBeLessThan(1)
    expect(Math.abs(point.band[1] - (await short()))).toBeLessThanOrEqual(0.5)
  })
})

describe('when it stops raining, and water from outside', () => {
  it('lasts shorter from less', async () => {
    await page.openDemo('quillfern-ridge')
    await page.subject('spell')
    const days = async () => Number(/served for (\d+) days/.exec(await page.text('.spell'))![1])
    const before = await days()
    await page.type('How full the tanks stand', '30 %')
    await page.until(days, now => now < before - 10, 'fewer days')
    await page.type('How full the tanks stand', '130')
    expect(await page.text('.spell .problem')).toContain('more than the tanks hold')
    await (await page.field('How full the tanks stand')).sendKeys(Key.ESCAPE)
  })
  it('a main and a cart are added with their prices, and a mean year says what they bring and cost', async () => {
    await page.openDemo('brindle-yard')
    const before = Number(await page.figure('Days short'))
    await page.press('from a main')
    await page.until(
      async () => Number(await page.figure('Days short')),
      days => days < before,
      'the main helps',
    )
    await page.type('Price of a thousand', '4')
    await page.until(
      () => page.text('.outside'),
      text => /the main brings [\d  ]+ L, for \d+/.test(text),
      'what it costs',
    )
    await page.press('by the cart load')
    await page.type('Litres a load', '800')
    await page.until(
      () => page.text('.outside'),
      text => text.includes('Water is carted to'),
      'carts',
    )
    await page.undo(4)
  })
})
