import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import type { z } from 'zod'
import { checkSite } from '../read'
import type { Move, Site } from '../schema'
import { change, remove, setClimate, setHeight } from './change'
import { fitChamberOutlet, fitFirstFlush, formChamber, sizeChamber, takeOutChamber } from './firstFlush'
import { dipLine, fitLowDrain, fitScreen, joinSpouts, setBore, setBypass, takeOutScreen } from './lines'
import { Refusal, type MoveKind } from './move'
import { addRoof, addRoofPiece, addSpout, evenShares, fitDownpipe, fitGutter, giveShare, measureRoof, setOutline } from './roofs'
import { drawFrom, fitSupplyValve, floatDrawOff, keepReserve, raiseDrawOff } from './drawOff'
import { feedByFloat, fitFloat, fitLinkValves, fitSpare, levelRims, linkAtBottom, spillInto, turnValve, widenLink } from './joins'
import { mergeTank } from './merge'
import { dropOption, keepOption } from './options'
import { leadTo } from './outfalls'
import { addSource, setTrigger } from './sources'
import { addTank, fitOverflow, reshapeTank, resizeTank, setInlet, setKind, setPort, standOn, widenTanks } from './tanks'
import { addUse, fitDrip, fitTreatment, insertPart, ration } from './uses'

enablePatches()

/** Every move there is. The interface, the tests, undo and the import all go through these. */
export const MOVES = {
  change, setHeight, remove, setClimate,
  addTank, fitOverflow, setPort, resizeTank, reshapeTank, setKind, standOn, setInlet, widenTanks, mergeTank,
  linkAtBottom, spillInto, feedByFloat, fitFloat, fitSpare, levelRims, fitLinkValves, turnValve, widenLink,
  keepReserve, floatDrawOff, fitSupplyValve, raiseDrawOff, drawFrom, addSource, setTrigger, leadTo,
  addRoof, addRoofPiece, setOutline, measureRoof, addSpout, giveShare, evenShares, fitGutter, fitDownpipe,
  dipLine, fitLowDrain, joinSpouts, setBore, fitScreen, takeOutScreen, setBypass,
  fitFirstFlush, takeOutChamber, sizeChamber, formChamber, fitChamberOutlet,
  addUse, insertPart, fitTreatment, fitDrip, ration, keepOption, dropOption,
}
export type MoveName = keyof typeof MOVES
export type MoveArgs<Name extends MoveName> = z.input<(typeof MOVES)[Name]['args']>

/** A step that was made, with the patches that undo and redo it, and the moves it came of. */
export interface Made { label: string, patches: Patch[], inverse: Patch[], moves?: Move[] }
export type MoveResult = { ok: true, site: Site, made: Made } | { ok: false, problem: string }

export function moveOf<Name extends MoveName>(name: Name, args: MoveArgs<Name>): Move {
  return { name, args: args as Record<string, unknown> }
}

/**
 * Makes a move: a pure function from site to site. A move that cannot be made, or whose result would not be
 * a sound document, changes nothing and says why in one sentence.
 */
export function applyMove(site: Site, move: Move): MoveResult {
  const kind = MOVES[move.name as MoveName] as MoveKind<unknown> | undefined
  if (!kind) return { ok: false, problem: `There is no move called “${move.name}”.` }
  const args = kind.args.safeParse(move.args)
  if (!args.success) return { ok: false, problem: `${args.error.issues[0]!.path.join('.') || move.name} ${args.error.issues[0]!.message}.` }
  const label = kind.label(args.data, site)
  try {
    const [next, patches, inverse] = produceWithPatches(site, draft => kind.apply(draft as Site, args.data))
    const problem = firstProblem(site, next)
    return problem ? { ok: false, problem } : { ok: true, site: next, made: { label, patches, inverse, moves: [move] } }
  }
  catch (error) {
    if (error instanceof Refusal) return { ok: false, problem: error.message }
    throw error
  }
}

/** A long rain record that did not change is not read through again at every keystroke. */
function firstProblem(before: Site, after: Site): string | undefined {
  const sameRecord = before.climate.daily === after.climate.daily
  const checked = checkSite(sameRecord ? { ...after, climate: { ...after.climate, daily: undefined } } : after)
  return checked.ok ? undefined : checked.problems[0]!.sentence
}

/** Several moves in a row, made as one step; the first that cannot be made stops them all. */
export function applyMoves(site: Site, moves: Move[], label = 'Several changes'): MoveResult {
  let current = site
  const made: Made = { label, patches: [], inverse: [], moves }
  for (const move of moves) {
    const result = applyMove(current, move)
    if (!result.ok) return result
    current = result.site
    made.patches.push(...result.made.patches)
    made.inverse.unshift(...result.made.inverse)
  }
  return { ok: true, site: current, made }
}

export function undo(site: Site, made: Made): Site {
  return applyPatches(site, made.inverse)
}

export function redo(site: Site, made: Made): Site {
  return applyPatches(site, made.patches)
}

export { drawOffs, heightHoldingM, joinedTanks } from './drawOff'
export { chamberFor, orificeFor } from './firstFlush'
export { spareLink } from './joins'
export { nextBoreMm } from './lines'
