import type { z } from 'zod'
import { addUse, fitDrip, ration, scaleUses } from './uses'
import { insertPart, leadEnd, movePart, replacePart, splitRun, ventOrDrain } from './parts'
import {
  addStage,
  dropStage,
  measurePiece,
  orderTasks,
  own,
  putInStage,
  renameStage,
  tickBought,
  tickTask,
} from './building'
import { dropPin, keepReading, noteFound, pinReading } from './commissioning'
import { dropMode, keepMode, renameMode, setPositions, turnToMode } from './modes'
import { addTank } from './addTank'
import { fitOverflow, reshapeTank, resizeTank, setInlet, setKind, setPort, standOn, widenTanks } from './tanks'
import { remove } from './takeOut'
import { addSource, setTrigger, supplyFrom, topUpFrom } from './sources'
import { set, setHeight, setLower } from './set'
import {
  addRoof,
  addRoofPiece,
  addSpout,
  evenShares,
  fitDownpipe,
  fitGutter,
  giveShare,
  measureRoof,
  setOutline,
} from './roofs'
import { fitSecondOverflow, fitSumpPump, leadOverflow, leadSpout } from './lead'
import { leadTo } from './outfalls'
import { dropOption, keepOption } from './options'
import { notePrice } from './prices'
import { mergeTank } from './merge'
import { dipLine, fitLowDrain, fitScreen, hangScreen, joinSpouts, setBore, setBypass, takeOutScreen } from './lines'
import {
  feedByFloat,
  fitFloat,
  fitLinkValves,
  fitSpare,
  joinAtHub,
  levelRims,
  linkAtBottom,
  turnValve,
  widenLink,
} from './joins'
import { spillInto } from './spills'
import { fitChamberOutlet, fitFirstFlush, formChamber, sizeChamber, takeOutChamber } from './firstFlush'
import { protectFromFrost } from './frost'
import { drawFrom, fitSupplyValve, floatDrawOff, keepReserve, raiseDrawOff } from './drawOff'
import { setClimate, turnHemisphere } from './climate'
import { liftBy } from './lift/liftBy'
import { liftUp } from './lift/liftUp'
import { addTap, branchBy, leadTap } from './lift/branch'
import { layPipe } from './lift/layPipe'
import { giveCurve } from './lift/curve'
import { cutAgain, cutPieces, ownLength, swapItem } from './cutting'
import { addDevice, changeDevice, dropDevice } from './devices'
import { changeRestriction, dropRestriction, restrict } from './restrictions'
import { correctReading, dropReading, logReading, logReadings, putChore } from './log'
import { accept, tellAgain } from './accepting'
import { fitTreatment } from './treatment'
import { turnLine } from './turnLine'
import { shapeRun } from './lift/profile'
import { backByMain } from './lift/backByMain'
import type { Move, ThingKind } from '../site'

/** Every move there is. The interface, the tests, undo and the import all go through these. */
export const MOVES = {
  set,
  setHeight,
  setLower,
  remove,
  setClimate,
  turnHemisphere,
  addTank,
  fitOverflow,
  setPort,
  resizeTank,
  reshapeTank,
  setKind,
  standOn,
  setInlet,
  widenTanks,
  mergeTank,
  linkAtBottom,
  joinAtHub,
  spillInto,
  feedByFloat,
  fitFloat,
  fitSpare,
  levelRims,
  fitLinkValves,
  turnValve,
  widenLink,
  keepReserve,
  floatDrawOff,
  fitSupplyValve,
  raiseDrawOff,
  drawFrom,
  addSource,
  setTrigger,
  supplyFrom,
  topUpFrom,
  liftBy,
  liftUp,
  branchBy,
  leadTap,
  addTap,
  backByMain,
  shapeRun,
  giveCurve,
  layPipe,
  leadTo,
  leadSpout,
  leadOverflow,
  fitSecondOverflow,
  fitSumpPump,
  protectFromFrost,
  addRoof,
  addRoofPiece,
  setOutline,
  measureRoof,
  addSpout,
  giveShare,
  evenShares,
  fitGutter,
  fitDownpipe,
  dipLine,
  fitLowDrain,
  joinSpouts,
  setBore,
  fitScreen,
  hangScreen,
  takeOutScreen,
  setBypass,
  fitFirstFlush,
  takeOutChamber,
  sizeChamber,
  formChamber,
  fitChamberOutlet,
  addUse,
  insertPart,
  movePart,
  replacePart,
  splitRun,
  leadEnd,
  ventOrDrain,
  keepMode,
  setPositions,
  renameMode,
  dropMode,
  turnToMode,
  noteFound,
  tickBought,
  own,
  measurePiece,
  scaleUses,
  logReading,
  logReadings,
  correctReading,
  dropReading,
  putChore,
  restrict,
  changeRestriction,
  dropRestriction,
  addDevice,
  changeDevice,
  dropDevice,
  cutPieces,
  cutAgain,
  ownLength,
  swapItem,
  turnLine,
  accept,
  tellAgain,
  tickTask,
  orderTasks,
  addStage,
  renameStage,
  dropStage,
  putInStage,
  pinReading,
  keepReading,
  dropPin,
  fitTreatment,
  fitDrip,
  ration,
  notePrice,
  keepOption,
  dropOption,
}
export type MoveName = keyof typeof MOVES
/** True of a move's name, and of nothing that every object has besides. */
export const isMove = (name: string): name is MoveName => Object.hasOwn(MOVES, name)
export type MoveArgs<Name extends MoveName> = z.input<(typeof MOVES)[Name]['args']>

export function moveOf<Name extends MoveName>(name: Name, args: MoveArgs<Name>): Move {
  return { name, args: args as Record<string, unknown> }
}

/** The move that sets one field of one thing, addressed by what it is and its id. */
export const setField = (of: ThingKind, id: string, field: string, value: unknown): Move =>
  moveOf('set', { of, id, field, value })
