import {
  addRun,
  defineMove,
  freshId,
  guessedLengthM,
  required,
  pipe,
  Impossible,
  toThousandth,
  valve,
  union,
  needRun,
  named,
} from './move'
import { withWhatHangs } from './follow'
import { leadOverflowAway, overflowPort } from './spills'
import { showQuantity } from '../units'
import { tankHeight } from '../sums'
import { graphOf, nameOf, portsByRole, rimM, runsFrom, runsTo, type Site, runName, thingName } from '../site'
import { type Port, type Tank, layIn } from '../kinds'
import { z } from 'zod'

const lowM = (tank: Tank) => toThousandth(Math.min(0.1, tankHeight(tank.shape) * 0.08))
const isFree = (site: Site, tank: Tank, port: Port) =>
  !runsFrom(site, tank.id, port.name).length && !runsTo(site, tank.id, port.name).length

/** A place low in the wall for a link that no line uses, whether anything is fitted there or not. */
const freeLink = (site: Site, tank: Tank): Port | undefined =>
  portsByRole(tank, 'link').find(port => isFree(site, tank, port))

/** A fitting low in the wall that waits behind its valve or cap for the next tank. */
export const spareLink = (site: Site, tank: Tank): Port | undefined =>
  portsByRole(tank, 'link').find(port => port.spare && isFree(site, tank, port))

/** The fitting a new link starts from: the spare one, else a new hole. */
function linkPort(site: Site, tank: Tank, boreMm: number): Port {
  const spare = spareLink(site, tank) ?? freeLink(site, tank)
  if (spare) {
    delete spare.spare
    spare.boreMm = boreMm
    return spare
  }
  const port: Port = { name: freshPort(tank, 'link'), role: 'link', heightM: lowM(tank), boreMm }
  tank.ports.push(port)
  return port
}

export function freshPort(tank: Tank, stem: string): string {
  const taken = new Set(tank.ports.map(port => port.name))
  if (!taken.has(stem)) return stem
  let number = 1
  while (taken.has(`${stem}-${number}`)) number++
  return `${stem}-${number}`
}

/** Joins two tanks low down, each behind its own valve and union. */
export function joinAtBottom(site: Site, a: Tank, b: Tank, boreMm: number): void {
  const [from, to] = [linkPort(site, a, boreMm), linkPort(site, b, boreMm)]
  addRun(site, { node: a.id, port: from.name }, { node: b.id, port: to.name }, [
    valve(boreMm),
    union(boreMm),
    pipe(1.2, boreMm),
    union(boreMm),
    valve(boreMm),
  ])
}

export const linkAtBottom = defineMove({
  args: z.object({ a: z.string(), b: z.string(), boreMm: z.number().positive().max(1000) }),
  label: ({ a, b }, site) => `Join ${nameOf(site, a)} and ${nameOf(site, b)} at the bottom`,
  apply(site, { a, b, boreMm }) {
    if (a === b) throw new Impossible('A tank cannot be joined to itself.')
    joinAtBottom(site, required(site, a, 'tank'), required(site, b, 'tank'), boreMm)
  },
})

/** Several tanks led low down to one tee, the hub, each behind its own valve and union: one line can then serve all. */
export const joinAtHub = defineMove({
  args: z.object({ tanks: z.array(z.string()).min(2).max(40), boreMm: z.number().positive().max(1000) }),
  label: ({ tanks }) => `Join ${tanks.length} tanks at one hub`,
  apply(site, { tanks, boreMm }) {
    const found = [...new Set(tanks)].map(id => required(site, id, 'tank'))
    if (found.length < 2) throw new Impossible('A hub joins two tanks or more.')
    const ports = found.map(tank => linkPort(site, tank, boreMm))
    const hub = {
      kind: 'joint' as const,
      id: freshId(site, 'joint'),
      name: 'Hub',
      baseM: toThousandth(Math.min(...found.map((tank, at) => tank.baseM + ports[at]!.heightM))),
      groundM: Math.min(...found.map(tank => tank.groundM)),
    }
    site.nodes.push(hub)
    for (const [at, tank] of found.entries()) {
      const ends = [
        { node: tank.id, port: ports[at]!.name },
        { node: hub.id, port: 'in' },
      ] as const
      addRun(site, ends[0], ends[1], [
        valve(boreMm),
        union(boreMm),
        pipe(guessedLengthM(site, ends[0], ends[1], 1.2), boreMm),
      ])
    }
  },
})

/** Feeds a lower tank from a higher one's outlet; a float valve in the lower one stops it below its overflow. */
export function feedFrom(site: Site, from: Tank, to: Tank, floatAtM = overflowPort(to).heightM - 0.05): void {
  const [outlet] = portsByRole(from, 'outlet')
  if (!outlet) throw new Impossible(`${from.name} has no outlet; give it one first.`)
  const boreMm = Math.min(outlet.boreMm, 50)
  const port: Port = {
    name: freshPort(to, 'float'),
    role: 'inlet',
    heightM: toThousandth(Math.max(0.05, floatAtM)),
    boreMm,
  }
  to.ports.push(port)
  // Should the float stick, all that comes in must get out; an overflow that has its line already is left, and found.
  const overflow = overflowPort(to)
  if (!runsFrom(site, to.id, overflow.name).length) overflow.boreMm = Math.max(overflow.boreMm, boreMm)
  if (to.ventMm > 0) to.ventMm = Math.max(to.ventMm, boreMm)
  const ends = [
    { node: from.id, port: outlet.name },
    { node: to.id, port: port.name },
  ] as const
  addRun(site, ends[0], ends[1], [
    valve(boreMm),
    union(boreMm),
    pipe(guessedLengthM(site, ends[0], ends[1], 2), boreMm),
    union(boreMm),
    { kind: 'float', boreMm },
  ])
  leadOverflowAway(site, to)
}

