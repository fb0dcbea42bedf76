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
  named,
} from './move'
import { straightLine, tankLine } from './sources'
import { keepFitToDrink } from './treatment'
import { freshPort } from './joins'
import { showVolume } from '../units'
import { tankHeight } from '../sums'
import { nameOf, portsByRole, runsFrom, spillM, joinedTanks, heightHoldingM, wayTo } from '../site'
import type { NodeOf, Port } from '../kinds'
import { SPILL_MARGIN_M } from '../catalog'
import { z } from 'zod'

const FIRE_MM = 50

/**
 * Keeps litres back for fire: every draw-off of the group is set above them, and a hydrant at the floor can still
 * reach them. Nought gives them free.
 */
export const keepReserve = defineMove({
  args: z.object({ tank: z.string(), litres: z.number().min(0).max(1e7) }),
  label: ({ tank, litres }, site) =>
    litres
      ? `Keep ${Math.round(litres)} L of ${nameOf(site, tank)} for fire`
      : `Keep nothing of ${nameOf(site, tank)} for fire`,
  apply(site, { tank: id, litres }) {
    const tank = required(site, id, 'tank')
    const tanks = joinedTanks(site, tank)
    const keptM = litres ? heightHoldingM(tanks, litres) : undefined
    if (keptM !== undefined && keptM >= Math.min(...tanks.map(member => spillM(site, member))) - SPILL_MARGIN_M)
      throw new Impossible(
        `${showVolume(litres, site.standards.units).text} are all that ` +
          `${tanks.length > 1 ? 'these tanks hold' : `${tank.name} holds`}, or more; nothing would be left to ` +
          'use.',
      )
    for (const member of tanks) {
      delete member.reserveL
      for (const port of portsByRole(member, 'outlet'))
        port.heightM = toThousandth(
          Math.min(
            tankHeight(member.shape) * 0.95,
            Math.max(keptM === undefined ? 0.1 : keptM - member.baseM, Math.min(0.1, tankHeight(member.shape) * 0.08)),
          ),
        )
    }
    if (!litres) return
    tank.reserveL = litres
    if (portsByRole(tank, 'fire').length) return
    const port: Port = { name: freshPort(tank, 'fire'), role: 'fire', heightM: 0.05, boreMm: FIRE_MM }
    tank.ports.push(port)
    const hydrant: NodeOf<'tap'> = {
      kind: 'tap',
      id: freshId(site, 'tap'),
      baseM: toThousandth(tank.groundM + 0.5),
      groundM: tank.groundM,
      fixture: 'hydrant',
    }
    site.nodes.push(hydrant)
    const ends = [
      { node: tank.id, port: port.name },
      { node: hydrant.id, port: 'in' },
    ] as const
    addRun(site, ends[0], ends[1], [valve(FIRE_MM), pipe(guessedLengthM(site, ends[0], ends[1], 4), FIRE_MM)])
  },
})

/**
 * Hangs a draw-off from a float just under the surface; its stop keeps the mouth off the floor. Nought for the hose
 * fixes it to the wall again.
 */
export const floatDrawOff = defineMove({
  args: z.object({
    tank: z.string(),
    port: z.string(),
    hoseM: z.number().min(0).max(30),
    stopM: z.number().min(0).max(10).optional(),
  }),
  label: ({ tank, hoseM }, site) =>
    hoseM
      ? `Hang the draw-off of ${nameOf(site, tank)} from a float`
      : `Fix the draw-off of ${nameOf(site, tank)} to the wall`,
  apply(site, { tank: id, port: name, hoseM, stopM }) {
    const port = required(site, id, 'tank').ports.find(candidate => candidate.name === name)
    if (!port) throw new Impossible('That draw-off is no longer there.')
    if (hoseM) port.floating = { hoseM, stopM: stopM ?? port.floating?.stopM ?? 0.15 }
    else delete port.floating
  },
})

/** A valve at the very outlet of a tank on every line that has none, and an outlet where there is none. */
export const fitSupplyValve = defineMove({
  args: z.object({ tank: z.string() }),
  label: ({ tank }, site) => `Fit the outlet of ${nameOf(site, tank)} and its valve`,
  apply(site, { tank: id }) {
    const tank = required(site, id, 'tank')
    const outlets = portsByRole(tank, 'outlet')
    if (!outlets.length)
      tank.ports.push({
        name: freshPort(tank, 'outlet'),
        role: 'outlet',
        heightM: toThousandth(Math.min(0.1, tankHeight(tank.shape) * 0.08)),
        boreMm: 50,
        spare: 'valve',
      })
    for (const port of outlets) {
      const lines = runsFrom(site, id, port.name)
      if (!lines.length) port.spare = 'valve'
      for (const run of lines)
        if (run.parts[0]?.kind !== 'valve' && port.intakeM === undefined)
          run.parts = named(site, run.id, [valve(port.boreMm), ...run.parts])
    }
  },
})

/** Draws a use from another tank: its own line, or the pump's that it hangs on, starts there; or from a well or a main. */
export const drawFrom = defineMove({
  args: z.object({ use: z.string(), tank: z.string() }),
  label: ({ use, tank }, site) =>
    `Draw ${site.uses.find(candidate => candidate.id === use)?.name ?? 'a use'} from ${nameOf(site, tank)}`,
  apply(site, { use: useId, tank: id }) {
    const use = site.uses.find(candidate => candidate.id === useId)
    if (!use) throw new Impossible('That use is no longer in this site.')
    const source = site.nodes.find(node => node.id === id)
    if (source?.kind === 'well' || source?.kind === 'main') {
      // What lifts and treats a tank's water is not what a line from outside wants: it gets a line of its own.
      site.runs = site.runs.filter(run => run.to.node !== use.at)
      const tap = required(site, use.at, 'tap')
      straightLine(site, source, tap)
      keepFitToDrink(site, tap)
      return
    }
    const tank = required(site, id, 'tank')
    const [outlet] = portsByRole(tank, 'outlet')
    if (!outlet) throw new Impossible(`${tank.name} has no outlet; give it one first.`)
    const from = { node: id, port: outlet.name }
    // What stands on the line, its pump and its pressure tank, goes with it.
    const first = wayTo(site, use.at)?.steps.at(-1)?.run
    if (first) {
      const line = site.runs.find(run => run.id === first.id)!
      line.from = from
      delete line.name
      return
    }
    tankLine(site, tank, required(site, use.at, 'tap'))
  },
})

/** Sets every draw-off that lies on a tank's floor a little above it, where no sediment is. */
export const raiseDrawOff = defineMove({
  args: z.object({ tank: z.string(), heightM: z.number().min(0).max(50) }),
  label: ({ tank }, site) => `Set the draw-off of ${nameOf(site, tank)} above the floor`,
  apply(site, { tank: id, heightM }) {
    for (const port of portsByRole(required(site, id, 'tank'), 'outlet'))
      port.heightM = Math.max(port.heightM, toThousandth(heightM))
  },
})
