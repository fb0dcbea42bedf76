import { LINE_MM } from './roofs'
import { addRun, defineMove, freshId, guessedLengthM, required, pipe, Impossible, valve, named } from './move'
import { showQuantity } from '../units'
import { nameOf, lineFrom, nodeById, runsTo, type Run, type Site, portHeightM } from '../site'
import { type NodeOf, type Part, layIn, type NewPart } from '../kinds'
import { BYPASS_IDS, LINE_BORES_MM, SCREENS, type ScreenId } from '../catalog'
import { z } from 'zod'

const boreOf = (run: Run) => run.parts.find(part => part.kind === 'pipe')?.innerDiameterMm ?? LINE_MM
const DRAIN_MM = 25

function needLine(site: Site, spoutId: string): Run[] {
  const spout = required(site, spoutId, 'spout')
  const line = lineFrom(site, spoutId)
  if (!line.length || nodeById(site, line.at(-1)!.to.node).kind !== 'tank')
    throw new Impossible(`${spout.name} does not lead to a tank yet.`)
  return line
}

/** Puts a joint into a run: what the water meets last, the tank's own screen, stays behind it. */
function breakAt(site: Site, run: Run, joint: NodeOf<'joint'>): Run {
  site.nodes.push(joint)
  const onward = run.to
  const atTank = (part: Part) => part.kind === 'screen' && part.type === 'inlet'
  const rest = run.parts.filter(atTank)
  const boreMm = boreOf(run)
  run.to = { node: joint.id, port: 'in' }
  run.parts = named(site, run.id, [
    ...run.parts.filter(part => !atTank(part) && part.kind !== 'pipe'),
    pipe(guessedLengthM(site, run.from, run.to, 2), boreMm),
  ])
  const from = { node: joint.id, port: 'out' }
  const onwardRun = addRun(site, from, onward, [pipe(guessedLengthM(site, from, onward, 3), boreMm), ...rest])
  delete run.name
  return onwardRun
}

/**
 * Leads a spout's line down to a low point, below ground say, and up again to the tank: a wet line, with a drain at
 * its lowest point.
 */
export const dipLine = defineMove({
  args: z.object({ spout: z.string(), lowM: z.number().min(-20).max(200) }),
  label: ({ spout }, site) => `Lead the line of ${nameOf(site, spout, 'the line')} along a low way`,
  apply(site, { spout: id, lowM }) {
    const last = needLine(site, id).at(-1)!
    if (nodeById(site, last.from.node).kind === 'joint')
      throw new Impossible('This line has a joint before the tank already; set that joint’s height instead.')
    if (lowM >= portHeightM(site, last.to))
      throw new Impossible(
        'The low point must lie below the tank’s inlet; otherwise the line falls all the way as it is.',
      )
    const spout = required(site, id, 'spout')
    const joint: NodeOf<'joint'> = {
      kind: 'joint',
      id: freshId(site, 'joint'),
      name: `Low point of ${spout.name}`,
      baseM: lowM,
      groundM: spout.groundM,
    }
    breakAt(site, last, joint)
    drainAt(site, joint)
  },
})

function drainAt(site: Site, joint: NodeOf<'joint'>): void {
  const outfall: NodeOf<'outfall'> = {
    kind: 'outfall',
    id: freshId(site, 'outfall'),
    baseM: Math.round((joint.baseM - 0.1) * 100) / 100,
    groundM: joint.groundM,
    to: 'ground',
  }
  site.nodes.push(outfall)
  addRun(site, { node: joint.id, port: 'out' }, { node: outfall.id, port: 'in' }, [
    valve(DRAIN_MM, false),
    pipe(1, DRAIN_MM),
    { kind: 'screen', meshMm: SCREENS.inlet.meshMm },
  ])
}

/** A drain with a valve, shut while the line is in use and screened against mosquitoes, at a line's low point. */
export const fitLowDrain = defineMove({
  args: z.object({ joint: z.string() }),
  label: () => 'Fit a drain at the low point',
  apply: (site, { joint }) => drainAt(site, required(site, joint, 'joint')),
})

/** Leads one spout into another's line, with a tee just before the tank or at the line's low point. */
export const joinSpouts = defineMove({
  args: z.object({ spout: z.string(), into: z.string() }),
  label: ({ spout, into }, site) =>
    `Lead ${nameOf(site, spout, 'the line')} into the line of ${nameOf(site, into, 'the line')}`,
  apply(site, { spout: id, into }) {
    if (id === into) throw new Impossible('A spout cannot be led into itself.')
    const spout = required(site, id, 'spout')
    const [own, other] = [lineFrom(site, id), needLine(site, into)]
    if (own.some(run => other.includes(run))) throw new Impossible(`${spout.name} runs into that line already.`)
    const last = other.at(-1)!
    const existing = site.nodes.find(node => node.id === last.from.node && node.kind === 'joint')
    const inletM = portHeightM(site, last.to)
    let joint = existing as NodeOf<'joint'> | undefined
    if (!joint) {
      joint = {
        kind: 'joint',
        id: freshId(site, 'joint'),
        name: `Where ${spout.name} comes in`,
        baseM: Math.round(Math.min(inletM + 0.1, portHeightM(site, last.from)) * 100) / 100,
        groundM: spout.groundM,
      }
      breakAt(site, last, joint)
    }
    const to = { node: joint.id, port: 'in' }
    const ownLast = own.at(-1)
    if (ownLast) {
      const left = ownLast.to.node
      ownLast.to = to
      ownLast.parts = named(site, ownLast.id, [
        ...ownLast.parts.filter(part => part.kind !== 'pipe' && !(part.kind === 'screen' && part.type === 'inlet')),
        pipe(guessedLengthM(site, ownLast.from, to, 5), boreOf(ownLast)),
      ])
      delete ownLast.name
      if (nodeById(site, left).kind === 'joint' && !runsTo(site, left).length)
        site.runs = site.runs.filter(run => run.from.node !== left)
    } else
      addRun(site, { node: id, port: 'out' }, to, [
        pipe(guessedLengthM(site, { node: id, port: 'out' }, to, 5), LINE_MM),
      ])
  },
})

