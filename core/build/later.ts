import { drainDownTime } from '../sums'
import { length, phraseText, say, volume } from '../words'
import { graphOf, nameOf, spillM, type Site } from '../site'
import { fillL } from '../network'
import type { Port, Tank } from '../kinds'

/** Below this a hole lets out all but the mud, m. */
const LOW_M = 0.15
const DRAIN_MM = 25

/** What is fitted once a tank is full: by what it is emptied or shut, the work itself, and how it comes back. */
export type LaterWork = 'supply' | 'next' | 'drain' | 'overflow' | 'air' | 'tight' | 'base'

/** The work itself, whether the water must be let out for it, and by which holes it may run: not by what is missing. */
const WORK: Record<LaterWork, { empties: boolean; by?: Port['role'][]; words: (name: string) => string }> = {
  supply: {
    empties: true,
    by: ['drain', 'link'],
    words: name => `Saw the hole, set the bulkhead and its valve in ${name}, and shut the valve.`,
  },
  next: {
    empties: true,
    words: name => `Saw the hole for the next tank in ${name}, and set a bulkhead with a capped valve.`,
  },
  drain: {
    empties: true,
    by: ['outlet', 'fire', 'link'],
    words: name => `Saw the hole for the drain at the foot of ${name}, and set a bulkhead with a valve.`,
  },
  overflow: {
    empties: false,
    words: name => `Lower ${name} a hand’s breadth under the overflow, saw its hole from outside, and lead it away.`,
  },
  air: { empties: false, words: name => `Work from above: the vent and its mesh go through the lid of ${name}.` },
  tight: {
    empties: true,
    words: name => `Hold each ring of ${name} from inside while the nut outside goes half a turn on.`,
  },
  base: {
    empties: true,
    words: name => `Slide ${name} off, make its base, let it cure, and stand it up anew with its lines let go.`,
  },
}

/**
 * What doing something later, from a full tank, asks for, in order: where the water goes, by what, how long that takes;
 * or a plug from inside where a hole has nothing that shuts; the work; and filling again.
 * @param days days of rain at this season that fill it again, where any falls
 */
export function laterSteps(site: Site, tank: Tank, work: LaterWork, days: number | undefined): string[] {
  const { empties, by = ['drain', 'outlet', 'link', 'fire'], words } = WORK[work]
  const out = empties ? lettingOut(site, tank, by) : []
  const again = days === undefined ? 'Fill it again; no rain to speak of falls at this season.' : refill(days)
  return [...out, words(tank.name), ...(empties ? [again] : [])]
}
const refill = (days: number): string =>
  days === 1 ? 'A day’s rain at this season fills it again.' : `It fills again in ${days} days of rain at this season.`

/** Ways to let a tank's water out: by a low hole that shuts, else over the rim; and how long it runs. */
function lettingOut(site: Site, tank: Tank, by: readonly Port['role'][]): string[] {
  const system = site.standards.units
  const graph = graphOf(site)
  const told = (phrase: Parameters<typeof phraseText>[0]) => phraseText(phrase, system)
  const runAt = (port: Port) =>
    graph.at(tank.id).find(run => [run.from, run.to].some(end => end.node === tank.id && end.port === port.name))
  const low = tank.ports
    .filter(port => by.includes(port.role) && (runAt(port) || port.spare))
    .toSorted((a, b) => a.heightM - b.heightM)[0]
  const levelM = Math.max(0, spillM(site, tank) - tank.baseM)
  const place = awayFrom(site, tank)
  const first = say`Stop what comes in: turn the spout aside and shut every line to ${tank.name}.`
  const boreMm = Math.max(DRAIN_MM / 2, low?.boreMm ?? DRAIN_MM)
  const { minutes } = drainDownTime({
    planAreaM2: Math.max(0.05, fillL(site, tank.id) / 1000 / Math.max(0.1, levelM)),
    fromLevelM: levelM,
    toLevelM: Math.min(levelM, low?.heightM ?? 0),
    orificeMm: boreMm,
    dischargeCoefficient: 0.62,
  })
  const takes = minutes < 90 ? `${Math.round(minutes / 5) * 5} minutes` : `${Math.round(minutes / 60)} hours`
  const litres = volume(fillL(site, tank.id))
  if (!low || low.heightM > LOW_M)
    return [
      told(first),
      told(say`Siphon or pump ${litres} over its rim ${place}; ${takes} by a hose of ${length(DRAIN_MM / 1000)}.`),
    ]
  const shuts = low.spare === 'valve' || runAt(low)?.parts.some(({ kind }) => kind === 'valve')
  const through = low.role === 'link' ? 'its line to the next tank' : `its ${low.role}`
  return [
    told(first),
    shuts
      ? told(say`Open ${through} and let ${litres} run ${place}; about ${takes}.`)
      : told(say`Nothing shuts ${through}: push a bung on a rod into it from inside, take its line off, draw the bung,
          and let ${litres} run ${place}; about ${takes}.`),
  ]
}

/** Where water that is let out may run: where its overflow runs, unless that does harm. */
function awayFrom(site: Site, tank: Tank): string {
  const graph = graphOf(site)
  const overflow = tank.ports.find(({ role }) => role === 'overflow')
  const run = overflow && graph.at(tank.id).find(({ from }) => from.node === tank.id && from.port === overflow.name)
  const end = run && graph.node(run.to.node)
  return end?.kind === 'outfall' ? `to ${nameOf(site, end.id)}` : 'to where it harms nobody'
}
