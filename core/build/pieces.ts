import { boughtAs, MATERIALS, stockOf, type Bought } from './materials'
import { TAKEN_OFF_OF } from './reads'
import { nameOf, portHeightM, remembered, type Run, type Site } from '../site'
import { PART_KINDS, type Part } from '../kinds'

/** What a piece of pipe ends in: how far its socket's stop lies from what is measured to, and how far the pipe goes in. */
export interface PieceEnd {
  into: 'elbow-90' | 'elbow-45' | 'coupling' | 'part' | 'node'
  words: string
  /** From the middle of the fitting, or from the face of the wall, to the face of its socket, mm. */
  takesMm: number
  goesInMm: number
}

/** A piece of pipe that is cut: between what, how far apart they stand, and how long it is. */
export interface Piece {
  id: string
  /** What is written on it: the line's letter and a number. */
  label: string
  run: Run
  partId: string
  bought: Bought
  ends: [PieceEnd, PieceEnd]
  /** From middle to middle, or from the face of a wall. */
  betweenM: number
  cutM: number
  /** Whether somebody has measured it in its place; then what the plan said. */
  plannedM?: number
  goes: 'level' | 'up' | 'down' | 'along'
}

/** Heights that differ by less are level; slopes of a rigid line longer than this are laid along the ground. */
const [MOST_FALL_M, LONG_M, STEEP] = [0.12, 12, 0.7]
/** Less than this between two fittings is no piece: they meet by a nipple. */
const LEAST_M = 0.02

interface Leg {
  lengthM: number
  goes: Piece['goes']
  /** What stands at its end. */
  corner?: 'elbow-90' | 'elbow-45'
}

/**
 * The legs of a run, as its ends' heights and its length tell them: level, upright and level again; a long slope in one,
 * between two halves of a corner; where heights along it are known, it lies along the ground from place to place. What
 * comes in a coil bends by itself.
 */
export function legsOf(site: Site, run: Run, lengthM: number, coils: boolean): Leg[] {
  const riseM = portHeightM(site, run.to) - portHeightM(site, run.from)
  const upM = Math.abs(riseM)
  const goes = riseM > 0 ? 'up' : 'down'
  if (run.profile?.length || (coils && lengthM > LONG_M)) return [{ lengthM, goes: 'along' }]
  if (upM < MOST_FALL_M) return [{ lengthM, goes: 'level' }]
  if (lengthM <= upM * 1.05) return [{ lengthM, goes }]
  const corner = lengthM > LONG_M && upM < STEEP * lengthM ? 'elbow-45' : 'elbow-90'
  if (corner === 'elbow-45') {
    const slopeM = Math.min(lengthM - 2, upM * Math.SQRT2)
    const restM = (lengthM - slopeM) / 2
    return [
      { lengthM: restM, goes: 'level', corner },
      { lengthM: slopeM, goes, corner },
      { lengthM: restM, goes: 'level' },
    ]
  }
  const restM = (lengthM - upM) / 2
  return [
    { lengthM: restM, goes: 'level', corner },
    { lengthM: upM, goes, corner },
    { lengthM: restM, goes: 'level' },
  ]
}

/** Lines are lettered in the order of the document: A to Z, then AA. */
export function letterOf(at: number): string {
  const letter = String.fromCharCode(65 + (at % 26))
  return at < 26 ? letter : letterOf(Math.floor(at / 26) - 1) + letter
}

/** Every piece of pipe of a site, line by line in the order in which water meets them. */
export const piecesOf = remembered(TAKEN_OFF_OF, (site: Site): Piece[] =>
  site.runs.flatMap((run, at) => piecesOfRun(site, run, letterOf(at))),
)

/** The corners of a run and where along its pipe they stand, m. */
export function cornersOf(site: Site, run: Run): { atM: number; corner: 'elbow-90' | 'elbow-45' }[] {
  const pipes = run.parts.filter(part => part.kind === 'pipe')
  const [first] = pipes
  if (!first) return []
  const lengthM = pipes.reduce((sum, pipe) => sum + pipe.lengthM, 0)
  const coils = MATERIALS[boughtAs(site, run, first).material].coils === true
  let atM = 0
  return legsOf(site, run, lengthM, coils).flatMap(({ lengthM: legM, corner }) => {
    atM += legM
    return corner ? [{ atM, corner }] : []
  })
}

/** A stop along a run's pipe: where, and what stands there. */
interface Stop {
  atM: number
  end: (bought: Bought) => PieceEnd
}

