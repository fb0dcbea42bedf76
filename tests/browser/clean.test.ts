import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { By, Key, openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

describe('lines and first flush', () => {
  it('a line led below ground becomes wet, and is told with its litres, its drain and its frost', async () => {
    await page.openDemo('brindle-yard', 'clean')
    expect(await page.text('[data-line]')).toContain('dry line')
    await page.press('Lead it below ground')
    await page.until(
      () => page.text('[data-line]'),
      text => text.includes('wet line') && /\d+ L stand in it/.test(text) && text.includes('has a drain'),
      'a wet line',
    )
    await page.until(
      () => page.all('.storm .standing'),
      parts => parts.length > 0,
      'with standing water drawn',
    )
    await page.until(page.findings, found => found.includes('mosquito-mesh'), 'mosquitoes')
    await page.press('Fit a screen head at the spout')
    await page.until(page.findings, found => !found.includes('mosquito-mesh'), 'screened')
    await page.undo(2)
    await page.until(
      () => page.text('[data-line]'),
      text => text.includes('dry line'),
      'dry again',
    )
  })
  it('a narrow line backs up in the storm and is laid wider', async () => {
    await page.type('Bore of the line', '20 mm')
    await page.until(page.findings, found => found.includes('line-too-slow'), 'too narrow')
    await page.until(
      () => page.text('[data-line]'),
      text => text.includes('the gutter runs over'),
      'and said so',
    )
    await page.press('Lay it in')
    await page.until(page.findings, found => !found.includes('line-too-slow'), 'wider')
    await page.undo(2)
  })
  it('an outlet is chosen from the table by what it wastes; one wider than its chamber is refused at the field', async () => {
    await page.openDemo('quillfern-ridge', 'clean')
    await page.css('[data-fold^="clean-trade"]')
    await page.unfold()
    await page.css('.trade table')
    await page.click((await page.css('.trade table')).findElement(By.xpath('.//button[normalize-space(.)="3 mm"]')))
    await page.until(page.findings, found => found.includes('outlet-wasteful'), 'it wastes')
    expect(await page.text('.finding[data-check="outlet-wasteful"]')).toMatch(/wastes \d+(\.\d)? % of what comes/)
    await page.press('Fit the finest outlet')
    await page.until(page.findings, found => !found.includes('outlet-wasteful'), 'finer')
    await page.type('Bore of the outlet', '2 m')
    expect(await page.text('.quantity .problem')).toContain('must be smaller than its pipe')
    await page.press('Keep 1.1 mm')
    expect(await page.value('Bore of the outlet')).toBe('1.1 mm')
  })
  it('the same litres as a standpipe keep the same rain back', async () => {
    const depth = /the first ([\d.]+) mm/.exec(await page.text('.chamber'))![1]
    await page.click(
      (await page.all('.trade table')).at(-1)!.findElement(By.xpath('.//button[normalize-space(.)="standpipe"]')),
    )
    await page.until(
      () => page.text('.chamber'),
      text => text.includes('104 mm') || text.includes('the first'),
      'built of pipe',
    )
    expect(/the first ([\d.]+) mm/.exec(await page.text('.chamber'))![1]).toBe(depth)
  })
  it('what is paid for pipe is typed where its price stands, with the length it is sold in', async () => {
    const row = async () => (await page.all('.forms tbody tr'))[0]!.getText()
    const before = await row()
    await page.type('Length of standpipe of 104 mm', '20 ft')
    await page.type('Price of standpipe of 104 mm', '31')
    await page.type('Price of the ends of standpipe of 104 mm', '9')
    const lengths = Number(/× (\d)/.exec(await row())?.[1] ?? 1)
    await page.until(row, text => text.includes(` ${31 * lengths + 9}`), 'it comes to that')
    await page.type('Price of standpipe of 104 mm', '-3')
    expect(await page.text('.forms .problem')).toContain('must be at least 0')
    await page.driver.actions().sendKeys(Key.ESCAPE).perform()
    await page.undo(3)
    await page.until(row, text => text === before, 'guesses again')
  })
  it('with nobody there a hand-emptied chamber keeps next to nothing out, and says so', async () => {
    await page.openDemo('brindle-yard', 'clean')
    await page.until(
      () => page.text('.chamber .said'),
      text => /With nobody there it keeps 0( %|\.\d)/.test(text),
      'the consequence',
    )
    const kept = async () => Number(/it keeps ([\d.]+) %/.exec(await page.text('.chamber .said'))![1])
    const before = await kept()
    await page.type('Days between emptyings', '14')
    await page.until(kept, now => now < before, 'less often keeps less out')
  })
  it('a screen head is hung within reach, costs height, and is refused above its gutter', async () => {
    await page.openDemo('cinder-tor', 'clean')
    await page.subject('spout-1')
    await page.press('Hang it at the spout')
    await page.until(
      () => page.text('.hung'),
      text => /sits at the gutter’s outlet, 2\.6 m up.*would pass \d+ mm\/h instead of \d+/s.test(text),
      'at the spout',
    )
    await page.press('within reach')
    await page.until(
      () => page.text('.hung'),
      text => /1\.5 m above the ground.* no longer push/s.test(text) && text.includes('instead of'),
      'it hangs',
    )
    const head = await page.css('[data-part="run-3-screen-1"] rect, [data-part="run-3-screen-1"] path')
    expect((await head.getRect()).y).toBeGreaterThan((await (await page.css('[data-node="spout-1"]')).getRect()).y + 12)
    await page.type('Height of the screen head', '9 m')
    expect(await page.text('.hung .problem')).toMatch(/must be at most [\d.]+ m, where the gutter’s outlet is/)
    await page.driver.actions().sendKeys(Key.ESCAPE).perform()
    await page.undo(2)
  })
  it('one chamber for two spouts that share a line', async () => {
    // The service was down on purpose above; what the page logs from here on counts.
    await page.errors()
    await page.openDemo('brindle-yard', 'catch')
    await page.press('Add a spout')
    await page.saved()
    await page.openDemo('brindle-yard', 'clean')
    await page.press('Take it out')
    await page.press('Lead it into the line')
    await page.until(
      () => page.text('.sheet'),
      text => text.includes('It joins another line'),
      'joined',
    )
    await page.press('Fit one for the whole line')
    await page.until(
      () => page.text('.chamber'),
      text => text.includes('together'),
      'for both',
    )
    await page.openDemo('brindle-yard', 'catch')
    await page.press('Take this spout out')
    await page.until(
      () => page.all('.sheet .gutter'),
      gutters => gutters.length === 1,
      'one spout is left',
    )
    await page.until(page.findings, found => found.includes('shares-off'), 'and half the roof drains nowhere')
    expect(await page.errors()).toEqual([])
  })
})
