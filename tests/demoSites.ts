import { readFileSync } from 'node:fs'
import { readSiteText, type Site } from '../core/site'

export type DemoName = 'quillfern-ridge' | 'brindle-yard' | 'cinder-tor'

/** A demo site, as it ships. */
export function demoSite(name: DemoName): Site {
  const read = readSiteText(readFileSync(new URL(`../demo/${name}.json`, import.meta.url), 'utf8'))
  if (!read.ok) throw new Error(`${name} does not read`)
  return read.site
}
