import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { Key, openBrowser, litres, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const asked = async () => litres(await page.figure('Asked a year'))
const short = async () => Number(await page.figure('Days short'))
const ofUse = async (id: string) => (await page.css(`[data-use="${id}"]`)).getText()

describe('what the water is for', () => {
  it('people by habit and animals with their hot months are counted a day at a time', async () => {
    await page.openDemo('quillfern-ridge', 'need')
    const before = await asked()
    await page.choose('Kind of use to add', 'Flushing')
    await page.press('Add this use')
    const flushing = await page.until(asked, now => now > before + 1000, 'flushing asks')
    await page.type('Times a person a day', '9')
    await page.until(
      asked,
      now => Math.abs((now - before) / (flushing - before) - 2) < 0.05,
      'twice as often, twice as much',
    )
    await page.choose('Kind of use to add', 'Goats')
    await page.press('Add this use')
    const goats = await page.until(asked, now => now > flushing + 1000, 'goats ask')
    await page.type('Factor in hot months', '3')
    await page.until(asked, now => now > goats, 'and more when it is hot')
    await page.undo(4)
    await page.until(asked, now => now === before, 'as before')
  })

  it('a bed asks by its soil and mulch, and its drip is zoned within the flow and runs as it needs', async () => {
    await page.openDemo('quillfern-ridge', 'need')
    const before = await asked()
    await page.choose('Mulch', 'mulched')
    await page.until(asked, now => now < before - 1000, 'mulch asks less')
    await page.undo(1)
    await page.press('drip it by the clock')
    await page.until(
      () => ofUse('orchard'),
      text => /10[\d.]+ % of what it needs/.test(text),
      'it meets the bed’s need',
    )
    await page.type('Minutes a run', '2')
    await page.until(page.findings, found => found.includes('drip-short'), 'two minutes are too short')
    await page.press('run it as the bed needs')
    await page.until(page.findings, found => !found.includes('drip-short'), 'long enough')
    await page.type('Flow the line can give', '20 L/h')
    await page.until(
      () => ofUse('orchard'),
      text => /zones, one after the other/.test(text),
      'several zones',
    )
    expect(await page.findings()).not.toContain('zone-over-flow')
    await page.type('Zones', '1')
    await page.until(page.findings, found => found.includes('zone-over-flow'), 'one zone is over its flow')
    await page.undo(5)
    await page.until(asked, now => now === before, 'as before')
  })

  it('rationing gives up litres and spares short days; what one can live with is held to', async () => {
    await page.openDemo('brindle-yard', 'need')
    const before = await short()
    await page.press('Ration Planters when water is short')
    await page.until(
      () => page.text('.sheet'),
      text => text.includes('given up by rationing'),
      'litres are given up',
    )
    await page.until(short, days => days < before, 'fewer short days')
    await page.undo(1)
    await page.type('Short days I can live with', '0')
    await page.until(page.findings, found => found.includes('fails-more-than-accepted'), 'it fails more')
    await page.press('say no number')
    await page.until(
      page.findings,
      found => !found.includes('fails-more-than-accepted'),
      'nobody said how many will do',
    )
    await page.undo(2)
  })

  it('a fire reserve lifts the draw-offs, is drawn in the Section, and costs usable water', async () => {
    await page.openDemo('quillfern-ridge', 'need')
    const before = await short()
    await page.press('Keep 1000 L')
    await page.css('[data-inside="reserve:tank-1"]')
    await page.type('Fire reserve', '6000')
    await page.until(short, days => days > before, 'less is left to use')
    await page.type('Fire reserve', '60000')
    expect(await page.text('.reserve .problem')).toContain('nothing would be left to use')
    await (await page.field('Fire reserve')).sendKeys(Key.ESCAPE)
    await page.undo(2)
    await page.until(short, days => days === before, 'as before')
  })

  it('all is read and shown in gallons and feet as well', async () => {
    await page.choose('Units', 'US units')
    expect(await page.text('.sheet')).toMatch(/US gal/)
    const metric = async () =>
      [...(await page.text('.sheet')).matchAll(/[^\n]*\d (?:L|m³|m²|m|mm|kPa|kg)(?![\w])[^\n]*/g)].map(([line]) => line)
    expect(await metric()).toEqual([])
    await page.press('Store')
    await page.until(
      () => page.text('.sheet'),
      text => text.includes('Other ways'),
      'the Store sheet',
    )
    await page.until(
      () => page.text('.size'),
      text => text.includes('As it is'),
      'the curve',
    )
    expect(await metric()).toEqual([])
    await page.choose('Units', 'metric')
  })
})
