import { heightsAlong, placesAlong } from './steady/heights'
import { boreMm, runLossM } from './loss'
import type { Steady } from './steady/steady'
import { portHeightM, type Run, type Site } from '../site'
import { headOfPressureM, staticPressure } from '../sums'
import { boreOfPart, lengthOfPart, type Part } from '../kinds'

/** A part of a line in its true place: where it stands, and what the water has and loses there. */
export interface PartAlong {
  part: Part
  /** From the line's beginning to where the part begins, and the height of the line there. */
  alongM: number
  heightM: number
  boreMm: number
  flowLps: number
  /** Pressure before it and behind it, kPa; none where no water stands in the line. */
  beforeKPa?: number
  behindKPa?: number
  /** Head it takes at that flow, m; of a pump what it adds is `gainM`. */
  lossM: number
  gainM?: number
}

/** A line part by part, in the order in which water meets it, at a moment. */
export function partsAlong(site: Site, run: Run, moment: Steady): PartAlong[] {
  const state = moment.runs[run.id]
  const flowLps = state?.flowLps ?? 0
  const heights = heightsAlong(site, run)
  const { waterTemperatureC } = site.place
  const [fromM, toM] = [headAtEnd(site, run.from, moment), headAtEnd(site, run.to, moment)]
  const wet = state !== undefined && state.status !== 'dry' && fromM !== undefined && toM !== undefined
  const lossOf = (part: Part) =>
    part.kind === 'pump'
      ? 0
      : runLossM({ ...run, parts: [part] }, Math.abs(flowLps), waterTemperatureC) * Math.sign(flowLps)
  const taken = run.parts.reduce((sum, part) => sum + lossOf(part), 0)
  const pumps = run.parts.filter(part => part.kind === 'pump').length
  // What the ends differ by beyond what fittings take is the pumps' own.
  const gainM = wet && pumps && flowLps > 0 ? Math.max(0, (toM - fromM + taken) / pumps) : 0
  // What is shut holds back all that the ends differ by; with nothing flowing each side stands at its own end.
  const shutAt = flowLps === 0 ? run.parts.findIndex(part => holdsBack(part)) : -1
  let headM = fromM ?? 0
  let alongM = 0
  return run.parts.map((part, at): PartAlong => {
    const lossM = lossOf(part)
    const before = headM
    const [beginsM, endsM] = [heights(at), heights(at + 1)]
    const passed = shutAt === at ? (toM ?? before) : part.kind === 'pump' ? before + gainM : before - lossM
    // A regulator lets no more stand behind it than it is set to.
    const after = part.kind === 'regulator' ? Math.min(passed, endsM + headOfPressureM(part.setKPa)) : passed
    headM = after
    const told: PartAlong = {
      part,
      alongM,
      heightM: beginsM,
      boreMm: boreOfPart(part) ?? boreMm(run),
      flowLps,
      ...(wet ? { beforeKPa: kPa(before - beginsM), behindKPa: kPa(after - endsM) } : {}),
      lossM: Math.abs(lossM),
      ...(part.kind === 'pump' ? { gainM } : {}),
    }
    alongM += lengthOfPart(part)
    return told
  })
}

/** The head at a line's end: what comes in above a tank's water falls freely from its hole. */
function headAtEnd(site: Site, end: Run['from'], moment: Steady): number | undefined {
  const headM = moment.nodes[end.node]?.headM
  const isTank = site.nodes.some(({ id, kind }) => id === end.node && kind === 'tank')
  return headM !== undefined && isTank ? Math.max(headM, portHeightM(site, end)) : headM
}

const holdsBack = (part: Part): boolean =>
  (part.kind === 'valve' && !part.open) || part.kind === 'check' || part.kind === 'float' || part.kind === 'pump'
const kPa = (headM: number): number => Math.sign(headM) * staticPressure({ headM: Math.abs(headM) }).pressureKPa

/** A place along a line: how high it stands, how deep below the ground, and whether it is a hump or a dip. */
export interface PlaceAlong {
  id?: string
  alongM: number
  heightM: number
  /** Below the ground, m; less than nothing where it stands above. */
  deepM: number
  is?: 'hump' | 'dip'
}

/** The heights of a line from end to end, with its humps, which hold air, and its dips, which hold water. */
export function profileOf(site: Site, run: Run): PlaceAlong[] {
  const lengthM = run.parts.reduce((sum, part) => sum + lengthOfPart(part), 0)
  const [from, to] = [
    site.nodes.find(node => node.id === run.from.node)!,
    site.nodes.find(node => node.id === run.to.node)!,
  ]
  const known = (run.profile ?? []).filter(({ alongM }) => alongM > 0 && alongM < lengthM)
  const places = lengthM
    ? placesAlong(site, run, lengthM)
    : [
        { alongM: 0, heightM: portHeightM(site, run.from) },
        { alongM: 0, heightM: portHeightM(site, run.to) },
      ]
  return places.map((place, at): PlaceAlong => {
    const groundM = from.groundM + (lengthM ? place.alongM / lengthM : at) * (to.groundM - from.groundM)
    const [before, after] = [places[at - 1], places[at + 1]]
    const is =
      before && after
        ? place.heightM > before.heightM && place.heightM > after.heightM
          ? ('hump' as const)
          : place.heightM < before.heightM && place.heightM < after.heightM
            ? ('dip' as const)
            : undefined
        : undefined
    const id = known.find(each => each.alongM === place.alongM)?.id
    return {
      ...(id ? { id } : {}),
      alongM: place.alongM,
      heightM: place.heightM,
      deepM: groundM - place.heightM,
      ...(is ? { is } : {}),
    }
  })
}
