import { turnRound } from '../turnLine'
import { z } from 'zod'
import { headOf, leavesHigh } from './parts'
import { highHoleM, lowWaterM, pumpFor } from './sizing'
import { branchNode, branchOf } from './liftBy'
import { addRun, defineMove, guessedLengthM, Impossible, required, pipe, toThousandth } from '../move'
import { freshPort } from '../joins'
import { leadOverflowAway, overflowPort } from '../spills'
import {
  feedsOf,
  fillingsOf,
  graphOf,
  nameOf,
  portsByRole,
  groupSpillM,
  type FeedSource,
  type Run,
  type Site,
} from '../../site'
import { levelsOut, type NewPart, type Part, type Tank } from '../../kinds'
import {
  FILL_LINE_IDS,
  FILL_LINES,
  LIFT_IDS,
  liftRow,
  type LiftId,
  type PumpSwitchId,
  USUAL_BORE_MM,
} from '../../catalog'

/** A pump that fills a tank through the day or the night need not be fast. */
const FILL_LPS = 0.3
const SOLAR_LPS = 0.1
/** What a float valve still wants in front of it. */
const FLOAT_KPA = 20

/**
 * Lifts water from a tank or a well up to another tank: by its own line over the rim, through a float valve, or by one
 * line that fills that tank and feeds from it. A pump that lifts water from there already is changed into this.
 */
export const liftUp = defineMove({
  args: z.object({ from: z.string(), tank: z.string(), by: z.enum(LIFT_IDS), line: z.enum(FILL_LINE_IDS) }),
  label: ({ from, tank, by, line }, site) =>
    `Lift water of ${nameOf(site, from)} to ${nameOf(site, tank)} by ` +
    `${liftRow(by).name[graphOf(site).node(from)?.kind as FeedSource['kind']] ?? by}, ${FILL_LINES[line].name}`,
  apply(site, { from, tank: tankId, by, line }) {
    const source = graphOf(site).node(from)
    const tank = required(site, tankId, 'tank')
    if (source?.kind !== 'tank' && source?.kind !== 'well')
      throw new Impossible('Water is lifted from a tank or a well; a main pushes by itself.')
    if (source === tank || from === tankId) throw new Impossible('A tank cannot fill itself.')
    if (by === 'gravity' || !liftRow(by).name[source.kind])
      throw new Impossible('That does not lift water up to a tank; choose a pump.')
    const before = takeOutFilling(site, source.id, tank.id)
    const port = source.kind === 'tank' ? holeFor(site, source, by) : 'out'
    const lay = line === 'over' ? overTheTop : fillAndFeed
    lay(site, source, port, tank, by, before)
  },
})

/** Takes out the pumped line that fills a tank from there, and turns a line round that it shared; the id it had. */
function takeOutFilling(site: Site, from: string, tankId: string): string | undefined {
  const filling = fillingsOf(site).find(({ source, tank }) => source.id === from && tank.id === tankId)
  if (!filling) return undefined
  const shared = filling.runs.at(-1)!
  const feeds =
    shared.to.node === tankId && portsByRole(filling.tank, 'outlet').some(({ name }) => name === shared.to.port)
  const own = feeds ? filling.runs.slice(0, -1) : filling.runs
  const served = (run: Run) => graphOf(site).outOf(run.to.node).length > 1
  // What stands before a tee that serves taps too is theirs.
  const gone = feeds ? own : own.slice(own.findLastIndex(run => run !== own.at(-1) && served(run)) + 1)
  for (const run of gone) {
    site.runs = site.runs.filter(each => each !== run)
    if (run.to.node === tankId) {
      const tank = required(site, tankId, 'tank')
      tank.ports = tank.ports.filter(port => port.name !== run.to.port)
    }
  }
  if (feeds) turnRound(shared)
  return gone[0]?.id
}

