import { showVolume } from '../../units'
import { SPILL_MARGIN_M } from '../../catalog'
import { tankHeight, tankVolume } from '../../sums'
import { z } from 'zod'
import { portsByRole, runsFrom, runsTo, spillM } from '../ports'
import type { NodeOf, Port, Site, Tank } from '../schema'
import { freshPort } from './joins'
import { addRun, defineMove, freshId, guessedLengthM, nameOf, need, pipe, Refusal, toThousandth, valve } from './move'

const FIRE_MM = 50
const isDrawOff = (port: Port) => port.role === 'outlet' && port.name !== 'fire'

/** Tanks joined to one by links from bottom to bottom, itself first. */
export function joinedTanks(site: Site, tank: Tank): Tank[] {
  const found = [tank]
  for (const here of found) {
    for (const run of site.runs) {
      const other = run.from.node === here.id ? run.to : run.to.node === here.id ? run.from : undefined
      const next = other && site.nodes.find(node => node.id === other.node)
      if (next?.kind === 'tank' && !found.includes(next) && [run.from, run.to].every(end => portRole(site, end) === 'link')) found.push(next)
    }
  }
  return found
}

function portRole(site: Site, end: { node: string, port: string }): Port['role'] | undefined {
  const node = site.nodes.find(candidate => candidate.id === end.node)
  return node?.kind === 'tank' ? node.ports.find(port => port.name === end.port)?.role : undefined
}

/** Height above the datum at which joined tanks together hold so many litres. */
export function heightHoldingM(tanks: Tank[], litres: number): number {
  const held = (heightM: number) => tanks.reduce((sum, tank) => sum + tankVolume({ ...tank.shape, levelM: Math.max(0, Math.min(heightM - tank.baseM, tankHeight(tank.shape))) }).volumeL, 0)
  let [low, high] = [Math.min(...tanks.map(tank => tank.baseM)), Math.max(...tanks.map(tank => tank.baseM + tankHeight(tank.shape)))]
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2
    if (held(middle) < litres) low = middle
    else high = middle
  }
  return high
}

/** Keeps litres back for fire: every draw-off of the group is set above them, and a hydrant at the floor can still reach them. Nought gives them free. */
export const keepReserve = defineMove({
  args: z.object({ tank: z.string(), litres: z.number().min(0).max(1e7) }),
  label: ({ tank, litres }, site) => litres ? `Keep ${Math.round(litres)} L of ${nameOf(site, tank)} for fire` : `Keep nothing of ${nameOf(site, tank)} for fire`,
  apply(site, { tank: id, litres }) {
    const tank = need(site, id, 'tank')
    const tanks = joinedTanks(site, tank)
    const keptM = litres ? heightHoldingM(tanks, litres) : undefined
    if (keptM !== undefined && keptM >= Math.min(...tanks.map(member => spillM(site, member))) - SPILL_MARGIN_M) throw new Refusal(`${showVolume(litres, site.standards.units).text} are all that ${tanks.length > 1 ? 'these tanks hold' : `${tank.name} holds`}, or more; nothing would be left to use.`)
    for (const member of tanks) {
      delete member.reserveL
      for (const port of member.ports.filter(isDrawOff)) port.heightM = toThousandth(Math.min(tankHeight(member.shape) * 0.95, Math.max(keptM === undefined ? 0.1 : keptM - member.baseM, Math.min(0.1, tankHeight(member.shape) * 0.08))))
    }
    if (!litres) return
    tank.reserveL = litres
    if (tank.ports.some(port => port.name === 'fire')) return
    tank.ports.push({ name: 'fire', role: 'outlet', heightM: 0.05, boreMm: FIRE_MM })
    const hydrant: NodeOf<'tap'> = { kind: 'tap', id: freshId(site, 'tap'), name: 'Fire hydrant', baseM: toThousandth(tank.groundM + 0.5), groundM: tank.groundM, fixture: 'fire hydrant' }
    site.nodes.push(hydrant)
    const ends = [{ node: tank.id, port: 'fire' }, { node: hydrant.id, port: 'in' }] as const
    addRun(site, `${tank.name} to the hydrant`, ends[0], ends[1], [valve(FIRE_MM), pipe(guessedLengthM(site, ends[0], ends[1], 4), FIRE_MM)])
  },
})

