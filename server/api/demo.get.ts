import { defineEventHandler } from 'h3'
import { useStorage } from 'nitropack/runtime'
import { householdLog } from '../devices/household'
import { LIVES } from '../devices/lived'
import { readSite, type Site } from '#core/site'

let kept: { day: string; sites: unknown[] } | undefined

/** The made-up sites that ship with the app, each with its log up to yesterday. */
export default defineEventHandler(async () => {
  const day = new Date(Date.now() - 24 * 3600 * 1000).toISOString().slice(0, 10)
  if (kept?.day === day) return kept.sites
  const storage = useStorage('assets:demo')
  const sites = await Promise.all(
    Object.entries(LIVES).map(async ([name, life]) => {
      const document = await storage.getItem(`${name}.json`)
      const read = readSite(document)
      return read.ok ? ({ ...read.site, log: householdLog(read.site, life, day) } satisfies Site) : document
    }),
  )
  kept = { day, sites }
  return sites
})
