export { dripInput, dripPlan, FINE_ENOUGH_UM, unstrained, zonesWithin } from './drip'
export {
  chamberAreaM2,
  chamberDrainInput,
  chamberVolumeL,
  flushSchoolFor,
  orificeForTrickleMm,
  OUTLET_WASTE_MOST,
  trickleLph,
  usualFlushMm,
  wantedFlushMm,
} from './firstFlush'
export { feedOfRun, feedsOf, fillingsOf, type Feed, type FeedSource, type Filling } from './feeds'
export { floatDropM, floatShutsM } from './floats'
export { BRACE_ABOVE_M, footingOf, isLightTight, MOST_HEIGHT_TO_WIDTH } from './footing'
export { coldMonths, frostDepthInput, frostDepthM, isExposed, isWarmthGuessed } from './frost'
export {
  fillsAndFeeds,
  graphOf,
  isPumped,
  isShut,
  nodeById,
  portHeightM,
  reached,
  runsFrom,
  runsTo,
  walk,
  type Hop,
} from './graph'
export { downpipeFor, gutterFlowLps, gutterFor, gutterSum, spoutStormLps, stormLps } from './gutters'
export { freeId, idsOf, withIds } from './ids'
export { endsOf, flushForms, type FlushForm } from './flushForms'
export { isTooDeep, readJson } from './json'
export { onceEach, onceLaid, remembered, type SitePart } from './remembered'
export { hungHead, lineFrom, lineTo, openAtM, roofsAbove, spoutsAbove, wayTo, type HungHead } from './lines'
export { inMode } from './modes'
export { PIN_KIND, pinName, pinsOf, readableAt, type PinReads } from './pins'
export { nameOf, roleOf, runName, thingName } from './names'
export { outlineAreaM2, outlinePlan } from './outline'
export { pathsFrom, type Path } from './paths'
export { checkSite, checkChange } from './check'
export { readSite, readSiteText } from './read'
export { writeSite } from './write'
export { dropStrayPositions } from './references'
export { PLAN_GAP_M, planRectangles, planSlips, type PlanRectangle } from './roofPlan'
export {
  captureShare,
  lossSchool,
  meanYearYieldInput,
  roofAreaM2,
  roofCautions,
  roofLosses,
  roofMonthL,
  spoutAreaM2,
} from './roofs'
export {
  climateSchema,
  acceptedSchema,
  outlineSchema,
  VERSION,
  type Amount,
  type Climate,
  type Gutter,
  type GutterStretch,
  type Mode,
  type Accepted,
  type Pin,
  type Building,
  type Stage,
  type Move,
  type Outline,
  type PlanOption,
  type Roof,
  type Run,
  type Site,
  type Use,
} from './schema'
export { MOST_READINGS } from './lifeSchema'
export { newLines } from './logLines'
export { highestM, isShutAtSpouts, overflowsOf, spillM, type Overflow } from './spills'
export { contactAreaM2, portsByRole, rimM, tankNominalL, tanksOf } from './tanks'
export { drainsLow, LOW_DRAIN_M, waitsForNext } from './lowFittings'
export {
  fieldOf,
  fieldSentence,
  fieldWords,
  portId,
  THING_KINDS,
  THINGS,
  type FoundThing,
  type ThingKind,
} from './things'
export {
  atOneLevel,
  fedTogether,
  heightHoldingM,
  isOpenBothWays,
  groupSpillM,
  joinedTanks,
  levelLinks,
  tanksInOrder,
  type LevelLink,
} from './together'
export { bedNeedInput, bedNeeds, hotMonths, isDripShut, litresPerDay, rootM, usesAt } from './uses'
export {
  annualSpreadShare,
  isSpreadByRule,
  designStorm,
  fiveYearBurstMmPerH,
  frostMonths,
  NO_SHIFT,
  rainFactor,
  summerMonths,
  weatherMonths,
  type ClimateShift,
  type DesignStorm,
  et0Mm,
  monthWarmth,
} from './weather'