/** Hangs a draw-off from a float just under the surface; its stop keeps the mouth off the floor. Nought for the hose fixes it to the wall again. */
export const floatDrawOff = defineMove({
  args: z.object({ tank: z.string(), port: z.string(), hoseM: z.number().min(0).max(30), stopM: z.number().min(0).max(10).optional() }),
  label: ({ tank, hoseM }, site) => hoseM ? `Hang the draw-off of ${nameOf(site, tank)} from a float` : `Fix the draw-off of ${nameOf(site, tank)} to the wall`,
  apply(site, { tank: id, port: name, hoseM, stopM }) {
    const port = need(site, id, 'tank').ports.find(candidate => candidate.name === name)
    if (!port) throw new Refusal('That draw-off is no longer there.')
    if (hoseM) port.floating = { hoseM, stopM: stopM ?? port.floating?.stopM ?? 0.15 }
    else delete port.floating
  },
})

/** A valve at the very outlet of a tank on every line that has none, and an outlet where there is none. */
export const fitSupplyValve = defineMove({
  args: z.object({ tank: z.string() }),
  label: ({ tank }, site) => `Fit the outlet of ${nameOf(site, tank)} and its valve`,
  apply(site, { tank: id }) {
    const tank = need(site, id, 'tank')
    const outlets = tank.ports.filter(isDrawOff)
    if (!outlets.length) tank.ports.push({ name: freshPort(tank, 'outlet'), role: 'outlet', heightM: toThousandth(Math.min(0.1, tankHeight(tank.shape) * 0.08)), boreMm: 50, spare: 'valve' })
    for (const port of outlets) {
      const lines = runsFrom(site, id, port.name)
      if (!lines.length) port.spare = 'valve'
      for (const run of lines) if (run.parts[0]?.kind !== 'valve') run.parts.unshift(valve(port.boreMm))
    }
  },
})

/** Draws a use from another tank: its own line, or the pump's that it hangs on, starts there. */
export const drawFrom = defineMove({
  args: z.object({ use: z.string(), tank: z.string() }),
  label: ({ use, tank }, site) => `Draw ${site.uses.find(candidate => candidate.id === use)?.name ?? 'a use'} from ${nameOf(site, tank)}`,
  apply(site, { use: useId, tank: id }) {
    const tank = need(site, id, 'tank')
    const use = site.uses.find(candidate => candidate.id === useId)
    if (!use) throw new Refusal('That use is no longer in this site.')
    const outlet = tank.ports.find(isDrawOff)
    if (!outlet) throw new Refusal(`${tank.name} has no outlet; give it one first.`)
    let run = runsTo(site, use.at)[0]
    while (run && site.nodes.some(node => node.id === run!.from.node && node.kind === 'joint')) run = runsTo(site, run.from.node)[0]
    if (!run) {
      const to = { node: use.at, port: 'in' }
      const from = { node: id, port: outlet.name }
      addRun(site, `${tank.name} to ${use.name}`, from, to, [valve(outlet.boreMm), pipe(guessedLengthM(site, from, to, 8), 26.6)])
    }
    else run.from = { node: id, port: outlet.name }
  },
})

/** Sets every draw-off that lies on a tank's floor a little above it, where no sediment is. */
export const raiseDrawOff = defineMove({
  args: z.object({ tank: z.string(), heightM: z.number().min(0).max(50) }),
  label: ({ tank }, site) => `Set the draw-off of ${nameOf(site, tank)} above the floor`,
  apply(site, { tank: id, heightM }) {
    for (const port of need(site, id, 'tank').ports.filter(isDrawOff)) port.heightM = Math.max(port.heightM, toThousandth(heightM))
  },
})

/** What outlets a tank has for drawing from, the hydrant's aside. */
export const drawOffs = (tank: Tank): Port[] => portsByRole(tank, 'outlet').filter(isDrawOff)
