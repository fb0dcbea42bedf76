import { z } from 'zod'
import { addRun, defineMove, freshId, guessedLengthM, Impossible, pipe, required, toThousandth } from './move'
import { tankHeight } from '../sums'
import { nameOf, portsByRole, runsFrom, type Site } from '../site'
import type { Port, Tank } from '../kinds'

/** An outfall that would lie above what is to run to it lies deeper, and then below the ground. */
function sinkOutfall(site: Site, id: string, mouthM: number): void {
  const outfall = site.nodes.find(node => node.id === id)
  if (outfall?.kind !== 'outfall' || outfall.baseM < mouthM) return
  outfall.baseM = toThousandth(mouthM - 0.1)
  if (outfall.baseM < outfall.groundM - 0.3) outfall.to = 'drain'
}

/** A cascade at the top: the first tank's overflow feeds the second, whose own overflow leads away. */
export function spillFrom(site: Site, from: Tank, to: Tank): void {
  const overflow = overflowPort(from)
  const existing = runsFrom(site, from.id, overflow.name)[0]
  const next = existing && site.nodes.find(node => node.id === existing.to.node)
  if (next?.kind === 'tank' && next.id !== to.id && runsFrom(site, to.id, overflowPort(to).name).length)
    throw new Impossible(
      `${from.name} spills into ${next.name} already, and ${to.name} has a line of its own to spill by; lead the ` +
        `overflow of ${from.name} elsewhere first.`,
    )
  const inlet = portsByRole(to, 'inlet')[0]!
  const target = { node: to.id, port: inlet.name }
  // What the one spills the other has to spill too.
  inlet.boreMm = Math.max(inlet.boreMm, overflow.boreMm)
  const last = overflowPort(to)
  if (!runsFrom(site, to.id, last.name).length) last.boreMm = Math.max(last.boreMm, overflow.boreMm)
  if (existing) {
    // The line that led the spill on, away or to the next tank, now leads on from the new tank.
    const onward = existing.to
    existing.to = target
    delete existing.name
    if (onward.node !== to.id && !runsFrom(site, to.id, last.name).length) {
      addRun(site, { node: to.id, port: last.name }, onward, [pipe(4, last.boreMm)])
      sinkOutfall(site, onward.node, to.baseM + last.heightM)
    }
  } else addRun(site, { node: from.id, port: overflow.name }, target, [pipe(1.5, overflow.boreMm)])
  leadOverflowAway(site, to)
}

export const spillInto = defineMove({
  args: z.object({ from: z.string(), to: z.string() }),
  label: ({ from, to }, site) => `Spill ${nameOf(site, from)} into ${nameOf(site, to)}`,
  apply(site, { from, to }) {
    if (from === to) throw new Impossible('A tank cannot spill into itself.')
    spillFrom(site, required(site, from, 'tank'), required(site, to, 'tank'))
  },
})

export function overflowPort(tank: Tank): Port {
  const existing = portsByRole(tank, 'overflow')[0]
  if (existing) return existing
  const inlet = portsByRole(tank, 'inlet')[0]
  const heightM = toThousandth(Math.max(0.05, (inlet?.heightM ?? tankHeight(tank.shape)) - 0.12))
  const port = { name: 'overflow', role: 'overflow' as const, heightM, boreMm: inlet?.boreMm ?? 68 }
  tank.ports.push(port)
  return port
}

/** Leads a tank's overflow to a swale of its own, unless it leads somewhere. */
export function leadOverflowAway(site: Site, tank: Tank, port = overflowPort(tank)): void {
  if (runsFrom(site, tank.id, port.name).length) return
  const baseM = Math.min(tank.groundM, toThousandth(tank.baseM + port.heightM - 0.1))
  const outfall = {
    kind: 'outfall' as const,
    id: freshId(site, 'outfall'),
    baseM,
    groundM: tank.groundM,
    // A swale lies at the surface; what stands deeper is led away below it.
    to: baseM < tank.groundM - 0.3 ? ('drain' as const) : ('swale' as const),
  }
  site.nodes.push(outfall)
  const ends = [
    { node: tank.id, port: port.name },
    { node: outfall.id, port: 'in' },
  ] as const
  addRun(site, ends[0], ends[1], [pipe(guessedLengthM(site, ends[0], ends[1], 4), port.boreMm)])
}
