import { MATERIALS } from './materials'
import { mainPipe } from './takeoff/lines'
import { graphOf, nameOf, rimM, tanksOf, type Run, type Site } from '../site'
import { PORT_ROLES, type Port, type Tank } from '../kinds'
import { endSize } from '../catalog'

/** A hole in a tank's wall: how high, which way it faces, what saw, from which side, and what is wrong with it. */
export interface Hole {
  id: string
  tankId: string
  port: Port
  /** The line that ends there; none at a fitting that waits for one. */
  runId?: string
  words: string
  heightM: number
  /** Degrees round the wall, clockwise from above; guessed where nobody has said. */
  bearingDeg: number
  guessed: boolean
  sawMm: number
  by: 'bulkhead' | 'ring' | 'lid' | 'fitting of its own'
  from: 'inside' | 'outside'
  /** Along the wall from where it is rolled open, m. */
  alongM: number
  faults: string[]
}

/** Saws for bulkhead fittings by the thread through them, mm: the makers' sizes in the round. */
const BULKHEAD_SAWS: [outerMm: number, sawMm: number][] = [
  [22, 32],
  [27, 38],
  [34, 44],
  [43, 57],
  [51, 64],
  [64, 76],
  [92, 102],
  [115, 127],
]
/** A ring in the wall is sawn so much wider than its pipe. */
const RING_MM = 16
export function sawFor(outerMm: number, by: Hole['by']): number {
  if (by === 'ring' || by === 'lid') return Math.round(outerMm + RING_MM)
  return BULKHEAD_SAWS.find(([upTo]) => outerMm <= upTo)?.[1] ?? Math.round(outerMm * 1.12)
}

/** An arm reaches so far down from the lid, m; holes stand at least so many times their saws apart. */
const [REACH_M, APART] = [0.75, 1.5]
/** Which way a hole usually faces: water comes from the left of the Section and leaves to the right. */
const FACES: Record<Port['role'], number> = { inlet: 270, overflow: 180, outlet: 90, fire: 100, link: 90, drain: 135 }
/** Holes of one facing that stand at about one height are turned so far from each other. */
const TURN_DEG = 25

/** The way round a tank's wall at the height of its holes, m. */
export function aroundM({ shape }: Pick<Tank, 'shape'>): number {
  if (shape.shape === 'upright-cylinder') return Math.PI * shape.diameterM
  return 2 * (shape.lengthM + (shape.shape === 'box' ? shape.widthM : shape.diameterM))
}

/** Every hole that a site's lines and its spare fittings ask for, tank by tank, the lowest first. */
export const holesOf = (site: Site): Hole[] => tanksOf(site).flatMap(tank => holesOfTank(site, tank))

export function holesOfTank(site: Site, tank: Tank): Hole[] {
  const graph = graphOf(site)
  const round = aroundM(tank)
  const made: Hole[] = []
  for (const port of tank.ports.toSorted((a, b) => a.heightM - b.heightM)) {
    const run = graph
      .at(tank.id)
      .find(each => [each.from, each.to].some(end => end.node === tank.id && end.port === port.name))
    if (!run && !port.spare) continue
    const bought = run && mainPipe(site, run)
    const outerMm = bought?.outerMm ?? port.boreMm * 1.15
    const by = madeBy(tank, port, bought?.material === 'drain', outerMm)
    const sawMm = port.end ? Math.round((endSize(port.end)?.outerMm ?? outerMm) + 2) : sawFor(outerMm, by)
    let bearingDeg = port.bearingDeg ?? FACES[port.role]
    const place = { heightM: port.heightM, sawMm }
    const near = (deg: number) =>
      made.some(other => apartM(round, other, deg, port.heightM) < apartWanted(other.sawMm, sawMm)) ||
      onSeam(tank, round, { ...place, bearingDeg: deg }) !== undefined
    if (port.bearingDeg === undefined)
      for (let times = 0; times < 14 && near(bearingDeg); times++) bearingDeg = (bearingDeg + TURN_DEG) % 360
    made.push({
      id: `${tank.id}:${port.name}`,
      tankId: tank.id,
      port,
      ...(run ? { runId: run.id } : {}),
      words: wordsOf(site, tank, port, run),
      heightM: port.heightM,
      bearingDeg,
      guessed: port.bearingDeg === undefined,
      sawMm,
      by,
      from: by === 'ring' || by === 'lid' ? 'outside' : 'inside',
      alongM: (bearingDeg / 360) * round,
      faults: [],
    })
  }
  const arms = armsOf(site, tank, made)
  return made.map(hole => ({
    ...hole,
    faults: [...wallFaults(tank, hole, made, round), ...armFaults(hole, arms, round)],
  }))
}
/** What goes into a hole: a roof's line a rubber ring, through the lid where it comes in at the rim; else a bulkhead. */
function madeBy(tank: Tank, port: Port, isDrain: boolean, outerMm: number): Hole['by'] {
  if (port.end) return 'fitting of its own'
  if (port.role !== 'inlet' || !isDrain) return 'bulkhead'
  return port.heightM + sawFor(outerMm, 'ring') / 2000 > rimM(tank) - tank.baseM - 0.02 ? 'lid' : 'ring'
}
function wordsOf(site: Site, tank: Tank, port: Port, run: Run | undefined): string {
  const { name } = PORT_ROLES[port.role]
  if (!run) return `${name}, for the next tank`
  const leaves = run.from.node === tank.id
  return `${name}, ${leaves ? 'to' : 'from'} ${nameOf(site, leaves ? run.to.node : run.from.node)}`
}
const apartWanted = (one: number, two: number): number => (APART * (one + two)) / 2 / 1000
function apartM(
  round: number,
  { bearingDeg, heightM }: Pick<Hole, 'bearingDeg' | 'heightM'>,
  deg: number,
  highM: number,
): number {
  const turn = Math.abs(((bearingDeg - deg + 540) % 360) - 180)
  return Math.hypot((turn / 360) * round, heightM - highM)
}

