import { FOOT_M } from '../units'
import { idOf } from './takeoff/items'
import { PIPE_SERIES, pipePricePerM, sizeOfPipe, usualSeries, type EndFamilyId, type PipeSeriesId } from '../catalog'
import { graphOf, roleOf, type Run, type Site } from '../site'
import type { PartOf } from '../kinds'

/** What a pipe is made of, as it is bought and joined. */
export type MaterialId = PipeSeriesId | 'drain'

export interface Material {
  name: string
  /** The family that its cut end belongs to, and what a joint of it asks for. */
  end: EndFamilyId
  joint: 'cement' | 'nut' | 'solder' | 'thread' | 'ring'
  /** Lengths in which it is sold: straight, or in a coil that bends round corners by itself. */
  stockM: { inch: number[]; metric: number[] }
  coils?: true
  /** By its outside, mm: how far it goes into a socket, and how far a socket's stop lies from its fitting's middle. */
  goesInMm: (outerMm: number) => number
  toStopMm: (outerMm: number) => number
  /** How far apart clips hold it, m; and what a plain elbow of 27 mm costs. */
  clipsM: (outerMm: number) => number
  elbow: number
}

const LENGTHS = { inch: [10 * FOOT_M, 20 * FOOT_M], metric: [3, 6] }
const COILS = { inch: [100 * FOOT_M, 300 * FOOT_M], metric: [25, 50, 100] }
const glued: Pick<Material, 'joint' | 'stockM' | 'goesInMm' | 'toStopMm'> = {
  joint: 'cement',
  stockM: LENGTHS,
  goesInMm: outerMm => 6 + outerMm / 2,
  toStopMm: outerMm => 2 + outerMm / 2,
}

/** Sockets after ISO 727 and ASTM D2466 in the round: half the outside and six; the rest as fittings usually are. */
export const MATERIALS: Record<MaterialId, Material> = {
  'plastic-40': { name: 'schedule 40', end: 'solvent-inch', ...glued, clipsM: mm => 0.6 + mm / 60, elbow: 0.8 },
  'plastic-80': { name: 'schedule 80', end: 'solvent-inch', ...glued, clipsM: mm => 0.7 + mm / 60, elbow: 1.6 },
  'pe-100': {
    name: 'PE 100',
    end: 'compression',
    joint: 'nut',
    stockM: COILS,
    coils: true,
    goesInMm: mm => 20 + mm,
    toStopMm: mm => 4 + 0.6 * mm,
    clipsM: mm => 0.4 + mm / 80,
    elbow: 2.6,
  },
  copper: {
    name: 'copper tube',
    end: 'copper',
    joint: 'solder',
    stockM: { inch: [10 * FOOT_M], metric: [3, 5] },
    goesInMm: mm => 3 + 0.65 * mm,
    toStopMm: mm => 1 + 0.6 * mm,
    clipsM: mm => 1 + mm / 40,
    elbow: 1.7,
  },
  'steel-40': {
    name: 'galvanised steel',
    end: 'tapered',
    joint: 'thread',
    stockM: { inch: [21 * FOOT_M], metric: [6] },
    goesInMm: mm => 7 + 0.28 * mm,
    toStopMm: mm => 4 + 0.5 * mm,
    clipsM: mm => 1.6 + mm / 40,
    elbow: 2.2,
  },
  drain: {
    name: 'drain pipe',
    end: 'push-fit',
    joint: 'ring',
    stockM: { inch: [10 * FOOT_M], metric: [1, 2, 3] },
    goesInMm: mm => 35 + 0.25 * mm,
    toStopMm: mm => 2 + 0.5 * mm,
    clipsM: mm => mm / 75,
    elbow: 0.5,
  },
}

/** A pipe as it is bought: what of, its size as it is called on the shelf, and what it measures outside. */
export interface Bought {
  material: MaterialId
  size: string
  outerMm: number
  /** Its size in its family of ends; where no end of that size is sold, none. */
  endSize: string
}

const INCH_OUTER_MM: Record<string, number> = {
  '1/2 in': 21.3,
  '3/4 in': 26.7,
  '1 in': 33.4,
  '1 1/4 in': 42.2,
  '1 1/2 in': 48.3,
  '2 in': 60.3,
  '2 1/2 in': 73,
  '3 in': 88.9,
  '4 in': 114.3,
}
const DRAIN_MM = [50, 75, 90, 110, 160, 200, 250]

/** Roofs' lines and overflows are drains, which stand open; what is under pressure is not. */
function isDrain(site: Site, run: Run, seen: readonly Run[] = []): boolean {
  const from = graphOf(site).node(run.from.node)
  if (from?.kind === 'spout' || from?.kind === 'chamber' || roleOf(site, run.from) === 'overflow') return true
  const into = graphOf(site).into(run.from.node)
  return (
    from?.kind === 'joint' &&
    into.length > 0 &&
    into.every(other => !seen.includes(other) && isDrain(site, other, [...seen, run]))
  )
}
const DRAIN_FROM_MM = 45

/** What a pipe is bought as: as its document says, else what is usual for such a line where the site stands. */
export function boughtAs(site: Site, run: Run, pipe: Pick<PartOf<'pipe'>, 'innerDiameterMm' | 'series'>): Bought {
  const { innerDiameterMm: innerMm, series } = pipe
  if (!series && innerMm >= DRAIN_FROM_MM && isDrain(site, run)) {
    const outerMm = DRAIN_MM.find(mm => mm >= innerMm + 2) ?? DRAIN_MM.at(-1)!
    return { material: 'drain', size: String(outerMm), outerMm, endSize: String(outerMm) }
  }
  const material = series ?? usualSeries(site.standards.pipes)
  const sizes: readonly { size: string; innerMm: number }[] = PIPE_SERIES[material].sizes
  const exact = sizeOfPipe(material, innerMm)
  const nearest =
    exact ?? sizes.reduce((one, two) => (off(two.innerMm, innerMm) < off(one.innerMm, innerMm) ? two : one))
  const { size } = nearest
  const outerMm = INCH_OUTER_MM[size] ?? Number(size)
  return { material, size, outerMm, endSize: size.replace(' in', '') }
}
const off = (one: number, two: number): number => Math.abs(Math.log(one / two))

export const pipeId = ({ material, size }: Bought): string => `pipe:${material}:${size}`
/** A starting guess of what a metre costs. */
export const metrePrice = ({ material, outerMm }: Bought): number =>
  material === 'drain' ? 4.2 * (outerMm / 110) ** 1.3 : pipePricePerM(material, outerMm * 0.8)
/** A fitting of a kind that costs so many times a plain elbow. */
export const fittingPrice = ({ material, outerMm }: Bought, times: number): number =>
  Math.round(20 * times * MATERIALS[material].elbow * (outerMm / 27) ** 1.35) / 20

export const stockOf = (site: Site, bought: Bought): number[] => {
  const noted = site.prices?.find(({ id }) => id === idOf(pipeId(bought)))?.soldInM
  return noted ? [noted] : MATERIALS[bought.material].stockM[site.standards.pipes]
}