export const feedByFloat = defineMove({
  args: z.object({ from: z.string(), to: z.string() }),
  label: ({ from, to }, site) => `Fill ${nameOf(site, to)} from ${nameOf(site, from)} by a float valve`,
  apply(site, { from, to }) {
    if (from === to) throw new Impossible('A tank cannot fill itself.')
    feedFrom(site, required(site, from, 'tank'), required(site, to, 'tank'))
  },
})

/** A float valve at the end of a line that has none: it shuts once its tank is full. */
export const fitFloat = defineMove({
  args: z.object({ run: z.string() }),
  label: () => 'Fit a float valve where the line ends',
  apply(site, { run: id }) {
    const run = needRun(site, id)
    if (run.parts.some(part => part.kind === 'float'))
      throw new Impossible(`“${runName(site, run)}” has a float valve already.`)
    const tank = required(site, run.to.node, 'tank')
    const boreMm = run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? 25
    run.parts = named(site, id, [...run.parts, { kind: 'float', boreMm }])
    const port = tank.ports.find(candidate => candidate.name === run.to.port)!
    // It must shut before the tank spills.
    port.heightM = toThousandth(Math.max(0.02, Math.min(port.heightM, overflowPort(tank).heightM - 0.05)))
  },
})

/** A capped valve low in the wall, for the next tank: fitted while this one is empty. */
export const fitSpare = defineMove({
  args: z.object({ tank: z.string() }),
  label: ({ tank }, site) => `Leave a capped valve on ${nameOf(site, tank)} for the next tank`,
  apply: (site, { tank }) => leaveSpare(site, required(site, tank, 'tank')),
})

export function leaveSpare(site: Site, tank: Tank): void {
  const free = freeLink(site, tank)
  if (free) Object.assign(free, { spare: 'valve', heightM: Math.min(free.heightM, lowM(tank)) })
  else
    tank.ports.push({
      name: freshPort(tank, 'link'),
      role: 'link',
      heightM: lowM(tank),
      boreMm: portsByRole(tank, 'link')[0]?.boreMm ?? portsByRole(tank, 'outlet')[0]?.boreMm ?? 50,
      spare: 'valve',
    })
}

/** Lays a line between two tanks in another bore, with its valves, unions and the fittings at both its ends. */
export const widenLink = defineMove({
  args: z.object({ run: z.string(), boreMm: z.number().positive().max(1000) }),
  label: ({ run, boreMm }, site) =>
    `Lay ${thingName(site, run, 'the link')} in ${showQuantity(boreMm, 'pipe', site.standards.units).text}`,
  apply(site, { run: id, boreMm }) {
    const run = needRun(site, id)
    for (const part of run.parts) layIn(part, boreMm)
    for (const end of [run.from, run.to]) {
      const node = site.nodes.find(candidate => candidate.id === end.node)
      const port = node?.kind === 'tank' ? node.ports.find(candidate => candidate.name === end.port) : undefined
      if (port) port.boreMm = boreMm
    }
  },
})

/** Sets joined tanks up or down until their rims are level with the highest of them, or with the lowest. */
export const levelRims = defineMove({
  args: z.object({ tanks: z.array(z.string()).min(2), with: z.enum(['highest', 'lowest']).default('highest') }),
  label: ({ with: which = 'highest' }) => `Level the tops of the joined tanks with the ${which}`,
  apply(site, { tanks, with: which }) {
    const found = tanks.map(id => required(site, id, 'tank'))
    const rims = found.map(rimM)
    const topM = which === 'highest' ? Math.max(...rims) : Math.min(...rims)
    for (const tank of found) raiseTank(site, tank, topM - rimM(tank))
  },
})

const raiseTank = (site: Site, tank: Tank, byM: number): void =>
  withWhatHangs(site, tank, () => (tank.baseM = toThousandth(tank.baseM + byM)))

/** Puts a valve at each end of a link that has none. */
export const fitLinkValves = defineMove({
  args: z.object({ run: z.string() }),
  label: () => 'Fit a valve at each end of the link',
  apply(site, { run: id }) {
    const run = needRun(site, id)
    const bore = run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? 50
    const [before, behind] = [
      run.parts[0]?.kind !== 'valve',
      run.parts.at(-1)?.kind !== 'valve' || run.parts.length < 2,
    ]
    run.parts = named(site, id, [...(before ? [valve(bore)] : []), ...run.parts, ...(behind ? [valve(bore)] : [])])
  },
})

/** Opens or shuts a valve. */
export const turnValve = defineMove({
  args: z.object({ part: z.string(), open: z.boolean() }),
  label: ({ part, open }, site) => {
    const run = graphOf(site).runWith(part)
    return `${open ? 'Open' : 'Shut'} a valve of ${run ? runName(site, run) : 'a line'}`
  },
  apply(site, { part: id, open }) {
    const valve = site.runs.flatMap(run => run.parts).find(part => part.id === id)
    if (valve?.kind !== 'valve') throw new Impossible('That valve is no longer there.')
    valve.open = open
  },
})
