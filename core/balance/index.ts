export { catchYear, type CatchYear } from './catchYear'
export { largestDayL } from './beds'
export { isFilled } from './columns'
export { compile } from './compile'
export type { Compiled } from './compiled'
export { drySpellFrom } from './drySpell'
export { addTally, emptyTally, readTally, runMembers, type Ensemble, type Tally } from './ensemble'
export { flushTrade, type FlushTrade } from './flushTrade'
export { ifShut, keptBackL, linksOf, lostIfBurstL, usableL, type LinkReading } from './joining'
export { poolsOf, type Pool } from './pools'
export { massErrorL, simulate, type DailyRun } from './simulate'
export { payingSizeL, poolPrice, sizeCurve, type SizePoint } from './sizing'
export { emptyingOf, soakingOf, spillWay, type Emptying, type Soaking, type SpillWay } from './spillWays'
export {
  askedByUse,
  meanMonths,
  outlook,
  outlookOf,
  overYears,
  type Outlook,
  type OverYears,
  type YearFigures,
} from './year'
