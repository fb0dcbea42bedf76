import { writeFileSync } from 'node:fs'
import { afterAll, beforeAll, it } from 'vitest'
import { firstPageOf } from '../paperPages'
import { openBrowser, type Page } from './page'

/** Takes the pictures of docs/screenshots from the demo sites. Run by `npm run screenshots`, not by the tests. */
let page: Page
beforeAll(async () => {
  page = await openBrowser()
})
afterAll(() => page.quit())

const shoot = async (name: string) => {
  await page.until(
    () => page.all('.marked'),
    marks => marks.length === 0,
    'what changed is marked no more',
  )
  await page.proven()
  await page.still()
  writeFileSync(`docs/screenshots/${name}.png`, await page.driver.takeScreenshot(), 'base64')
}

it('takes the main views', async () => {
  await page.openDemo('brindle-yard')
  await page.go('/')
  await page.css('.card')
  await page.until(
    () => page.all('[data-glance]'),
    all => all.length === 3,
    'each as it stands today',
  )
  await shoot('yard')
  await page.go('/new')
  await shoot('new-site')
  for (const step of ['need', 'catch', 'clean', 'store', 'lift']) {
    await page.openDemo('quillfern-ridge', step)
    if (step === 'lift') await page.subject('kitchen-tap')
    await shoot(step)
  }
  const shown = (selector: string) =>
    page.driver.executeScript(`document.querySelector('${selector}').scrollIntoView()`)
  await page.openDemo('quillfern-ridge', 'reach')
  await page.subject('run:hill-line')
  await page.until(
    () => page.text('[data-notes="break"]'),
    text => /\d m³/.test(text),
    'what a break loses',
  )
  await shoot('reach')
  await page.subject('card')
  await shoot('valve-card')
  await page.openDemo('quillfern-ridge', 'try')
  await page.subject('play')
  await page.click(page.css('[data-play="usual-day"]'))
  await page.until(
    () => page.text('[data-figure="clock"]'),
    time => time > '08:00',
    'the morning',
  )
  await page.press('Pause')
  await page.click(page.css('[data-tap="shower-tap"]'))
  await page.until(
    () => page.text('[data-tap="shower-tap"]'),
    text => text.includes('L/s'),
    'the shower',
  )
  await shoot('try')
  await page.openDemo('quillfern-ridge', 'build')
  await page.subject('chain')
  await shoot('build')
  await page.openDemo('quillfern-ridge', 'keep')
  await page.css('[data-held]')
  await shoot('keep')
  await page.openDemo('quillfern-ridge')
  await page.subject('many')
  await page.press('Run 1000 times 30 years')
  await page.until(
    () => page.text('.many'),
    text => /In 30.000 made-up years/.test(text),
    'all the years',
  )
  await page.driver.executeScript('document.querySelector(".notes").scrollTo(0, 0)')
  await shoot('many-years')
  await page.subject('ways')
  for (const way of ['One upright poly tank', 'caged totes, joined', 'Big chambers']) await page.press(way)
  await page.until(
    () => page.text('.options table'),
    text => !text.includes('…'),
    'weighed',
  )
  await shown('.options table')
  await shoot('other-ways')
  for (let times = 0; times < 3; times++) await page.press('Undo')
  await page.saved()
  // A town house that lives on a main: no demo site hangs on one.
  await page.go('/new')
  await page.choose('What brings the water', 'No roof: a main')
  await page.choose('What for', 'a household')
  await page.type('Name of the site', 'Town house', '')
  await page.press('Set it up')
  await page.css('.section svg')
  await page.answered()
  await page.subject('outages')
  await page.choose('How Main fails', 'fails now and then')
  await page.type('Times a year', '20')
  await page.type('Hours in the mean', '3 days')
  await page.type('Hours at most', '45 days')
  await page.until(
    () => page.text('[data-outage]'),
    text => /of [5-9]\d\d outages/.test(text),
    'the cover',
  )
  await page.css('[data-cover] canvas')
  await shoot('outages')
  await page.openDemo('brindle-yard')
  await page.click(page.css('.year .frame svg'))
  await page.css('.open-year canvas')
  await shoot('year')
  await page.driver.executeScript('localStorage.setItem("tall-cask-theme", "dark")')
  await page.openDemo('cinder-tor')
  await page.driver.actions().sendKeys('s').perform()
  await page.css('.el-drawer .worked')
  await shoot('sums-dark')
  await page.driver.executeScript('localStorage.setItem("tall-cask-theme", "light")')
  await page.size(390, 844)
  await page.openDemo('quillfern-ridge')
  await shoot('phone')
}, 300000)

it('takes page one of the report', async () => {
  await page.openDemo('quillfern-ridge', 'build')
  await page.subject('report')
  await page.css('[data-save="report"]')
  writeFileSync('docs/screenshots/report.png', await firstPageOf((await page.savedFile('[data-save="report"]')).bytes))
})
