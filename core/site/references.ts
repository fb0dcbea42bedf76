import type { Site } from './schema'
import { nameOf, runName } from './names'
import { idsOf } from './ids'
import type { Problem } from '../answers'
import { portsOf } from '../kinds'

/** References that lead nowhere, ids used twice, ports that a node does not have: each as a problem with its remedy. */
export function strayReferences(site: Site): Problem[] {
  const nodes = new Map(site.nodes.map(node => [node.id, node]))
  return [...doubledIds(site), ...strayEnds(site), ...strayAddresses(site)]

  function strayEnds({ runs }: Site): Problem[] {
    return runs.flatMap((run, index) =>
      (['from', 'to'] as const).flatMap((end): Problem[] => {
        const node = nodes.get(run[end].node)
        const other = nodes.get(run.to.node)
        if (end === 'from' && node?.kind === 'outfall' && other?.kind === 'outfall')
          return [
            {
              path: `runs[${index}].from`,
              sentence:
                `The run “${run.name ?? run.id}” goes from one outfall to ${node === other ? 'itself' : 'another'}; ` +
                'what has run out has left the site. Take the run out.',
            },
          ]
        if (node && portsOf(node).some(port => port.name === run[end].port)) return []
        const path = `runs[${index}].${end}`
        const called = `The run “${run.name ?? run.id}”`
        if (!node) return [{ path, sentence: `${called} goes ${end} “${run[end].node}”, which is not in this site.` }]
        const where = `“${run[end].port}” of “${nameOf(site, node.id)}”`
        return [{ path: `${path}.port`, sentence: `${called} ends at ${where}, which has no such port.` }]
      }),
    )
  }

  function strayAddresses({ roofs, uses, modes, runs }: Site): Problem[] {
    const parts = new Map(runs.flatMap(run => run.parts.map(part => [part.id, { part, run }] as const)))
    return [
      ...roofs.flatMap((roof, index) =>
        roof.spouts.flatMap((spout, at): Problem[] =>
          nodes.get(spout.nodeId)?.kind === 'spout'
            ? []
            : [
                {
                  path: `roofs[${index}].spouts[${at}].nodeId`,
                  sentence: `“${roof.name}” drains to “${spout.nodeId}”, which is not a spout of this site.`,
                },
              ],
        ),
      ),
      ...uses.flatMap((use, index): Problem[] =>
        nodes.get(use.at)?.kind === 'tap'
          ? []
          : [
              {
                path: `uses[${index}].at`,
                sentence: `“${use.name}” is used at “${use.at}”, which is not a tap of this site.`,
              },
            ],
      ),
      ...modes.flatMap((mode, index) =>
        mode.positions.flatMap((position, at): Problem[] => {
          const found = parts.get(position.part)
          const path = `modes[${index}].positions[${at}].part`
          if (!found)
            return [{ path, sentence: `“${mode.name}” sets the valve “${position.part}”, which is not in this site.` }]
          if (found.part.kind === 'valve') return []
          const what = `“${position.part}” of “${runName(site, found.run)}”`
          return [{ path, sentence: `“${mode.name}” sets ${what}, which is a ${found.part.kind} and no valve.` }]
        }),
      ),
    ]
  }
}

/** Things whose ids lie in one space: where each stands in the document, and what it is called. Words are made late. */
type Named = { id: string; path: () => string; called: () => string }
const named = <Thing extends { id: string }>(
  things: readonly Thing[] | undefined,
  path: (at: number) => string,
  called: (thing: Thing) => string,
): Named[] =>
  (things ?? []).map((thing, at) => ({
    id: thing.id,
    path: () => `${path(at)}.id`,
    called: () => called(thing),
  }))
const byName = ({ name, id }: { name?: string; id: string }) => `“${name ?? id}”`

/** Everything in a site that carries an id, each list of spaces apart from the others. */
function idSpaces(site: Site): Named[][] {
  const { modes, options, prices, devices, restrictions, nodes, roofs, runs, uses } = site
  const list = (name: string) => (at: number) => `${name}[${at}]`
  return [
    named(modes, list('modes'), byName),
    named(options, list('options'), byName),
    named(prices, list('prices'), () => 'A price'),
    named(devices, list('devices'), byName),
    named(restrictions, list('restrictions'), byName),
    [
      ...named(nodes, list('nodes'), byName),
      ...named(roofs, list('roofs'), byName),
      ...named(runs, list('runs'), byName),
      ...named(uses, list('uses'), byName),
      ...runs.flatMap((run, at) =>
        named(run.parts, list(`runs[${at}].parts`), part => `A ${part.kind} of “${run.id}”`),
      ),
      ...roofs.flatMap(({ name, pieces, spouts }, at) => [
        ...named(pieces, list(`roofs[${at}].pieces`), () => `A piece of “${name}”`),
        ...named(spouts, list(`roofs[${at}].spouts`), () => `A gutter of “${name}”`),
      ]),
      ...uses.flatMap(({ name, rations, amount }, at) => [
        ...named(rations, list(`uses[${at}].rations`), () => `A step of “${name}”`),
        ...named(
          amount.by === 'bed' ? amount.drip?.emitters : undefined,
          list(`uses[${at}].amount.drip.emitters`),
          () => `An emitter of “${name}”`,
        ),
      ]),
    ],
  ]
}

/** Every id that two things of one space share, and whose it is. */
function doubledIds(site: Site): Problem[] {
  const problems: Problem[] = []
  for (const things of idSpaces(site)) {
    const seen = new Map<string, Named>()
    for (const thing of things) {
      const earlier = seen.get(thing.id)
      if (earlier)
        problems.push({
          path: thing.path(),
          sentence: `${thing.called()} has the id “${thing.id}”, which ${earlier.called()} has too. Give it one of its own.`,
        })
      seen.set(thing.id, thing)
    }
  }
  return problems
}

/** Takes the valves that are no longer there out of the modes that set them. */
export function dropStrayPositions(site: Site): void {
  if (!site.modes.length) return
  const ids = idsOf(site)
  for (const mode of site.modes)
    if (mode.positions.some(position => !ids.has(position.part)))
      mode.positions = mode.positions.filter(position => ids.has(position.part))
}