function piecesOfRun(site: Site, run: Run, letter: string): Piece[] {
  const legs = cornersOf(site, run)
  const measured = new Map(site.build?.measured?.map(each => [each.piece, each.lengthM]))
  const pieces: Piece[] = []
  let alongM = 0
  run.parts.forEach((pipe, at) => {
    if (pipe.kind !== 'pipe') return
    const bought = boughtAs(site, run, pipe)
    const [fromM, toM] = [alongM, alongM + pipe.lengthM]
    alongM = toM
    const beside = (part: Part | undefined, node: string) =>
      part ? partEnd(part) : nodeEnd(nameOf(site, node), bought)
    const stops: Stop[] = [
      { atM: fromM, end: () => beside(run.parts[at - 1], run.from.node) },
      ...legs
        .filter(({ atM }) => atM > fromM + LEAST_M && atM < toM - LEAST_M)
        .map(({ atM, corner }): Stop => ({ atM, end: of => fittingEnd(corner, of) })),
      { atM: toM, end: () => beside(run.parts[at + 1], run.to.node) },
    ]
    for (const [index, stop] of stops.slice(1).entries())
      for (const piece of cutBetween(site, bought, stops[index]!, stop)) {
        const number = pieces.length + 1
        const id = `${run.id}:${number}`
        const toldM = measured.get(id)
        pieces.push({
          ...piece,
          id,
          label: `${letter}${number}`,
          run,
          partId: pipe.id,
          bought,
          goes: goesAt(site, run, (stops[index]!.atM + stop.atM) / 2),
          ...(toldM === undefined ? {} : { cutM: toldM, plannedM: piece.cutM }),
        })
      }
  })
  return pieces
}

function goesAt(site: Site, run: Run, atM: number): Piece['goes'] {
  const pipes = run.parts.filter(part => part.kind === 'pipe')
  const lengthM = pipes.reduce((sum, pipe) => sum + pipe.lengthM, 0)
  const coils = MATERIALS[boughtAs(site, run, pipes[0]!).material].coils === true
  let endM = 0
  return legsOf(site, run, lengthM, coils).find(leg => (endM += leg.lengthM) >= atM)?.goes ?? 'level'
}

/** A stretch between two stops; where it is longer than any length that is sold, with couplings. */
function cutBetween(site: Site, bought: Bought, one: Stop, two: Stop): Pick<Piece, 'ends' | 'betweenM' | 'cutM'>[] {
  const longestM = Math.max(...stockOf(site, bought))
  const whole = piece(one.end(bought), two.end(bought), two.atM - one.atM)
  if (whole.cutM <= LEAST_M) return []
  if (whole.cutM <= longestM) return [whole]
  const coupling = fittingEnd('coupling', bought)
  const count = Math.ceil(whole.cutM / longestM)
  // The first are cut from whole lengths as they are; the last is what is left.
  const stopM = (coupling.takesMm - coupling.goesInMm) / 1000
  const pieces: Pick<Piece, 'ends' | 'betweenM' | 'cutM'>[] = []
  let restM = whole.betweenM
  for (let number = 0; number < count; number++) {
    const begins = number ? coupling : whole.ends[0]
    const last = number === count - 1
    const betweenM = last ? restM : longestM + (begins.takesMm - begins.goesInMm) / 1000 + stopM
    pieces.push(piece(begins, last ? whole.ends[1] : coupling, betweenM))
    restM -= betweenM
  }
  return pieces.filter(({ cutM }) => cutM > LEAST_M)
}

/** Distance, less what each fitting takes up, and what goes into each socket back. */
function piece(one: PieceEnd, two: PieceEnd, betweenM: number): Pick<Piece, 'ends' | 'betweenM' | 'cutM'> {
  const stopsMm = one.takesMm - one.goesInMm + two.takesMm - two.goesInMm
  return { ends: [one, two], betweenM, cutM: betweenM - stopsMm / 1000 }
}

const FITTING_WORDS = { 'elbow-90': 'elbow', 'elbow-45': '45° elbow', coupling: 'coupling' } as const
/** A half corner's stop lies nearer its middle, a coupling's all but in it. */
const STOP_SHARE = { 'elbow-90': 1, 'elbow-45': 0.5, coupling: 0.05 } as const
function fittingEnd(into: keyof typeof FITTING_WORDS, { material, outerMm }: Bought): PieceEnd {
  const { goesInMm, toStopMm } = MATERIALS[material]
  const goesIn = Math.round(goesInMm(outerMm))
  return {
    into,
    words: FITTING_WORDS[into],
    takesMm: Math.round(STOP_SHARE[into] * toStopMm(outerMm)) + goesIn,
    goesInMm: goesIn,
  }
}
/** A part is measured to its face: what goes into it is all that counts. */
function partEnd(part: Part): PieceEnd {
  return { into: 'part', words: PART_KINDS[part.kind].name, takesMm: 0, goesInMm: 0 }
}
function nodeEnd(words: string, { material, outerMm }: Bought): PieceEnd {
  const goesInMm = Math.round(MATERIALS[material].goesInMm(outerMm))
  return { into: 'node', words, takesMm: goesInMm + 10, goesInMm }
}
