import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer'
import { isMove, MOVES } from './registry'
import { lengthsFollow } from './follow'
import { Impossible, type MoveKind } from './move'
import { plainData } from './plain'
import { type Answer, refuse } from '../answers'
import { checkChange, fieldSentence, type Move, type Site, dropStrayPositions, idsOf, withIds } from '../site'

enablePatches()

/** A step that was made, with the patches that undo and redo it, and the moves it came of. */
export interface Made {
  label: string
  patches: Patch[]
  inverse: Patch[]
  moves?: Move[]
}
export type MoveResult = Answer<{ site: Site; made: Made }>

/** What a move of that name does; a document from elsewhere may name anything. */
const kindOf = ({ name }: Move): MoveKind<unknown> | undefined =>
  isMove(name) ? (MOVES[name] as MoveKind<unknown>) : undefined

/**
 * Makes a move: a pure function from site to site. What it was given is copied, so that a document shares nothing with
 * whoever gave it. A move that cannot be made, or whose result would not be a sound document, changes nothing and says
 * why in one sentence.
 */
export function applyMove(site: Site, move: Move): MoveResult {
  const kind = kindOf(move)
  if (!kind) return refuse(`There is no move called “${move.name}”.`)
  const plain = plainData(move.args)
  if (!plain.ok) return plain
  const args = kind.args.safeParse(plain.value)
  if (!args.success) {
    const { path, message } = args.error.issues[0]!
    const field = path.join('.')
    return refuse(fieldSentence(field || move.name, undefined, message, site.standards.units), field)
  }
  const label = kind.label(args.data, site)
  try {
    hold(site)
    const [moved, ...itself] = produceWithPatches(site, draft => void kind.apply(draft as Site, args.data))
    const [next, ...after] = produceWithPatches(moved, draft => {
      lengthsFollow(site, moved, draft as Site)
      if (site.modes.length && moved.runs !== site.runs) dropStrayPositions(draft as Site)
    })
    const patches = [...itself[0], ...after[0]]
    const inverse = [...after[1], ...itself[1]]
    const [problem] = checkChange(site, next)
    if (problem) return { ok: false, problems: [problem] }
    const makes = patches.some(patch => holdsId(patch.value)) ? newIds(site, next) : []
    const kept: Move = { name: move.name, args: plain.value, ...(makes.length ? { makes } : {}) }
    return { ok: true, site: next, made: { label, patches, inverse, moves: [kept] } }
  } catch (error) {
    if (error instanceof Impossible) return refuse(error.message)
    throw error
  }
}

const LISTS = ['roofs', 'nodes', 'runs', 'uses'] as const
/** Things of a document never change; those that say so are passed over where a draft is read, and not copied. */
function hold(site: Site): void {
  for (const list of LISTS) for (const thing of site[list]) Object.freeze(thing)
}

/** How a move reads in the undo list; undefined where there is no such move, or its arguments do not read. */
export function labelOf(site: Site, move: Move): string | undefined {
  const kind = kindOf(move)
  const args = kind?.args.safeParse(move.args)
  return args?.success ? kind!.label(args.data, site) : undefined
}

/** Whether something has an id of its own, or holds what has: only such is new in a document. */
const holdsId = (value: unknown): boolean =>
  typeof value === 'object' && value !== null && ('id' in value || Object.values(value).some(holdsId))

/** Ids of what a move put in, in the order of the document. */
function newIds(before: Site, after: Site): string[] {
  const known = idsOf(before)
  return [...idsOf(after)].filter(id => !known.has(id))
}

/** Several moves in a row, made as one step; the first that cannot be made stops them all. */
export function applyMoves(site: Site, moves: Move[], label = 'Several changes'): MoveResult {
  let current = site
  const made: Made & { moves: Move[] } = { label, patches: [], inverse: [], moves: [] }
  for (const move of moves) {
    const result = applyMove(current, move)
    if (!result.ok) return result
    current = result.site
    made.patches.push(...result.made.patches)
    made.inverse.unshift(...result.made.inverse)
    made.moves.push(...(result.made.moves ?? []))
  }
  return { ok: true, site: current, made }
}

/** Takes a step back. What it puts back from before things had ids gets them. */
export function undo(site: Site, made: Made): Site {
  return withIds(applyPatches(site, made.inverse))
}

export function redo(site: Site, made: Made): Site {
  return withIds(applyPatches(site, made.patches))
}
