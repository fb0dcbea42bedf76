import { defineCheck, subjectOfRun, type Finding } from '../finding'
import { flow, listed, say, volume, type Phrase } from '../../words'
import { moveOf, setField } from '../../moves'
import { boreMm, islandsOf, wrongWaysOf, type WrongKind, type WrongWay } from '../../network'
import { graphOf, nameOf, roleOf, runName, spillM, portHeightM, type Site } from '../../site'
import type { NodeOf, Tank } from '../../kinds'
import { BACKFLOW_WORDS } from '../../catalog'

/** What happens, with how much: the middle of a sentence for each kind. */
const SAID: Record<Exclude<WrongKind, 'float-stuck'>, (site: Site, way: WrongWay) => Phrase> = {
  'into-main': (site, { fromId, toId, flowLps }) =>
    say`water of ${nameOf(site, fromId)} runs into ${nameOf(site, toId)}, ${flow(flowLps)} of it`,
  'into-well': (site, { fromId, toId, flowLps }) =>
    say`${nameOf(site, fromId)} empties down ${nameOf(site, toId)}, ${flow(flowLps)}`,
  'into-tank-by-outlet': (site, { fromId, toId, flowLps }) =>
    say`${flow(flowLps)} of ${nameOf(site, fromId)} push into ${nameOf(site, toId)} by its outlet, past any float, until
      it runs over`,
  'round-the-pump': (site, { toId, flowLps }) =>
    say`the pump drives ${flow(flowLps)} round and round, out of ${nameOf(site, toId)} and into it again`,
  'back-through-pump': (site, { fromId, flowLps }) =>
    say`${flow(flowLps)} of ${nameOf(site, fromId)} run back through the stopped pump`,
}

/** In which way of running it, and when. */
const whenOf = (site: Site, { mode, words }: WrongWay): string => {
  const name = site.modes.find(({ id }) => id === mode)?.name
  return `With ${words}${name ? `, in “${name}”,` : ''}`
}

export const waterGoesWrong = defineCheck({
  id: 'water-goes-wrong',
  step: 'reach',
  harms: 'people',
  costsWater: true,
  needs: ['site'],
  sound: 'Whatever runs, fails or is opened, no water goes where it should not',
  find: ({ site }) =>
    wrongWaysOf(site).flatMap((way): Finding[] => {
      const { kind, check, flowLps, litresPerDay, path } = way
      if (kind === 'float-stuck') return []
      const graph = graphOf(site)
      const run = graph.run(check?.runId ?? path.at(-1)!.runId)!
      const main = kind === 'into-main' ? (graph.node(way.toId) as NodeOf<'main'>) : undefined
      return [
        {
          id: `water-goes-wrong:${way.id}`,
          check: 'water-goes-wrong',
          severity: 'wrong',
          subject: subjectOfRun(site, run),
          sentence: [`${whenOf(site, way)} `, ...SAID[kind](site, way), '.'],
          why: main
            ? say`${backflowWhy(
                site,
                path.map(({ runId }) => runId),
              )}`
            : say`It goes by ${listed(path.map(({ runId }) => `“${runName(site, graph.run(runId)!)}”`))}:
              ${volume(litresPerDay)} in a day. Nothing on that way keeps water from running against how it was laid.`,
          numbers: { flowLps, litresPerDay },
          ...(check
            ? {
                mend: {
                  label: `Fit a check valve in “${runName(site, graph.run(check.runId)!)}”`,
                  move: moveOf('insertPart', {
                    run: check.runId,
                    ...(check.before ? { before: check.before } : {}),
                    part: { kind: 'check', boreMm: boreMm(graph.run(check.runId)!) },
                  }),
                },
              }
            : {}),
          ...(main ? { answers: deviceAnswers(main) } : {}),
        },
      ]
    }),
})

const backflowWhy = (site: Site, runIds: string[]): string =>
  `It goes by ${listed(runIds.map(id => `“${runName(site, graphOf(site).run(id)!)}”`))}. What belongs between one’s own ` +
  'water and a public main is an air gap, or the device that the local code names; a valve alone never is. The water ' +
  'company and a licensed trade decide.'
const deviceAnswers = (main: NodeOf<'main'>) => [
  {
    label: `It has ${BACKFLOW_WORDS.device}`,
    move: setField('node', main.id, 'backflow', 'device'),
  },
]

export const mainJoined = defineCheck({
  id: 'main-joined',
  step: 'reach',
  harms: 'people',
  costsWater: true,
  needs: ['site'],
  yieldsTo: ['water-goes-wrong'],
  sound: 'Own water and public mains are parted by an air gap or the device that the code names',
  find: ({ site }) =>
    islandsOf(site).flatMap(island =>
      island.mains.flatMap((id): Finding[] => {
        const main = graphOf(site).node(id) as NodeOf<'main'>
        const others = othersAt(site, main)
        if (main.backflow || !others.length) return []
        return [
          {
            id: `main-joined:${id}`,
            check: 'main-joined',
            severity: 'wrong',
            subject: { kind: 'node', id, name: main.name },
            sentence: say`Water of ${listed(others.map(other => nameOf(site, other)))} and of ${main.name} meet in one line,
              with no more than a valve between.`,
            why: say`A check valve passes once grit holds it open, and then what stood in a tank is drunk in the street.
              Public mains ask for an air gap, or for the device that the local code names; the water company and a
              licensed trade decide.`,
            numbers: { sources: others.length },
            answers: deviceAnswers(main),
          },
        ]
      }),
    ),
})

/** Sources whose lines hang together with a main's without an air gap: over a tank's brim nothing comes back. */
function othersAt(site: Site, main: NodeOf<'main'>): string[] {
  const graph = graphOf(site)
  const found = new Set<string>()
  const seen = new Set([main.id])
  const queue = [main.id]
  for (const at of queue)
    for (const run of graph.at(at)) {
      const next = run.from.node === at ? run.to : run.from
      const node = graph.node(next.node)
      if (!node || seen.has(node.id)) continue
      if (node.kind === 'tank') {
        if (run.to.node === node.id && isAirGap(site, node, run.to)) continue
        if (roleOf(site, next) !== 'overflow') found.add(node.id)
        continue
      }
      if (node.kind === 'well') {
        found.add(node.id)
        continue
      }
      seen.add(node.id)
      if (node.kind === 'joint' || node.kind === 'pressureTank') queue.push(node.id)
    }
  return [...found]
}
const isAirGap = (site: Site, tank: Tank, end: { node: string; port: string }): boolean =>
  portHeightM(site, end) >= spillM(site, tank) - 0.2 && roleOf(site, end) === 'inlet'
