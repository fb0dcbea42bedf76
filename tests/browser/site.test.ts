import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { By, Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

describe('a new site, from three answers to the year', () => {
  it('stands at once, sound, with figures', async () => {
    await page.go('/')
    await page.press('New site')
    await page.type('Name of the site', 'Hollow Bank', '')
    await page.choose('Climate', 'dry-summer hill')
    await page.type('Length of the roof', '24 ft 6', '')
    await page.type('Width of the roof', '5.5', '')
    await page.type('beds of', '300 sq ft', '')
    await page.press('Set it up')
    await page.css('.section svg')
    await page.answered()
    // Two totes under a roof that gives far more: sound, and the one piece of advice is a third.
    expect(await page.findings()).toEqual(['spills-more-than-keeps'])
    const short = Number(await page.figure('Days short'))
    expect(short).toBeGreaterThan(0)
    await page.press('Join one more like Tank B')
    await page.until(
      async () => Number(await page.figure('Days short')),
      days => days < short - 2,
      'a third tote helps',
    )
    await page.press('Undo')
    expect(await page.figure('Usable when full')).toMatch(/L|m³/)
    expect(await page.text('h1')).toBeDefined()
    await page.driver.navigate().to(`${(await page.driver.getCurrentUrl()).replace(/\/store$/, '/catch')}`)
    expect(await page.value('Length of the piece')).toBe('7.47 m')
  })

  it('keeps wrong text in its field, says why, and takes it back with Escape', async () => {
    await page.type('Length of the piece', '12 stone')
    expect(await page.text('.problem')).toContain('“stone” is not a unit')
    expect(await page.value('Length of the piece')).toBe('12 stone')
    await (await page.field('Length of the piece')).sendKeys(Key.ESCAPE)
    expect(await page.value('Length of the piece')).toBe('7.47 m')
    await page.type('Length of the piece', '0')
    expect(await page.text('.problem')).toContain('more than 0')
    await (await page.field('Length of the piece')).sendKeys(Key.ESCAPE)
  })

  it('reads mixed units and shows the site’s own, without drift', async () => {
    await page.type('Length of the piece', '30 ft 6')
    await page.until(
      () => page.value('Length of the piece'),
      value => value === '9.3 m',
      'the length is shown in metres',
    )
    for (const units of ['US units', 'imperial', 'metric', 'US units', 'metric']) await page.choose('Units', units)
    await page.choose('Units', 'US units')
    expect(await page.value('Length of the piece')).toBe('30 ft 6 in')
    await page.choose('Units', 'metric')
    expect(await page.value('Length of the piece')).toBe('9.3 m')
  })
})

describe('Quillfern Ridge', () => {
  it('opens from the Yard with its Section, four figures, findings and year', async () => {
    await page.go('/')
    await page.click(page.css('a[href^="/site/quillfern-ridge"]'))
    await page.css('.section svg')
    await page.answered()
    const section = await page.text('.section')
    for (const name of ['Cottage roof', 'Workshop roof', 'East tank A', 'East tank B', 'Header', 'Borehole', 'Kitchen'])
      expect(section).toContain(name)
    expect(await page.all('[data-figure]')).toHaveLength(4)
    expect(await page.findings()).toEqual([
      'gutter-too-small',
      'spill-over-door',
      'overflow-too-small',
      'no-first-flush',
    ])
    const told = /made-up year \d+: (\d+) days? short/.exec(await page.text('.year'))
    expect(await page.all('.year .short')).toHaveLength(Number(told?.[1]))
  })

  it('says one figure for days short, at every step and in the open year', async () => {
    const told = new Set<string>()
    for (const step of ['need', 'clean', 'store']) {
      await page.openDemo('quillfern-ridge', step)
      told.add(await page.figure('Days short'))
    }
    expect(told.size).toBe(1)
  })
  it('a finding’s move mends it, and undo brings it back', async () => {
    await page.press('Fit an overflow as large as the inlet')
    await page.until(page.findings, found => !found.includes('overflow-too-small'), 'the finding is gone')
    await page.press('Undo')
    await page.until(page.findings, found => found.includes('overflow-too-small'), 'the finding is back')
  })

  it('a height is dragged, and moved with the arrow keys, and every figure follows', async () => {
    const handle = await page.css('[data-node="tank-2"]')
    const before = Number(await handle.getAttribute('aria-valuenow'))
    await page.driver.executeScript('document.activeElement.blur()')
    const { x, y, width, height } = await handle.getRect()
    await page.driver
      .actions()
      .move({ x: Math.round(x + width / 2), y: Math.round(y + height * 0.6) })
      .press()
      .move({ x: Math.round(x + width / 2), y: Math.round(y + height * 0.6) - 30, duration: 120 })
      .release()
      .perform()
    const dragged = await page.until(
      async () => Number(await handle.getAttribute('aria-valuenow')),
      value => value > before + 0.5,
      'the tank went up',
    )
    expect(Math.abs(dragged / 0.05 - Math.round(dragged / 0.05))).toBeLessThan(1e-6)
    await page.until(page.findings, found => found.includes('rims-differ'), 'the tops differ')
    await page.press('Undo')
    await page.until(
      async () => Number(await (await page.css('[data-node="tank-2"]')).getAttribute('aria-valuenow')),
      value => value === before,
      'one undo takes the whole drag back',
    )
    await (await page.css('[data-node="tank-2"]')).sendKeys(Key.ARROW_UP, Key.ARROW_UP)
    await page.until(
      async () => Number(await (await page.css('[data-node="tank-2"]')).getAttribute('aria-valuenow')),
      value => Math.abs(value - before - 0.1) < 1e-6,
      'two presses are 10 cm',
    )
  })

  it('undo outlives a reload, and redo too', async () => {
    await page.saved()
    await page.go('/site/quillfern-ridge/store')
    await page.css('[data-node="tank-2"]')
    await page.press('Undo')
    await page.until(
      async () => Number(await (await page.css('[data-node="tank-2"]')).getAttribute('aria-valuenow')),
      value => value === 0.15,
      'undone after the reload',
    )
    await page.saved()
    await page.driver.navigate().refresh()
    await page.css('[data-node="tank-2"]')
    await page.driver
      .actions()
      .keyDown(Key.CONTROL)
      .keyDown(Key.SHIFT)
      .sendKeys('z')
      .keyUp(Key.SHIFT)
      .keyUp(Key.CONTROL)
      .perform()
    await page.until(
      async () => Number(await (await page.css('[data-node="tank-2"]')).getAttribute('aria-valuenow')),
      value => value === 0.25,
      'redone after the reload',
    )
    await page.press('Undo')
  })

  it('a sum opens its arithmetic in place, and the sums drawer works one in other units', async () => {
    await page.click(page.css('.tank .sum button'))
    expect(await page.text('.worked')).toContain('π × 2.4² / 4')
    await page.driver.executeScript('document.activeElement.blur()')
    await page.driver.actions().sendKeys('s').perform()
    await page.type('rain', '1 in')
    await page.until(
      () => page.text('.el-drawer .worked'),
      text => text.includes('25.4'),
      'the sum takes inches',
    )
    await page.driver.actions().sendKeys(Key.ESCAPE).perform()
  })

  it('moves add tanks each way, and the Section shows them', async () => {
    await page.go('/site/brindle-yard/store')
    await page.css('[data-node="tank-1"]')
    for (const [move, tank] of [
      ['Join at the bottom', 'tank-4'],
      ['Feed by the spill', 'tank-5'],
      ['Stand it alone', 'tank-6'],
    ] as const) {
      await page.press(move)
      await page.css(`[data-node="${tank}"]`)
    }
    await page.press('As a list')
    expect(await page.text('.runs')).toContain('at the bottom')
    await page.press('As a drawing')
    for (let times = 0; times < 3; times++) await page.press('Undo')
    await page.until(
      () => page.all('[data-node^="tank-"]'),
      tanks => tanks.length === 3,
      'all three undone',
    )
  })

  it('the open year agrees with the ribbon', async () => {
    await page.openDemo('brindle-yard')
    const short = await page.figure('Days short')
    const ribbon = async () => Number(/: (\d+) days? short/.exec(await page.text('.year'))?.[1])
    const middling = await ribbon()
    const which = async () => /made-up year (\d+)/.exec(await page.text('.year'))?.[1]
    const shown = await which()
    await page.click(page.css('.year .frame svg'))
    await page.until(
      () => page.text('.open-year'),
      text => text.includes(`${middling} days short`),
      'the chart’s figures are the ribbon’s',
    )
    await page.css('.open-year canvas')
    await page.driver.actions().sendKeys(Key.ESCAPE).perform()
    await page.choose('Which year', 'a dry year')
    // A dry year is one of drought, and may be kinder to this plan than a middling one: it is another one.
    await page.until(which, year => year !== undefined && year !== shown, 'another year is shown')
    expect(await ribbon()).not.toBe(middling)
    // Looking at another year moves no headline.
    expect(await page.figure('Days short')).toBe(short)
    expect(readFileSync('demo/brindle-yard.json', 'utf8')).toContain('tall-cask/site')
    expect(await page.driver.findElements(By.css('.problem'))).toHaveLength(0)
  })
})
