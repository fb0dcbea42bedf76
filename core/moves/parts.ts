import { z } from 'zod'
import { addRun, defineMove, freshId, Impossible, named, needRun, pipe, toThousandth } from './move'
import { takeOutStranded } from './takeOut'
import { fieldSentence, graphOf, nodeById, portHeightM, runName, type Run, type Site } from '../site'
import {
  lengthOfPart,
  PART_KINDS,
  partSchema,
  portsOf,
  type NewPart,
  type NodeOf,
  type Part,
  type PartKind,
} from '../kinds'

/** A part as a move is given it, held against its kind. */
export const partGiven = z.looseObject({ kind: z.string() })

/** A part for a run, with an id of its own; the refusal names the field. */
export function madePart(site: Site, runId: string, given: z.infer<typeof partGiven>): Part {
  const [part] = named(site, runId, [given as unknown as NewPart])
  const read = partSchema.safeParse(part)
  if (read.success) return part!
  const [issue] = read.error.issues
  throw new Impossible(fieldSentence(issue!.path.join('.'), undefined, issue!.message, site.standards.units))
}

function runOf(site: Site, partId: string): { run: Run; at: number } {
  for (const run of site.runs) {
    const at = run.parts.findIndex(part => part.id === partId)
    if (at >= 0) return { run, at }
  }
  throw new Impossible('That part is no longer there.')
}

/** Puts a part into a run: before one of its parts, or at its end. */
export const insertPart = defineMove({
  args: z.object({ run: z.string(), before: z.string().optional(), part: partGiven }),
  label: ({ part }) => `Fit a ${PART_KINDS[part.kind as PartKind]?.name ?? 'part'}`,
  apply(site, { run: id, before, part: given }) {
    const run = needRun(site, id)
    const part = madePart(site, id, given)
    const at = before === undefined ? run.parts.length : run.parts.findIndex(each => each.id === before)
    if (at < 0) throw new Impossible(`What it was to stand before is no longer in “${runName(site, run)}”.`)
    run.parts = [...run.parts.slice(0, at), part, ...run.parts.slice(at)]
  },
})

/** Moves a part along its run: to stand before another of its parts, or at its end. */
export const movePart = defineMove({
  args: z.object({ part: z.string(), before: z.string().optional() }),
  label: ({ part }, site) => `Move the ${wordFor(site, part)}`,
  apply(site, { part: id, before }) {
    const { run, at } = runOf(site, id)
    if (before === id) return
    const rest = run.parts.filter(part => part.id !== id)
    const to = before === undefined ? rest.length : rest.findIndex(part => part.id === before)
    if (to < 0) throw new Impossible(`What it was to stand before is no longer in “${runName(site, run)}”.`)
    run.parts = [...rest.slice(0, to), run.parts[at]!, ...rest.slice(to)]
  },
})

/** Puts another part in the place of one; it keeps nothing of it but its place. */
export const replacePart = defineMove({
  args: z.object({ part: z.string(), with: partGiven }),
  label: ({ part, with: { kind } }, site) =>
    `Put a ${PART_KINDS[kind as PartKind]?.name ?? 'part'} in the place of the ${wordFor(site, part)}`,
  apply(site, { part: id, with: given }) {
    const { run, at } = runOf(site, id)
    const made = madePart(site, run.id, given)
    run.parts = run.parts.map((part, place) => (place === at ? made : part))
  },
})

const wordFor = (site: Site, partId: string): string => {
  const part = site.runs.flatMap(run => run.parts).find(({ id }) => id === partId)
  return part ? PART_KINDS[part.kind].name : 'part'
}

/** What a line is parted by, and what hangs on the new way out. */
const SPLIT_BY = ['tee', 'capped'] as const
const CAPPED_MM = 20.93

/**
 * Parts a line in two by a tee before one of its parts (or in the middle of a pipe), for what is led off or joined in
 * there; `capped` leaves a valve with a cap on it, for later.
 */
