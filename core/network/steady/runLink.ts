import { plainLink, type LaidLink } from './draft'
import { evenLaw, perVelocityHead, squareLaw } from './laws'
import type { Profile } from './heights'
import type { Holder, PumpIn } from './layout'
import { lawOf } from './partLaw'
import { suckingOf } from './sucking'
import { heldHeadM, isDiaphragm, runningLaw, shutOffM, stoppedLaw } from './pumps'
import { boreMm } from '../loss'
import { headOfPressureM, pipeVelocityMps } from '../../sums'
import { FITTING_K } from '../../catalog'
import { floatShutsM, nodeById, type Run, type Site } from '../../site'
import { boreOfPart, does, type Part, type Tank } from '../../kinds'

/**
 * What is known of a stretch of a run as a link, but for the places that it joins: its laws, pumps and what holds a
 * pressure in it.
 * @param profile the height of each place along the run, by how many of its parts lie before it
 */
export function linkOf(
  site: Site,
  run: Run,
  parts: readonly Part[],
  profile: Profile,
  { first, last }: { first: boolean; last: boolean },
): LaidLink {
  const { waterTemperatureC } = site.place
  const pipeMm = boreMm(run)
  const law = (part: Part) => lawOf(part, pipeMm, waterTemperatureC)
  const laws = parts.flatMap(part => law(part) ?? [])
  const isTank = (end: Run['from']) => nodeById(site, end.node).kind === 'tank'
  const [leaves, arrives] = [first && isTank(run.from), last && isTank(run.to)]
  const [entry, exit] = [FITTING_K.entry, FITTING_K.exit].map(k => k * perVelocityHead(pipeMm))
  const start = leaves ? [squareLaw(entry!, exit!)] : []
  const end = arrives ? [squareLaw(exit!, entry!)] : []
  const bores = parts.flatMap(part => (does(part, 'carries') ? [boreOfPart(part)!] : []))
  const floats = parts.some(part => does(part, 'stops when full')) && last && arrives
  const pumps = parts.flatMap((part): PumpIn[] => {
    if (part.kind !== 'pump') return []
    const [running, stopped] = [runningLaw(part, pipeMm), stoppedLaw(pipeMm)]
    return [{ part, running, stopped, shutOffM: shutOffM(part), diaphragm: isDiaphragm(part) }]
  })
  const lawsOf = (some: readonly Part[]) => some.flatMap(each => law(each) ?? [])
  const [holder] = parts.flatMap((part, at): Holder[] => {
    const around = {
      before: [...start, ...lawsOf(parts.slice(0, at))],
      after: [...lawsOf(parts.slice(at + 1)), ...end],
    }
    const placeM = profile(run.parts.indexOf(part))
    if (part.kind === 'regulator')
      return [{ headM: placeM + headOfPressureM(part.setKPa), ...around, idle: law(part) ?? evenLaw(0) }]
    if (part.kind !== 'pump' || part.pump !== 'variable-speed') return []
    const [idle, full] = [stoppedLaw(pipeMm), runningLaw(part, pipeMm)]
    return [{ headM: placeM + heldHeadM(part), ...around, idle, full }]
  })
  const sucking = first ? suckingOf(site, run) : undefined
  const narrowestMm = Math.min(...bores, ...(bores.length ? [] : [pipeMm]))
  return {
    ...plainLink,
    runId: run.id,
    laws: [...start, ...laws, ...end],
    pumps,
    ...(holder ? { holder } : {}),
    ...(sucking && parts.includes(sucking.pump)
      ? { sucks: { leastM: sucking.pumpM - sucking.limitM, before: [...start, ...lawsOf(sucking.before)] } }
      : {}),
    check:
      parts.some(part => (part.kind === 'check' && !part.passesShare) || does(part, 'regulates')) ||
      pumps.some(pump => pump.diaphragm),
    shut: run.parts.some(part => part.kind === 'valve' && !part.open),
    float: floats ? { tank: nodeById(site, run.to.node) as Tank, shutsAtM: floatShutsM(site, run)! } : undefined,
    narrowestMm,
    beginsAs: 0.5 / pipeVelocityMps(1, narrowestMm),
  }
}
