export { bedAsks } from './beds'
export { bareRoofs, catchRain } from './catch'
export { catchYear, type CatchYear } from './catchYear'
export { isFilled, roofColumns, type RoofColumns } from './columns'
export { compile } from './compile'
export { coversOf, coverCurve, type Cover, type CoverPoint } from './cover'
export { hoursAYear, medianHours } from './outages'
export type { Compiled } from './compiled'
export { suppliesOf, type DrawPath } from './compileLines'
export { drySpellFrom, type Spell } from './drySpell'
export { addTally, emptyTally, readTally, runMembers, type Ensemble, type Tally } from './ensemble'
export { flushTrade, type FlushTrade } from './flushTrade'
export { keptBackL, linksOf, lostIfBurstL, usableL, type LinkReading } from './joining'
export { poolsOf, type Pool } from './pools'
export { sideBySide, type SideBySide } from './sideBySide'
export { massErrorL, simulate, type DailyRun } from './simulate'
export { payingSizeL, poolPrice, SIZE_SHARES, sizeCurve, type SizePoint } from './sizing'
export { emptyingOf, soakingOf, spillWay, type Emptying, type Soaking, type SpillWay } from './spillWays'
export {
  askedByUse,
  meanMonths,
  outlook,
  outlookOf,
  SHORT_SHARE,
  poolFigures,
  type Outlook,
  type PoolFigures,
  type YearFigures,
} from './year'
export { overYears, unlikeYears, type OverYears } from './overYears'
export { BALANCE_OF } from './reads'
export {
  burstsOf,
  compiledOf,
  daysOf,
  emptyingsOf,
  openLinksOf,
  roofYearOf,
  soakawaysOf,
  spellsFrom,
  spillWaysOf,
  yearsAhead,
} from './known'
export { ifBurst, ifShut, type NowAndThen, type ShutEffect } from './whatIf'