export const splitRun = defineMove({
  args: z.object({ run: z.string(), at: z.string().optional(), by: z.enum(SPLIT_BY) }),
  label: ({ run, by }, site) => {
    const found = graphOf(site).run(run)
    const name = found ? runName(site, found) : 'a line'
    return by === 'tee' ? `Part “${name}” by a tee` : `Leave a capped tee in “${name}”`
  },
  apply(site, { run: id, at, by }) {
    const joint = partBy(site, needRun(site, id), at)
    if (by === 'tee') return
    const boreMm = CAPPED_MM
    // What is capped leads to a tap that nobody has opened yet: nothing, until a line is led from it.
    const cap: NodeOf<'joint'> = { ...joint, id: freshId(site, 'joint'), name: 'Capped tee' }
    site.nodes.push(cap)
    const ends = [
      { node: joint.id, port: 'out' },
      { node: cap.id, port: 'in' },
    ] as const
    addRun(site, ends[0], ends[1], [{ kind: 'valve', boreMm, open: false }])
  },
})

function partBy(site: Site, run: Run, at: string | undefined): NodeOf<'joint'> {
  const place =
    at === undefined ? run.parts.findIndex(part => part.kind === 'pipe') : run.parts.findIndex(({ id }) => id === at)
  const part = run.parts[place]
  if (!part) throw new Impossible(`Choose where “${runName(site, run)}” is parted: at one of its parts.`)
  const inPipe = part.kind === 'pipe'
  const half = inPipe ? { ...part, lengthM: part.lengthM / 2 } : part
  const before = run.parts.slice(0, inPipe ? place + 1 : place).map(each => (each === part ? (half as Part) : each))
  const after = run.parts.slice(place)
  const lengths = (parts: Part[]) => parts.reduce((sum, each) => sum + lengthOfPart(each), 0)
  const wholeM = lengths(run.parts)
  const share = wholeM ? lengths(before) / wholeM : 0.5
  const [fromM, toM] = [portHeightM(site, run.from), portHeightM(site, run.to)]
  const joint: NodeOf<'joint'> = {
    kind: 'joint',
    id: freshId(site, 'joint'),
    name: 'Tee',
    baseM: toThousandth(fromM + share * (toM - fromM)),
    groundM: nodeById(site, run.to.node).groundM,
  }
  site.nodes.push(joint)
  const to = run.to
  run.to = { node: joint.id, port: 'in' }
  run.parts = before
  delete run.profile
  // The second half of a pipe that is cut is another piece.
  const rest = inPipe ? [anotherPiece(half), ...after.slice(1)] : after
  addRun(site, { node: joint.id, port: 'out' }, to, rest)
  delete run.name
  return joint
}

/** The same once more, to get an id of its own. */
function anotherPiece({ id: _id, ...part }: Part): NewPart {
  return part as NewPart
}

/**
 * Leads an end of a line to another place: a hole of a tank, a joint, a tap, an outfall. Into the middle of another line
 * it comes by a tee.
 */
export const leadEnd = defineMove({
  args: z.object({
    run: z.string(),
    end: z.enum(['from', 'to']),
    node: z.string().optional(),
    port: z.string().optional(),
    into: z.string().optional(),
  }),
  label: ({ run }, site) => {
    const found = graphOf(site).run(run)
    return `Lead “${found ? runName(site, found) : 'a line'}” elsewhere`
  },
  apply(site, { run: id, end, node: nodeId, port: portName, into }) {
    const run = needRun(site, id)
    const other = end === 'from' ? run.to : run.from
    const left = run[end].node
    if (into === id) throw new Impossible('A line cannot be led into itself.')
    const node = into === undefined ? graphOf(site).node(nodeId ?? '') : partBy(site, needRun(site, into), undefined)
    if (!node) throw new Impossible('What it was to be led to is no longer there.')
    if (node.id === other.node) throw new Impossible('Both its ends would be at one place.')
    const ports = portsOf(node)
    const port = into === undefined && portName !== undefined ? portName : end === 'from' ? 'out' : 'in'
    const found = ports.find(each => each.name === port)
    if (!found)
      throw new Impossible(
        end === 'from'
          ? 'No line can begin there; choose a tank’s hole, a joint, a well or a main.'
          : 'No line can end there; choose a tank’s hole, a joint, a tap or an outfall.',
      )
    run[end] = { node: node.id, port }
    delete run.name
    delete run.profile
    for (const part of run.parts)
      if (part.kind === 'pipe' && part.guessed) {
        const rise = Math.abs(portHeightM(site, run.from) - portHeightM(site, run.to))
        part.lengthM = toThousandth(Math.max(part.lengthM, rise))
      }
    dropLeft(site, left)
  },
})

