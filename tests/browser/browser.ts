import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Builder, type WebDriver } from 'selenium-webdriver'
import chrome from 'selenium-webdriver/chrome.js'

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--window-size=1280,800',
]

/** A browser with a fresh profile; where the network is heeded, all that it asks for is written down. */
export async function launch({ network = false }: { network?: boolean } = {}): Promise<WebDriver> {
  const options = new chrome.Options()
  options.setChromeBinaryPath(process.env.CHROMIUM ?? '/usr/bin/chromium')
  options.addArguments(...FLAGS, `--user-data-dir=${mkdtempSync(join(tmpdir(), 'tall-cask-profile-'))}`)
  options.setUserPreferences({ 'download.default_directory': mkdtempSync(join(tmpdir(), 'tall-cask-downloads-')) })
  options.set('goog:loggingPrefs', { browser: 'ALL', ...(network ? { performance: 'ALL' } : {}) })
  const driver = await new Builder()
    .forBrowser('chrome')
    .setChromeOptions(options)
    .setChromeService(new chrome.ServiceBuilder(process.env.CHROMEDRIVER ?? '/usr/bin/chromedriver'))
    .build()
  await size(driver, 1280, 800)
  return driver
}

type DevTools = { sendAndGetDevToolsCommand: (name: string, args: object) => Promise<unknown> }
export const devtools = (driver: WebDriver, name: string, args: object) =>
  (driver as unknown as DevTools).sendAndGetDevToolsCommand(name, args)

export async function size(driver: WebDriver, width: number, height: number): Promise<void> {
  const metrics = { width, height, deviceScaleFactor: 1, mobile: false }
  await devtools(driver, 'Emulation.setDeviceMetricsOverride', metrics)
}
