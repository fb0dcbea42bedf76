import { weigh, type Weighed } from './weigh'
import { siteAt, stagesOf } from '../build'
import type { DailySeries } from '../climate'
import type { Site } from '../site'

/** Each stage looked over and balanced on the same weather, as if it were the whole plan. */
export const weighStages = (site: Site, series: DailySeries): Weighed[] =>
  stagesOf(site).map((_, at) => weigh({ ...siteAt(site, at), build: undefined }, series))
