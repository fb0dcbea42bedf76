import { BASES, TANK_KIND_IDS, TANK_KINDS, type TankKindId } from '../../catalog'
import { tankHeight } from '../../sums'
import { z } from 'zod'
import { portsByRole, rimM, runsFrom, spillM } from '../ports'
import type { Site, Tank } from '../schema'
import { addRun, defineMove, freshId, guessedLengthM, need, pipe, Refusal, valve } from './move'

const tankId = z.object({ tank: z.string() })
const nameOf = (site: Site, id: string) => site.nodes.find(node => node.id === id)?.name ?? 'the tank'
const round = (value: number) => Math.round(value * 1000) / 1000

/** A tank of a catalog kind as it is usually fitted, standing on its usual base; `like` copies another's measures and footing. */
export function makeTank(site: Site, kind: TankKindId, name?: string, like?: Tank): Tank {
  const entry = TANK_KINDS[kind]
  const shape = like?.tankKind === kind ? { ...like.shape } : { ...entry.shape }
  const heightM = tankHeight(shape)
  const groundM = like?.groundM ?? 0
  const count = site.nodes.filter(node => node.kind === 'tank').length
  return {
    kind: 'tank', id: freshId(site, 'tank'), name: name ?? `Tank ${String.fromCharCode(65 + count % 26)}`,
    baseM: groundM + BASES[entry.base].heightM, groundM, tankKind: kind, shape, emptyMassKg: entry.emptyMassKg,
    lid: entry.lid, lightTight: entry.lightTight, sunlit: true, ventMm: entry.inletMm, base: entry.base, inletStyle: 'top',
    ports: [
      { name: 'inlet', role: 'inlet', heightM: round(heightM - 0.06), boreMm: entry.inletMm },
      { name: 'overflow', role: 'overflow', heightM: round(heightM - Math.min(0.2, heightM * 0.15)), boreMm: entry.inletMm },
      { name: 'outlet', role: 'outlet', heightM: round(Math.min(0.1, heightM * 0.08)), boreMm: entry.outletMm },
      { name: 'link', role: 'link', heightM: round(Math.min(0.1, heightM * 0.08)), boreMm: entry.outletMm },
    ],
  }
}

/** One more tank: on its own, joined at the bottom of another, or fed by another's spill. */
export const addTank = defineMove({
  args: z.object({ kind: z.enum(TANK_KIND_IDS), how: z.enum(['alone', 'joined', 'spill']), to: z.string().optional(), name: z.string().optional() }),
  label: ({ kind, how, to }, site) => `Add a ${TANK_KINDS[kind].name}${how === 'joined' ? ` joined to ${nameOf(site, to!)}` : how === 'spill' ? ` fed by ${nameOf(site, to!)}’s spill` : ''}`,
  apply(site, { kind, how, to, name }) {
    const like = to ? need(site, to, 'tank') : undefined
    if (how !== 'alone' && !like) throw new Refusal('Say which tank the new one is joined to.')
    const tank = makeTank(site, kind, name, like)
    if (like && like.base === tank.base) tank.baseM = like.baseM
    site.nodes.push(tank)
    if (how === 'joined') {
      // Level tops let one overflow serve both; a taller or lower tank gets a base to match.
      tank.baseM = round(rimM(like!) - tankHeight(tank.shape))
      joinAtBottom(site, like!, tank, Math.min(portsByRole(like!, 'link')[0]?.boreMm ?? 50, portsByRole(tank, 'link')[0]!.boreMm))
    }
    else if (how === 'spill') {
      tank.baseM = round(Math.min(tank.baseM, spillM(site, like!) - 0.03 - portsByRole(tank, 'inlet')[0]!.heightM))
      spillFrom(site, like!, tank)
    }
    else leadOverflowAway(site, tank)
  },
})

function joinAtBottom(site: Site, a: Tank, b: Tank, boreMm: number): void {
  const ends = [a, b].map((tank) => {
    const free = portsByRole(tank, 'link').find(port => !site.runs.some(run => [run.from, run.to].some(end => end.node === tank.id && end.port === port.name)))
    if (free) return free
    const port = { name: `link-${tank.ports.length}`, role: 'link' as const, heightM: Math.min(0.1, tankHeight(tank.shape) * 0.08), boreMm }
    tank.ports.push(port)
    return port
  })
  for (const port of ends) port.boreMm = boreMm
  addRun(site, `${a.name} to ${b.name}, at the bottom`, { node: a.id, port: ends[0]!.name }, { node: b.id, port: ends[1]!.name }, [valve(boreMm), pipe(1.2, boreMm), valve(boreMm)])
}

/** Joins two tanks at the bottom, each behind its own valve. */
export const linkAtBottom = defineMove({
  args: z.object({ a: z.string(), b: z.string(), boreMm: z.number().positive().max(1000) }),
  label: ({ a, b }, site) => `Join ${nameOf(site, a)} and ${nameOf(site, b)} at the bottom`,
  apply(site, { a, b, boreMm }) {
    if (a === b) throw new Refusal('A tank cannot be joined to itself.')
    joinAtBottom(site, need(site, a, 'tank'), need(site, b, 'tank'), boreMm)
  },
})

