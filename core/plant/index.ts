export { COMMANDS, kindOf, readStep, type Command, type CommandKind, type ScriptStep } from './commands'
export { EVENT_KINDS, type EventKind, type PlantEvent } from './events'
export { holeId } from './holes'
export { broken, FAULT_IDS, FAULTS, type Fault, type FaultId, type FaultRow } from './faults'
export { type Books } from './books'
export { plantOf, type Plant } from './plant'
export { type PlantStart } from './world'
export { readPin, type PlantView } from './view'
export { play, type Course, type Played } from './play'
export { dayOfDraws } from './draws'
export { dryMonth, SCRIPT_IDS, SCRIPTS, scriptOf, type Script, type ScriptId, type ScriptRow } from './scripts'
export { breakLoss, type BreakLoss } from './breaks'
export { causesOf, isNoticed, quickestWay, rank, tellsApart, type Cause, type Ranked } from './diagnose'
export {
  partsOf,
  readerOf,
  readingPlaces,
  PROBES,
  readingsBy,
  type ProbeKind,
  type ReadingPlace,
  type Taken,
} from './readings'
export { commissionCard, isAsExpected, STAGES, type CardLine, type StageId } from './commission'
