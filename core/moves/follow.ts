import { toThousandth } from './move'
import { graphOf, nodeById, portHeightM, portsByRole, runsFrom, runsTo, type Run, type Site } from '../site'
import type { NodeOf, Tank } from '../kinds'

const LEAST_M = 0.1
const FALL_M = 0.1

const fallM = (site: Pick<Site, 'nodes' | 'runs'>, run: Run) =>
  Math.abs(portHeightM(site, run.from) - portHeightM(site, run.to))
const sameEnds = (a: Run, b: Run) =>
  (['from', 'to'] as const).every(end => a[end].node === b[end].node && a[end].port === b[end].port)

/**
 * Pipes that nobody has measured follow the heights of their ends: what the fall gains, the pipe gains. Told as what
 * is to be changed in a draft of the site after the move.
 */
export function lengthsFollow(before: Site, after: Site, draft: Site): void {
  if (after.nodes === before.nodes) return
  const known = new Set(before.nodes)
  const moved = new Set(after.nodes.filter(node => !known.has(node)).map(node => node.id))
  for (const [index, run] of after.runs.entries()) {
    if (!moved.has(run.from.node) && !moved.has(run.to.node)) continue
    const at = run.parts.findIndex(part => part.kind === 'pipe' && part.guessed)
    const was = at < 0 ? undefined : graphOf(before).run(run.id)
    if (!was || !sameEnds(was, run)) continue
    const gainM = fallM(after, run) - fallM(before, was)
    if (Math.abs(gainM) < 0.005) continue
    const pipe = draft.runs[index]!.parts[at]!
    if (pipe.kind === 'pipe') pipe.lengthM = Math.max(LEAST_M, Math.round((pipe.lengthM + gainM) * 100) / 100)
  }
}

/** Height of every port of a tank that a line ends at, above the datum. */
const inletsM = (tank: Tank) => new Map(portsByRole(tank, 'inlet').map(port => [port.name, tank.baseM + port.heightM]))
const openingsM = (tank: Tank) =>
  new Map(portsByRole(tank, 'overflow').map(port => [port.name, tank.baseM + port.heightM]))

/**
 * Changes a tank's height or measures, and what hangs on it after: a first-flush chamber whose tee would fall below
 * the inlet goes up with it, as far as its spout allows (or water would stand in the line); an outfall that would lie
 * above the overflow goes down with it, as far as the ground allows.
 */
export function withWhatHangs(site: Site, tank: Tank, change: () => void): void {
  const [inlets, mouths] = [inletsM(tank), openingsM(tank)]
  change()
  for (const [port, nowM] of inletsM(tank)) raiseChambers(site, tank.id, port, inlets.get(port) ?? nowM, nowM)
  for (const [port, nowM] of openingsM(tank)) lowerOutfall(site, tank.id, port, mouths.get(port) ?? nowM, nowM)
}

function raiseChambers(site: Site, tank: string, port: string, wasM: number, nowM: number): void {
  for (const run of runsTo(site, tank, port)) {
    const chamber = nodeById(site, run.from.node)
    if (chamber.kind !== 'chamber') continue
    const teeM = chamber.baseM + chamber.heightM
    if (teeM < wasM || teeM >= nowM) continue
    const topM = Math.min(...runsTo(site, chamber.id).map(feed => portHeightM(site, feed.from)))
    const upM = Math.min(nowM - wasM, topM - teeM)
    if (upM > 0) chamber.baseM = toThousandth(chamber.baseM + upM)
  }
}

function lowerOutfall(site: Site, tank: string, port: string, wasM: number, nowM: number): void {
  for (const run of runsFrom(site, tank, port)) {
    const end = nodeById(site, run.to.node)
    if (end.kind !== 'outfall' || end.baseM > wasM || end.baseM <= nowM) continue
    end.baseM = toThousandth(Math.max(nowM - FALL_M, Math.min(end.groundM, end.baseM) - deepestM(end)))
  }
}

/** How far below its ground an outfall may lie: at the surface a swale's depth, below it as deep as it must. */
const deepestM = ({ to }: NodeOf<'outfall'>) => (to === 'drain' || to === 'soakaway' ? Infinity : 0.3)
