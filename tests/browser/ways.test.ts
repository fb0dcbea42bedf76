import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { By, openBrowser, litres, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const tanks = async () => (await page.all('[data-node^="tank-"]')).length
const table = async () =>
  Object.fromEntries(
    await Promise.all(
      (await page.all('.options tbody tr')).map(async row => {
        const [name, ...cells] = await Promise.all(
          (await row.findElements(By.css('th, td'))).map(cell => cell.getText()),
        )
        return [name!, cells] as const
      }),
    ),
  )

describe('other ways', () => {
  it('two clicks set two of them beside the plan, and what is best is marked', async () => {
    await page.openDemo('quillfern-ridge')
    await page.subject('ways')
    await page.press('One upright poly tank of the same litres')
    await page.press('Calm every inlet at the bottom')
    const rows = await page.until(
      table,
      read => read['Days short a year']?.length === 3 && !Object.values(read).flat().includes('…'),
      'both are weighed',
    )
    expect(rows['Nominal']!.every(cell => Math.abs(litres(cell) - 22600) < 200)).toBe(true)
    expect(rows['Of what is asked, met']!.every(cell => parseFloat(cell) > 98)).toBe(true)
    expect(await (await page.all('.options .best')).at(0)!.getText()).not.toBe('')
    expect(rows['Differs in']![1]).toContain('East tank A gone')
    expect(await page.all('.options svg .differs')).not.toHaveLength(0)
    expect(await page.figure('Days short')).toBe(rows['Days short a year']![0])
  })
  it('one is adopted, and undo brings the plan back with the option still there', async () => {
    await page.subject('ways')
    await page.click(page.css('button[aria-label="Adopt One upright poly tank of the same litres"]'))
    await page.until(tanks, count => count === 2, 'one big one and the header')
    await page.until(
      () => page.text('.options'),
      text => !text.includes('One upright poly tank'),
      'it is the plan, and no other way',
    )
    await page.press('Undo')
    await page.until(tanks, count => count === 3, 'three again')
    await page.until(
      () => page.text('.options thead'),
      text => text.includes('One upright poly tank'),
      'the option is still there',
    )
    await page.undo(2)
    await page.until(
      () => page.text('.options'),
      text => text.includes('Set another way beside the plan'),
      'none left',
    )
  })
  it('none is taken that was worked out for a plan that has changed since', async () => {
    await page.subject('ways')
    const way = await page.button('Calm every inlet at the bottom')
    await page.until(
      () => way.isEnabled(),
      able => able,
      'it can be taken',
    )
    const shut = await page.driver.executeAsyncScript<boolean>(
      `const [redo, way, done] = arguments;
      redo.click();
      requestAnimationFrame(() => done(way.disabled));`,
      await page.button('Redo'),
      way,
    )
    expect(shut).toBe(true)
    await page.press('Undo')
    await page.until(
      () => page.all('.options button.move:disabled'),
      disabled => disabled.length === 0,
      'they are worked out anew',
    )
  })
  it('a long row of tanks is listed with the one in hand spelt out, and what is wrong with all is mended at once', async () => {
    await page.subject('ways')
    await page.press('12 caged totes, joined at the bottom')
    await page.until(table, read => !Object.values(read).flat().includes('…'), 'it is weighed')
    await page.click(page.css('button[aria-label="Adopt 12 caged totes, joined at the bottom"]'))
    await page.until(tanks, count => count === 13, 'a dozen and the header')
    await page.subject('tank-2')
    await page.until(
      () => page.all('button[aria-label^="Open "]'),
      rows => rows.length >= 11,
      'a row of totes',
    )
    await page.click(page.css('button[aria-label^="Open Tank"]'))
    await page.unfold()
    await page.until(
      () => page.all('.pool input[aria-label="Height of the floor"]'),
      fields => fields.length === 1,
      'one is spelt out',
    )
    expect((await page.findings()).filter(check => check === 'light-in-sun')).toHaveLength(1)
    expect(await page.text('.finding[data-check="light-in-sun"]')).toMatch(/The same goes for .* and \d+ more/)
    await page.press('The same for all 12')
    await page.until(page.findings, found => !found.includes('light-in-sun'), 'all are covered')
    await page.undo(3)
    await page.until(tanks, count => count === 3, 'as before')
  })
  it('changes of one’s own are tried, kept as an option, and the plan is as it was', async () => {
    await page.press('Or try changes of your own')
    await page.type('Diameter', '3 m')
    await page.press('Join at the bottom')
    await page.until(tanks, count => count === 4, 'tried')
    const name = await page.css('input[aria-label="Name of the option"]')
    await page.driver.executeScript('arguments[0].scrollIntoView({ block: "center" })', name)
    await name.sendKeys('Wide, and one more')
    await page.press('Keep it as an option')
    await page.until(tanks, count => count === 3, 'the plan is back')
    await page.subject('ways')
    await page.until(
      () => page.all('.options table.old'),
      found => found.length === 0,
      'weighed anew',
    )
    const rows = await page.until(
      table,
      read => read['Can be drawn']?.length === 2 && !Object.values(read).flat().includes('…'),
      'weighed',
    )
    expect(litres(rows['Can be drawn']![1]!)).toBeGreaterThan(litres(rows['Can be drawn']![0]!) + 4000)
    await page.click(page.css('button[aria-label="Drop Wide, and one more"]'))
    await page.until(
      () => page.all('.options table'),
      found => found.length === 0,
      'dropped',
    )
  })
  it('nothing of all this broke', async () => {
    expect((await page.errors()).filter(error => !error.includes('422'))).toEqual([])
  })
})