function spillFrom(site: Site, from: Tank, to: Tank): void {
  const overflow = overflowPort(from)
  const existing = runsFrom(site, from.id, overflow.name)[0]
  const target = { node: to.id, port: portsByRole(to, 'inlet')[0]!.name }
  if (existing) {
    // The line that led the spill away now leads it away from the new, last tank.
    const outfall = existing.to
    existing.to = target
    existing.name = `${from.name} spills into ${to.name}`
    const last = overflowPort(to)
    if (!runsFrom(site, to.id, last.name).length && site.nodes.some(node => node.id === outfall.node && node.kind === 'outfall')) {
      addRun(site, `${to.name} overflow`, { node: to.id, port: last.name }, outfall, [pipe(4, last.boreMm)])
    }
  }
  else addRun(site, `${from.name} spills into ${to.name}`, { node: from.id, port: overflow.name }, target, [pipe(1.5, overflow.boreMm)])
  leadOverflowAway(site, to)
}

/** A cascade at the top: the first tank's overflow feeds the second, whose own overflow leads away. */
export const spillInto = defineMove({
  args: z.object({ from: z.string(), to: z.string() }),
  label: ({ from, to }, site) => `Spill ${nameOf(site, from)} into ${nameOf(site, to)}`,
  apply(site, { from, to }) {
    if (from === to) throw new Refusal('A tank cannot spill into itself.')
    spillFrom(site, need(site, from, 'tank'), need(site, to, 'tank'))
  },
})

function overflowPort(tank: Tank) {
  const existing = portsByRole(tank, 'overflow')[0]
  if (existing) return existing
  const inlet = portsByRole(tank, 'inlet')[0]
  const heightM = round(Math.max(0.05, (inlet?.heightM ?? tankHeight(tank.shape)) - 0.12))
  const port = { name: 'overflow', role: 'overflow' as const, heightM, boreMm: inlet?.boreMm ?? 68 }
  tank.ports.push(port)
  return port
}

function leadOverflowAway(site: Site, tank: Tank): void {
  const port = overflowPort(tank)
  if (runsFrom(site, tank.id, port.name).length) return
  const outfall = { kind: 'outfall' as const, id: freshId(site, 'outfall'), name: `${tank.name} outfall`, baseM: Math.min(tank.groundM, tank.baseM + port.heightM - 0.1), groundM: tank.groundM, to: 'swale' as const }
  site.nodes.push(outfall)
  const ends = [{ node: tank.id, port: port.name }, { node: outfall.id, port: 'in' }] as const
  addRun(site, `${tank.name} overflow`, ends[0], ends[1], [pipe(guessedLengthM(site, ends[0], ends[1], 4), port.boreMm)])
}

/** Gives a tank an overflow and leads it to a swale. */
export const fitOverflow = defineMove({
  args: tankId,
  label: ({ tank }, site) => `Fit an overflow to ${nameOf(site, tank)}`,
  apply: (site, { tank }) => leadOverflowAway(site, need(site, tank, 'tank')),
})

/** Sets height and bore of a fitting in a tank's wall; the pipe of its overflow line follows. */
export const setPort = defineMove({
  args: z.object({ tank: z.string(), port: z.string(), heightM: z.number().min(0).max(50).optional(), boreMm: z.number().positive().max(5000).optional() }),
  label: ({ tank, port }, site) => `${nameOf(site, tank)}: ${port}`,
  apply(site, { tank: id, port: name, heightM, boreMm }) {
    const tank = need(site, id, 'tank')
    const port = tank.ports.find(candidate => candidate.name === name)
    if (!port) throw new Refusal(`${tank.name} has no fitting “${name}” any more.`)
    if (heightM !== undefined) {
      if (heightM > tankHeight(tank.shape)) throw new Refusal(`${tank.name} is only ${round(tankHeight(tank.shape))} m tall; its ${name} cannot sit at ${round(heightM)} m above the floor.`)
      port.heightM = round(heightM)
    }
    if (boreMm !== undefined) {
      port.boreMm = boreMm
      for (const run of runsFrom(site, id, name)) for (const part of run.parts) if (part.kind === 'pipe') part.innerDiameterMm = boreMm
    }
  },
})

/** Gives a tank other measures; fittings that would stand above the new rim come down with it. */
export const resizeTank = defineMove({
  args: z.object({ tank: z.string(), shape: z.record(z.string(), z.unknown()) }),
  label: ({ tank }, site) => `Resize ${nameOf(site, tank)}`,
  apply(site, { tank: id, shape }) {
    const tank = need(site, id, 'tank')
    const before = tankHeight(tank.shape)
    tank.shape = { ...tank.shape, ...shape } as Tank['shape']
    const after = tankHeight(tank.shape)
    if (!(after > 0)) return
    // Fittings near the top keep their distance from the rim, those near the floor theirs from the floor.
    for (const port of tank.ports) {
      if (port.heightM > before / 2) port.heightM = round(Math.max(after * 0.5, port.heightM + after - before))
      else port.heightM = round(Math.min(port.heightM, after * 0.4))
    }
  },
})

/** Raises the bases of joined tanks until their rims are level with the highest. */
export const levelRims = defineMove({
  args: z.object({ tanks: z.array(z.string()).min(2) }),
  label: () => 'Level the tops of the joined tanks',
  apply(site, { tanks }) {
    const found = tanks.map(id => need(site, id, 'tank'))
    const topM = Math.max(...found.map(rimM))
    for (const tank of found) tank.baseM = round(tank.baseM + topM - rimM(tank))
  },
})

/** Puts a valve at each end of a link that has none. */
export const fitLinkValves = defineMove({
  args: z.object({ run: z.string() }),
  label: () => 'Fit a valve at each end of the link',
  apply(site, { run: id }) {
    const run = site.runs.find(candidate => candidate.id === id)
    if (!run) throw new Refusal('That link is no longer there.')
    const bore = run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? 50
    if (run.parts[0]?.kind !== 'valve') run.parts.unshift(valve(bore))
    if (run.parts.at(-1)?.kind !== 'valve' || run.parts.length === 1) run.parts.push(valve(bore))
  },
})
