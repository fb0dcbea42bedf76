export { pressuresOf, readGas, readSwitch, type Meaning, type PumpPressures } from './cards'
export { singleTapFlows, weakestSingleTap, type SingleTapFlow } from './singleTapFlows'
export { busiestDayL, cyclingOf, drawdownInput, drawsPerDay, heldAtL, type Cycling } from './cycling'
export { deliveredLowLps, deliveredLPerDay, headAskedM } from './deliveries'
export { dutyAt, dutyOf, dutyOfPump, mostFlowLps, pumpsOf, type Duty } from './duty'
export {
  airAt,
  fillL,
  levelsAt,
  levelsBetween,
  loadUnitsOf,
  momentWith,
  tapsOf,
  wayOfWater,
  type Air,
  type Stand,
  type WayStretch,
} from './taps'
export {
  batteryDays,
  USABLE_SHARE,
  conductorFor,
  CONDUCTORS_MM2,
  dailyWh,
  drawnBy,
  MOST_DROP_SHARE,
  peakSunHours,
  solarMonths,
  wireGauge,
  type Drawn,
} from './power'
export { pumpingDepthM, suctionOf, type Suction } from './suction'
export { suckingOf, suctionInput } from './steady/sucking'
export { drinkingFaults, type DrinkingFault, stageRating, trainsOf, type TreatmentStage, type Train } from './treatment'
export { casingOf, hoursToFill, leftInWellM, nightOf, readTest, type Night, type WellTest } from './wells'
export { shutOffM } from './steady/pumps'
export {
  flowsOver,
  openingKey,
  overTimeOf,
  type Flowing,
  type Lines,
  type Link,
  type Opening,
  type OverTime,
} from './steady/overTime'
export { FLOWS_OF } from './reads'
export { type MomentSetting } from './steady/moment'
export { steady, type RunState, type RunStatus, type Steady } from './steady/steady'
export { leftFull, type LeftFull } from './leftFull'
export { boreMm, fittingsK, lineFlowLps, pipeLengthM, runHoldsL, runLossM } from './loss'
export { catchLimits, type CatchLimit } from './storm/catchLimits'
export { joinsOf, passesMmPerH, roofLines, waterLine, type RoofLine } from './storm/roofLines'
export { roofsOfTankM2, stormIntoLps } from './storm/stormFlows'
export { placesAlong } from './steady/heights'
export { islandsOf, type Island } from './wrong/islands'
export { siphoningInlets, siphonsOf, skims, type Siphon } from './wrong/siphons'
export { wrongWaysOf, type WrongKind, type WrongWay } from './wrong/wrongWays'
export { handValves, servedAsValvesStand, servedInMode, type HandValve, type Served } from './modes/served'
export { modesFor, type ProposedMode } from './modes/proposed'
export {
  forgottenValves,
  leaningModes,
  stalledPumps,
  type Forgotten,
  type Leaning,
  type Stalled,
} from './modes/spoiled'
export { partsAlong, profileOf, type PartAlong, type PlaceAlong } from './along'
export { partsOffered, type Offered } from './offered'