/** Gives runs pipe of another bore. */
export const setBore = defineMove({
  args: z.object({ runs: z.array(z.string()).min(1), boreMm: z.number().positive().max(5000) }),
  label: ({ boreMm }, site) => `Lay the line in ${showQuantity(boreMm, 'bore', site.standards.units).text} pipe`,
  apply(site, { runs, boreMm }) {
    for (const run of site.runs.filter(candidate => runs.includes(candidate.id))) {
      for (const part of run.parts) layIn(part, boreMm)
    }
  },
})

/** The next bore on the shelf. */
export const nextBoreMm = (boreMm: number): number =>
  LINE_BORES_MM.find(bore => bore > boreMm + 1) ?? Math.ceil(boreMm * 1.25)

/**
 * Puts a screen where it belongs in a spout's line: a sloped head at the spout, a strainer behind it, a basket at the
 * tank. One of its kind is replaced.
 */
export const fitScreen = defineMove({
  args: z.object({ spout: z.string(), type: z.enum(['spout', 'inlet', 'line']) }),
  label: ({ spout, type }, site) => `Fit ${SCREENS[type].name} to ${nameOf(site, spout, 'the line')}`,
  apply(site, { spout: id, type }) {
    const line = lineFrom(site, id)
    if (!line.length)
      throw new Impossible(`${nameOf(site, id, 'the line')} leads nowhere yet; lead it to a tank first.`)
    const screen: NewPart = { kind: 'screen', meshMm: SCREENS[type].meshMm, type }
    takeScreen(line, type)
    const run = type === 'inlet' ? line.at(-1)! : line[0]!
    run.parts = named(site, run.id, type === 'inlet' ? [...run.parts, screen] : [screen, ...run.parts])
  },
})

function takeScreen(line: Run[], type: ScreenId): void {
  for (const run of line) run.parts = run.parts.filter(part => !(part.kind === 'screen' && part.type === type))
}

/**
 * Hangs a spout's screen head at a height above the datum, below the gutter's outlet, where it is open to the air:
 * what is above it no longer pushes the water on. Without a height it hangs at the spout again.
 */
export const hangScreen = defineMove({
  args: z.object({ spout: z.string(), atM: z.number().min(-500).max(5000).optional() }),
  label: ({ spout }, site) => `Hang the screen head of ${nameOf(site, spout, 'the line')} higher or lower`,
  apply(site, { spout: id, atM }) {
    const spout = required(site, id, 'spout')
    const head = lineFrom(site, id)[0]?.parts.find(part => part.kind === 'screen' && part.type === 'spout')
    if (head?.kind !== 'screen') throw new Impossible(`${spout.name} has no screen head yet; fit one first.`)
    if (atM === undefined) return void delete head.hangsAtM
    const say = (heightM: number) => showQuantity(heightM, 'length', site.standards.units).text
    if (atM > spout.baseM)
      throw new Impossible(
        `Height of the screen head must be at most ${say(spout.baseM)}, where the gutter’s outlet is.`,
      )
    if (atM <= spout.groundM)
      throw new Impossible(`Height of the screen head must be more than ${say(spout.groundM)}, where the ground is.`)
    head.hangsAtM = atM
  },
})

export const takeOutScreen = defineMove({
  args: z.object({ spout: z.string(), type: z.enum(['spout', 'inlet', 'line']) }),
  label: ({ type }) => `Take out ${SCREENS[type].name}`,
  apply: (site, { spout, type }) => takeScreen(lineFrom(site, spout), type),
})

/** Sends a spout's water to ground in some months, or once the tank is full, by a flap or a gate. */
export const setBypass = defineMove({
  args: z.object({
    spout: z.string(),
    months: z.array(z.number().int().min(1).max(12)).max(12).optional(),
    by: z.enum(BYPASS_IDS).optional(),
    whenFull: z.boolean().optional(),
  }),
  label: ({ spout }, site) => `Set the by-pass of ${nameOf(site, spout, 'the line')}`,
  apply(site, { spout: id, months, by, whenFull }) {
    const spout = required(site, id, 'spout')
    if (months) spout.bypassMonths = [...new Set(months)].sort((a, b) => a - b)
    if (whenFull !== undefined) spout.bypassWhenFull = whenFull
    if (by) spout.bypassBy = by
    const used = spout.bypassWhenFull || spout.bypassMonths?.length
    if (used) spout.bypassBy ??= 'flap'
  },
})
