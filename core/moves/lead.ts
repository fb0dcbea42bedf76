import { z } from 'zod'
import { addRun, defineMove, guessedLengthM, Impossible, named, required, pipe, toThousandth } from './move'
import { freshPort } from './joins'
import { leadOverflowAway, overflowPort } from './spills'
import { takeOutStranded } from './takeOut'
import { graphOf, lineFrom, nameOf, nodeById, portHeightM, portsByRole, reached, rimM, runsFrom, runsTo } from '../site'
import type { Run, Site } from '../site'
import { portsOf, type SiteNode } from '../kinds'

const ACROSS_M = 3

/** Where a line can come in at a node. */
function inletOf(site: Site, node: SiteNode): Run['from'] {
  const [port] = node.kind === 'tank' ? portsByRole(node, 'inlet') : portsOf(node).filter(({ name }) => name === 'in')
  if (!port) throw new Impossible(`${nameOf(site, node.id)} has no inlet; give it one first.`)
  return { node: node.id, port: port.name }
}

/** Ends a line elsewhere; its pipe is as long as a guess until it is measured. What stood stranded goes. */
function endAt(site: Site, run: Run, to: Run['to']): void {
  const before = run.to.node
  run.to = to
  delete run.name
  const pipes = run.parts.filter(part => part.kind === 'pipe')
  if (pipes.length === 1)
    Object.assign(pipes[0]!, { lengthM: guessedLengthM(site, run.from, to, ACROSS_M), guessed: true })
  takeOutStranded(site, before)
}

/** The stretch of a spout's line that is its own to the end, or to where another spout's water joins it. */
function ownEnd(site: Site, spoutId: string): Run | undefined {
  const line = lineFrom(site, spoutId)
  return line.find(run => runsTo(site, run.to.node).length > 1) ?? line.at(-1)
}

/**
 * Leads a spout's water to a tank of one's choice, or into another line at its joint, past the chamber that it has;
 * a spout that led nowhere gets its line.
 */
export const leadSpout = defineMove({
  args: z.object({ spout: z.string(), to: z.string() }),
  label: ({ spout, to }, site) => `Lead ${nameOf(site, spout, 'the spout')} to ${nameOf(site, to)}`,
  apply(site, { spout: id, to }) {
    const spout = required(site, id, 'spout')
    const node = graphOf(site).node(to)
    if (!node || !['tank', 'joint', 'outfall'].includes(node.kind))
      throw new Impossible('A spout leads to a tank, into another line at its joint, or to an outfall.')
    const end = inletOf(site, node)
    const own = ownEnd(site, id)
    if (!own) {
      const from = { node: id, port: 'out' }
      addRun(site, from, end, [pipe(guessedLengthM(site, from, end, ACROSS_M), spout.boreMm)])
    } else if (own.to.node === to) throw new Impossible(`${spout.name} leads there already.`)
    else if (reached(site, to, { along: 'down' }).has(own.from.node))
      throw new Impossible('That would lead the line back into itself.')
    else endAt(site, own, end)
  },
})

/**
 * Leads a tank's overflow to another tank, into a line at its joint, or to an outfall; without a place to go, away to a
 * swale of its own.
 */
export const leadOverflow = defineMove({
  args: z.object({ tank: z.string(), port: z.string().optional(), to: z.string().optional() }),
  label: ({ tank, to }, site) => `Lead the overflow of ${nameOf(site, tank)} ${to ? `to ${nameOf(site, to)}` : 'away'}`,
  apply(site, { tank: id, port: name, to }) {
    const tank = required(site, id, 'tank')
    const port = portsByRole(tank, 'overflow').find(each => each.name === name) ?? overflowPort(tank)
    const [line] = runsFrom(site, id, port.name)
    const node = to === undefined ? undefined : graphOf(site).node(to)
    if (to === id) throw new Impossible('A tank cannot spill into itself.')
    if (!node) {
      if (line) {
        site.runs = site.runs.filter(run => run !== line)
        takeOutStranded(site, line.to.node)
      }
      leadOverflowAway(site, tank, port)
      return
    }
    const end = inletOf(site, node)
    const from = { node: id, port: port.name }
    if (line) endAt(site, line, end)
    else addRun(site, from, end, [pipe(guessedLengthM(site, from, end, ACROSS_M), port.boreMm)])
    if (node.kind === 'tank') leadOverflowAway(site, node)
  },
})

/** A second way out at a height of its own: above the first one, where that can be, and away to a swale. */
export const fitSecondOverflow = defineMove({
  args: z.object({ tank: z.string(), heightM: z.number().min(0).max(50).optional() }),
  label: ({ tank }, site) => `Fit another overflow to ${nameOf(site, tank)}`,
  apply(site, { tank: id, heightM }) {
    const tank = required(site, id, 'tank')
    const first = overflowPort(tank)
    const tallM = rimM(tank) - tank.baseM
    const atM = heightM ?? Math.min(first.heightM + 0.05, tallM - 0.02)
    if (atM >= tallM) throw new Impossible(`${tank.name} ends below that; an overflow lies under its rim.`)
    const port = { ...first, name: freshPort(tank, 'overflow'), heightM: toThousandth(atM) }
    tank.ports.push(port)
    leadOverflowAway(site, tank, port)
  },
})

/**
 * A sump at the beginning of a tank's overflow line, with a pump that lifts what spills to the ground: for a tank that
 * stands lower than all it could spill to. It wants power in every storm.
 */
export const fitSumpPump = defineMove({
  args: z.object({ tank: z.string(), port: z.string(), flowLps: z.number().positive().max(1000) }),
  label: ({ tank }, site) => `Lift the overflow of ${nameOf(site, tank)} by a sump and a pump`,
  apply(site, { tank: id, port: name, flowLps }) {
    const tank = required(site, id, 'tank')
    const port = portsByRole(tank, 'overflow').find(each => each.name === name)
    if (!port) throw new Impossible(`${tank.name} has no such overflow any more.`)
    if (!runsFrom(site, id, name).length) leadOverflowAway(site, tank, port)
    const line = runsFrom(site, id, name)[0]!
    if (line.parts.some(part => part.kind === 'pump')) throw new Impossible('A pump stands in that line already.')
    const end = nodeById(site, line.to.node)
    if (end.kind === 'outfall') end.baseM = toThousandth(Math.max(end.baseM, end.groundM))
    const liftM = Math.max(1, portHeightM(site, line.to) - tank.baseM - port.heightM)
    line.parts = [
      ...named(site, line.id, [
        { kind: 'pump', pump: 'submersible', flowLps, headM: Math.ceil(liftM + 3) },
        { kind: 'check', boreMm: port.boreMm },
      ]),
      ...line.parts,
    ]
  },
})
