import { isLarge } from '~/engine/large'
import { problemsOf } from '~/engine/files'
import { checkSite, type Site } from '#core/site'
import type { Problem } from '#core/answers'

/**
 * What is wrong with a kept document, such that it cannot be worked with: one that an earlier version took in and this
 * one would not. Nothing, for nearly all. A large one is read in a thread.
 */
export async function wrongWith(site: Site): Promise<Problem[]> {
  // The record and the log are long, and no drawing or year breaks by them.
  const light = { ...site, climate: { ...site.climate, daily: undefined }, log: undefined }
  if (Array.isArray(site.nodes) && isLarge(site)) return problemsOf(light)
  const checked = checkSite(light)
  return checked.ok ? [] : checked.problems
}
