import { siteIn } from './documents'
import { daysStanding, type StandsAt } from '../devices/place'

/** The days of a site about a day, as the stand-ins for devices see them: `{ onDay, asked }`. */
export function livedJob(json: unknown): StandsAt {
  const { onDay, asked } = json as { onDay: number; asked: unknown }
  return daysStanding(siteIn(asked).site, onDay)
}
