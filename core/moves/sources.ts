import { z } from 'zod'
import { addRun, defineMove, freshId, guessedLengthM, need, pipe, Impossible, valve } from './move'
import { freshPort } from './joins'
import { nameOf, portsByRole, spillM } from '../site'
import type { NodeOf } from '../kinds'

const ALL = Array.from({ length: 12 }, (_, month) => month + 1)
const FEED_MM = 20

/**
 * A well or a main that tops a tank up, over the rim with an air gap, so that the tank's water can never run back. A
 * main trickles through a float
 * valve; a well's pump runs when the tank stands low.
 */
export const addSource = defineMove({
  args: z.object({ kind: z.enum(['well', 'main']), tank: z.string(), name: z.string().optional() }),
  label: ({ kind, tank }, site) => `Top ${nameOf(site, tank)} up from a ${kind}`,
  apply(site, { kind, tank: id, name }) {
    const tank = need(site, id, 'tank')
    const inlet = portsByRole(tank, 'inlet')[0]
    const heightM = Math.round(Math.max(inlet?.heightM ?? 0, spillM(site, tank) - tank.baseM + 0.05) * 1000) / 1000
    const port = { name: freshPort(tank, 'top-up'), role: 'inlet' as const, heightM, boreMm: FEED_MM }
    tank.ports.push(port)
    const to = { node: id, port: port.name }
    if (kind === 'well') {
      const well: NodeOf<'well'> = {
        kind,
        id: freshId(site, 'well'),
        name: name ?? 'Well',
        baseM: tank.groundM - 30,
        groundM: tank.groundM,
        depthM: 30,
        stillWaterDepthM: 10,
        yieldLPerDay: 600,
        rule: { startShare: 0.3, stopShare: 0.5, months: [...ALL] },
      }
      site.nodes.push(well)
      const from = { node: well.id, port: 'out' }
      addRun(site, from, to, [
        { kind: 'pump', pump: 'submersible', flowLps: 0.3, headM: 45 },
        { kind: 'check', boreMm: 26.6 },
        valve(26.6),
        pipe(guessedLengthM(site, from, to, 15), 26.6),
      ])
    } else {
      const main: NodeOf<'main'> = {
        kind,
        id: freshId(site, 'main'),
        name: name ?? 'Main',
        baseM: tank.groundM - 0.6,
        groundM: tank.groundM,
        pressureKPa: 300,
        rule: { startShare: 0.2, stopShare: 0.2, months: [...ALL], mostLPerDay: 1500 },
      }
      site.nodes.push(main)
      const from = { node: main.id, port: 'out' }
      addRun(site, from, to, [
        valve(FEED_MM),
        { kind: 'check', boreMm: FEED_MM },
        { kind: 'meter', boreMm: FEED_MM },
        pipe(guessedLengthM(site, from, to, 10), FEED_MM),
        { kind: 'float', boreMm: FEED_MM },
      ])
    }
  },
})

/**
 * Sets the level at which a well, a main or the cart comes; a trickle stops at the level it keeps, a batch where it
 * did or a third of the tank further up.
 */
export const setTrigger = defineMove({
  args: z.object({ source: z.string(), startShare: z.number().min(0).max(1) }),
  label: ({ source }, site) => `Set the trigger of ${nameOf(site, source)}`,
  apply(site, { source: id, startShare }) {
    const node = site.nodes.find(candidate => candidate.id === id)
    if (node?.kind === 'tank' && node.carted) node.carted.startShare = startShare
    else if (node?.kind === 'well' || node?.kind === 'main') {
      const { rule } = node
      const trickles = rule.startShare >= rule.stopShare
      rule.startShare = startShare
      rule.stopShare = trickles
        ? startShare
        : rule.stopShare > startShare
          ? rule.stopShare
          : Math.min(1, Math.round((startShare + 0.3) * 100) / 100)
    } else throw new Impossible('That source is no longer there.')
  },
})
