import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openBrowser, type Page } from './page'

let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page?.quit())

/** A figure with a metric unit; what a sum's working says in SI stands beside the site's own units and is left out. */
const METRIC = /[\d.]\s?(mm|cm|m|m²|m³|L|L\/s|L\/day|kPa|kg|°C|mm\/h)(?![\w/²³])|\b(milli|centi)?metres?\b|\blitres?\b/g

/** All that a site says at a step, subject by subject, with what the fields and the figures hold. */
async function told(id: string, step: string): Promise<{ subject: string; text: string }[]> {
  await page.go(`/site/${id}/${step}`)
  await page.css('.section svg')
  await page.answered()
  const ids = await page.driver.executeScript<string[]>(
    'return [...document.querySelectorAll(".index [data-subject]")].map(each => each.dataset.subject)',
  )
  const texts: { subject: string; text: string }[] = []
  for (const subject of ids) {
    await page.subject(subject)
    const text = await page.driver.executeScript<string>(
      `const said = document.querySelector('main.workspace').cloneNode(true);
      said.querySelectorAll('.worked, title, style').forEach(each => each.remove());
      const fields = [...document.querySelectorAll('.sheet .quantity input')].map(each => each.value);
      return [said.textContent, ...fields].join(' · ');`,
    )
    texts.push({ subject, text })
  }
  return texts
}

describe('every step of a site', () => {
  it.each([['cinder-tor', 'US units', ['need', 'catch', 'clean', 'store'], METRIC]] as const)(
    'of %s speaks %s and nothing else',
    async (id, units, steps, foreign) => {
      // A demo site opens by its address, before anybody has seen the Yard.
      await page.go(`/site/${id}/need`)
      await page.css('.section svg')
      await page.choose('Units', units)
      await page.saved()
      const found: string[] = []
      for (const step of steps)
        for (const { subject, text } of await told(id, step))
          for (const match of text.matchAll(foreign))
            found.push(`${step}/${subject}: …${text.slice(Math.max(0, match.index - 50), match.index + 25)}…`)
      expect(found).toEqual([])
      expect(await page.errors()).toEqual([])
    },
  )
})

describe('an address of no page', () => {
  it('is answered with 404: a page in the browser, JSON under /api', async () => {
    const page404 = await fetch(`${page.address}/nowhere`)
    expect(page404.status).toBe(404)
    const api = await fetch(`${page.address}/api/nowhere`)
    expect(api.status).toBe(404)
    expect(await api.json()).toMatchObject({ error: [{ sentence: expect.stringContaining('/api/nowhere') }] })
    expect((await fetch(`${page.address}/site/cinder-tor/store`)).status).toBe(200)
    await page.go('/nowhere')
    await page.until(
      () => page.text('h1'),
      text => text === 'There is no such page',
      'the page says that it is none',
    )
    await page.press('To the Yard')
    await page.css('a[href^="/site/"]')
  })
})
