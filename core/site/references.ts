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

/** The first id that two things share, and whose it is. */
function doubledIds(site: Site): Problem[] {
  const seen = new Map<string, () => string>()
  const problems: Problem[] = []
  // Words are made for what is wrong alone: this is asked at every keystroke.
  const look = (path: () => string, id: string, called: () => string) => {
    const earlier = seen.get(id)
    if (earlier)
      problems.push({
        path: path(),
        sentence: `${called()} has the id “${id}”, which ${earlier()} has too. Give it one of its own.`,
      })
    seen.set(id, called)
  }
  for (const list of ['modes', 'options'] as const) {
    seen.clear()
    site[list].forEach((item, index) =>
      look(
        () => `${list}[${index}].id`,
        item.id,
        () => `“${item.name}”`,
      ),
    )
  }
  seen.clear()
  site.prices?.forEach((price, index) =>
    look(
      () => `prices[${index}].id`,
      price.id,
      () => 'A price',
    ),
  )
  seen.clear()
  for (const list of ['devices', 'restrictions'] as const) {
    site[list]?.forEach((item, index) =>
      look(
        () => `${list}[${index}].id`,
        item.id,
        () => `“${item.name}”`,
      ),
    )
    seen.clear()
  }
  for (const list of ['nodes', 'roofs', 'runs', 'uses'] as const)
    site[list].forEach((item, index) =>
      look(
        () => `${list}[${index}].id`,
        item.id,
        () => `“${item.name ?? item.id}”`,
      ),
    )
  site.runs.forEach((run, index) =>
    run.parts.forEach((part, at) =>
      look(
        () => `runs[${index}].parts[${at}].id`,
        part.id,
        () => `A ${part.kind} of “${run.id}”`,
      ),
    ),
  )
  site.roofs.forEach((roof, index) => {
    roof.pieces.forEach((piece, at) =>
      look(
        () => `roofs[${index}].pieces[${at}].id`,
        piece.id,
        () => `A piece of “${roof.name}”`,
      ),
    )
    roof.spouts.forEach((spout, at) =>
      look(
        () => `roofs[${index}].spouts[${at}].id`,
        spout.id,
        () => `A gutter of “${roof.name}”`,
      ),
    )
  })
  site.uses.forEach((use, index) => {
    use.rations?.forEach((step, at) =>
      look(
        () => `uses[${index}].rations[${at}].id`,
        step.id,
        () => `A step of “${use.name}”`,
      ),
    )
    const emitters = use.amount.by === 'bed' ? use.amount.drip?.emitters : undefined
    emitters?.forEach((emitter, at) =>
      look(
        () => `uses[${index}].amount.drip.emitters[${at}].id`,
        emitter.id,
        () => `An emitter of “${use.name}”`,
      ),
    )
  })
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