/** What a line leaves behind: an outfall that nothing leads to, a joint that joins nothing any more. */
function dropLeft(site: Site, id: string): void {
  takeOutStranded(site, id)
  const graph = graphOf(site)
  if (graph.node(id)?.kind === 'joint' && !graph.at(id).length) site.nodes = site.nodes.filter(node => node.id !== id)
}

/** A vent pipe, or a drain, where a line's own run holds air or water. */
export const ventOrDrain = defineMove({
  args: z.object({ run: z.string(), place: z.string(), fit: z.enum(['vent', 'drain']) }),
  label: ({ fit }) => (fit === 'vent' ? 'Fit a vent at the hump' : 'Fit a drain at the dip'),
  apply(site, { run: id, place, fit }) {
    const run = needRun(site, id)
    const known = run.profile?.find(each => each.id === place)
    if (!known) throw new Impossible('That place of the line is no longer known.')
    const { alongM, heightM } = known
    const joint = cutAt(site, run, alongM, heightM)
    if (fit === 'vent') {
      joint.name = 'Vent'
      joint.ventTopM = toThousandth(Math.max(heightM + 0.5, highestNear(site, run) + 0.3))
      return
    }
    joint.name = 'Low point'
    const outfall: NodeOf<'outfall'> = {
      kind: 'outfall',
      id: freshId(site, 'outfall'),
      baseM: toThousandth(heightM - 0.05),
      groundM: joint.groundM,
      to: 'ground',
    }
    site.nodes.push(outfall)
    const ends = [
      { node: joint.id, port: 'out' },
      { node: outfall.id, port: 'in' },
    ] as const
    addRun(site, ends[0], ends[1], [{ kind: 'valve', boreMm: CAPPED_MM, open: false }, pipe(0.5, CAPPED_MM)])
  },
})

const highestNear = (site: Site, run: Run): number =>
  Math.max(portHeightM(site, run.from), ...(run.profile ?? []).map(({ heightM }) => heightM))

/** Parts a line by a joint so far along it, its profile going with either side. */
function cutAt(site: Site, run: Run, alongM: number, heightM: number): NodeOf<'joint'> {
  let passedM = 0
  const place = run.parts.findIndex(part => {
    passedM += lengthOfPart(part)
    return passedM >= alongM && lengthOfPart(part) > 0
  })
  const part = run.parts[place]
  if (part?.kind !== 'pipe') throw new Impossible('There is no pipe at that place of the line to cut.')
  const firstM = toThousandth(alongM - (passedM - part.lengthM))
  const restM = toThousandth(part.lengthM - firstM)
  if (firstM <= 0 || restM <= 0) throw new Impossible('That place is at an end of its pipe already.')
  const { groundM } = nodeById(site, run.to.node)
  const joint: NodeOf<'joint'> = { kind: 'joint', id: freshId(site, 'joint'), name: 'Tee', baseM: heightM, groundM }
  site.nodes.push(joint)
  const [to, profile] = [run.to, run.profile ?? []]
  const after: NewPart[] = [anotherPiece({ ...part, lengthM: restM }), ...run.parts.slice(place + 1)]
  run.to = { node: joint.id, port: 'in' }
  run.parts = [...run.parts.slice(0, place), { ...part, lengthM: firstM }]
  delete run.name
  const onward = addRun(site, { node: joint.id, port: 'out' }, to, after)
  const before = profile.filter(each => each.alongM < alongM)
  const behind = profile
    .filter(each => each.alongM > alongM)
    .map(each => ({ ...each, alongM: toThousandth(each.alongM - alongM) }))
  if (before.length) run.profile = before
  else delete run.profile
  if (behind.length) onward.profile = behind
  return joint
}