/** A draw-off for a pump of its own: its hole above the water where the pump stands in it. */
function holeFor(site: Site, tank: Tank, by: LiftId): string {
  const [outlet] = portsByRole(tank, 'outlet')
  const lowM = outlet ? Math.min(outlet.heightM, outlet.intakeM ?? Infinity) : 0.1
  const free = portsByRole(tank, 'outlet').find(
    port =>
      !graphOf(site)
        .at(tank.id)
        .some(run => [run.from, run.to].some(end => end.node === tank.id && end.port === port.name)),
  )
  const port = free ?? { name: freshPort(tank, 'lift'), role: 'outlet' as const, heightM: lowM, boreMm: 32 }
  if (!free) tank.ports.push(port)
  const high = leavesHigh(tank, by)
  const end = tank.ports.find(each => each.name === port.name)!
  delete end.spare
  if (high) {
    const heightM = highHoleM(tank, groupSpillM(site, tank) - tank.baseM)
    Object.assign(end, { heightM, intakeM: lowM, cordAtM: heightM })
  }
  return port.name
}

/** A pump for a lift to where a tank is full, with what stops it then. */
function pumpUp(source: FeedSource, port: string, tank: Tank, by: LiftId, switchedBy: PumpSwitchId): NewPart {
  const liftM = tank.baseM + overflowPort(tank).heightM - lowWaterM(source, port)
  return { ...pumpFor(by, by === 'solar' ? SOLAR_LPS : FILL_LPS, liftM, FLOAT_KPA), switchedBy }
}

function overTheTop(site: Site, source: FeedSource, port: string, tank: Tank, by: LiftId, runId?: string): void {
  const inlet = {
    name: freshPort(tank, 'fill'),
    role: 'inlet' as const,
    heightM: toThousandth(Math.max(0.05, overflowPort(tank).heightM - 0.05)),
    boreMm: USUAL_BORE_MM,
  }
  tank.ports.push(inlet)
  leadOverflowAway(site, tank)
  const ends = [
    { node: source.id, port },
    { node: tank.id, port: inlet.name },
  ] as const
  addRun(
    site,
    ends[0],
    ends[1],
    [
      ...headOf(source, by, pumpUp(source, port, tank, by, 'pressure-switch'), USUAL_BORE_MM),
      pipe(guessedLengthM(site, ends[0], ends[1], 20), USUAL_BORE_MM),
      { kind: 'float', boreMm: USUAL_BORE_MM },
    ],
    runId,
  )
}

/** The pump is led into the line by which the tank feeds its taps; nothing in that may keep water from going up. */
function fillAndFeed(site: Site, source: FeedSource, port: string, tank: Tank, by: LiftId, runId?: string): void {
  const feed = feedsOf(site).find(each => each.source.id === tank.id && each.lift === 'gravity')
  const joint = feed
    ? branchOf(site, feed)
    : branchNode(site, source.groundM + 0.6, source.groundM, 'Foot of the hill line')
  if (feed) {
    const [line] = feed.trunk
    const oneWay = feed.trunk.flatMap(run => run.parts).find(part => !levelsOut(openPart(part)))
    if (oneWay || feed.trunk.length > 1)
      throw new Impossible(
        `What stands in the line from ${nameOf(site, tank.id)} lets water down and not up; give the pump a line of its own.`,
      )
    turnRound(line!)
  } else {
    const [outlet] = portsByRole(tank, 'outlet')
    if (!outlet) throw new Impossible(`${tank.name} has no outlet; give it one first.`)
    const ends = [
      { node: joint.id, port: 'out' },
      { node: tank.id, port: outlet.name },
    ] as const
    addRun(site, ends[0], ends[1], [
      pipe(guessedLengthM(site, ends[0], ends[1], 20), USUAL_BORE_MM),
      { kind: 'valve', boreMm: USUAL_BORE_MM, open: true },
    ])
  }
  const ends = [
    { node: source.id, port },
    { node: joint.id, port: 'in' },
  ] as const
  addRun(
    site,
    ends[0],
    ends[1],
    [
      ...headOf(source, by, pumpUp(source, port, tank, by, 'level-switch'), USUAL_BORE_MM),
      pipe(guessedLengthM(site, ends[0], ends[1], 3), USUAL_BORE_MM),
    ],
    runId,
  )
}
/** A valve as it would be open: a shut one is opened when water is wanted. */
const openPart = (part: Part): Part => (part.kind === 'valve' ? { ...part, open: true } : part)