type Place = Pick<Hole, 'heightM' | 'bearingDeg' | 'sawMm'>
/** A hole keeps so far from a rib and from a seam, beyond its own edge, m. */
const [RIB_M, SEAM_M] = [0.015, 0.03]
const onRib = ({ ribsM = [] }: Tank, { heightM, sawMm }: Place): number | undefined =>
  ribsM.find(ribM => Math.abs(ribM - heightM) < sawMm / 2000 + RIB_M)
const onSeam = ({ seamsDeg = [] }: Tank, round: number, { heightM, bearingDeg, sawMm }: Place): number | undefined =>
  seamsDeg.find(deg => apartM(round, { bearingDeg, heightM }, deg, heightM) < sawMm / 2000 + SEAM_M)

/** A float valve's arm reaches so far, and so far down, m. */
const [ARM_M, ARM_DOWN_M] = [0.35, 0.4]
/** What swings inside a tank: a float valve's arm, and the hose of a floating intake. */
interface Arm {
  hole: Hole
  words: string
  reachM: number
  lowM: number
  highM: number
}
function armsOf(site: Site, tank: Tank, holes: readonly Hole[]): Arm[] {
  const graph = graphOf(site)
  return holes.flatMap((hole): Arm[] => {
    const { heightM, port, runId } = hole
    const run = runId === undefined ? undefined : graph.run(runId)
    if (run?.to.node === tank.id && run.parts.some(({ kind }) => kind === 'float'))
      return [
        { hole, words: 'arm of the float valve', reachM: ARM_M, lowM: heightM - ARM_DOWN_M, highM: heightM + 0.05 },
      ]
    if (!port.floating) return []
    const highM = Math.min(rimM(tank) - tank.baseM, heightM + port.floating.hoseM)
    return [{ hole, words: 'hose of the floating intake', reachM: port.floating.hoseM, lowM: heightM, highM }]
  })
}
/** A fitting that stands in where an arm swings holds it fast; two that swing into each other do too. */
function armFaults(hole: Hole, arms: readonly Arm[], round: number): string[] {
  const own = arms.find(arm => arm.hole === hole)
  return arms.flatMap((arm): string[] => {
    if (arm.hole === hole) return []
    // A fitting stands in by a nut and its ring: what only the wall shows does not catch.
    const asideM = apartM(round, hole, arm.hole.bearingDeg, hole.heightM)
    if (own) return asideM < own.reachM + arm.reachM ? [`within reach of the ${arm.words}: face them apart`] : []
    const within = hole.heightM > arm.lowM && hole.heightM < arm.highM && asideM < Math.min(arm.reachM, ARM_M)
    return within ? [`in the way of the ${arm.words}`] : []
  })
}

/** What is measured twice before it is sawn. */
function wallFaults(tank: Tank, hole: Hole, all: readonly Hole[], round: number): string[] {
  const faults: string[] = []
  const highM = rimM(tank) - tank.baseM
  const radiusM = hole.sawMm / 2000
  for (const other of all)
    if (other !== hole && apartM(round, other, hole.bearingDeg, hole.heightM) < apartWanted(other.sawMm, hole.sawMm))
      faults.push(`too near the hole of its ${other.words}`)
  if (onRib(tank, hole) !== undefined) faults.push('on a rib, where no ring seals')
  if (onSeam(tank, round, hole) !== undefined) faults.push('on a seam, where the wall is uneven')
  if (tank.fittingsUpToM !== undefined && hole.heightM > tank.fittingsUpToM && hole.by === 'bulkhead')
    faults.push('higher than its maker lets fittings through the wall')
  if (hole.heightM - radiusM < 0.02) faults.push('its lower edge comes to the floor')
  if (hole.heightM + radiusM > highM && hole.by !== 'lid') faults.push('its upper edge comes over the rim')
  if (hole.from === 'inside' && tank.lid && highM - hole.heightM > REACH_M && hole.by === 'bulkhead')
    faults.push(
      'no arm reaches it from the lid: fit it before the tank stands, through the open end or with a rod and line',
    )
  // A float shuts its inlet before the water comes to it; what a roof sends must come in above where it leaves.
  const inlet = all.find(({ port, by }) => port.role === 'inlet' && (by === 'ring' || by === 'lid'))
  if (hole.port.role === 'overflow' && inlet && hole.heightM >= inlet.heightM - 0.02)
    faults.push('the overflow is to lie below the inlet')
  return faults
}

/** How far a pipe of a line stands out of a wall before it can turn, mm: where an elbow lands. */
export const landsAtMm = (site: Site, runId: string): number => {
  const run = graphOf(site).run(runId)!
  const { material, outerMm } = mainPipe(site, run)
  return Math.round(MATERIALS[material].toStopMm(outerMm) + 2 * MATERIALS[material].goesInMm(outerMm) + 10)
}
