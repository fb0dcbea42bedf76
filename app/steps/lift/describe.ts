import { feedsOf, fillingsOf, graphOf, nameOf, runName, tanksOf, type Run } from '#core/site'
import { pumpsOf, tapsOf } from '#core/network'
import { atOnce, momentTogether, rowsTogether, weakestOf } from './useMoment'
import type { LiftId } from '#core/catalog'
import type { StepContext, StepFigure, Subject } from '~/steps/step'

/** A feed or a filling as a subject, by the run that it starts with. */
export const feedSubject = (run: Run): string => `lift:${run.id}`

/** How the water is lifted, what each tap passes, wells, and every line. */
export function subjects({ site, show, litres }: StepContext): Subject[] {
  const taps = tapsOf(site)
  if (!site.nodes.some(({ kind }) => kind === 'tap' || kind === 'well')) return []
  const moment = momentTogether(site)
  if (!moment) return []
  const { taps: given, runs } = moment
  const all = Object.values(given).reduce((sum, { flowLps }) => sum + flowLps, 0)
  const feeds = feedsOf(site)
  const fillings = fillingsOf(site).filter(({ runs: [first] }) => !feeds.some(({ trunk }) => trunk[0] === first))
  const lifted = new Set([...feeds, ...fillings].flatMap(({ pump }) => (pump ? [pump.id] : [])))
  const others = pumpsOf(site).filter(({ pump }) => !lifted.has(pump.id))
  const flowOf = (run: Run) => (runs[run.id]?.flowLps ? show(runs[run.id]!.flowLps, 'flow') : 'stands')
  return [
    ...(taps.length ? [{ id: 'together', name: 'Taps at once', figure: show(all, 'flow'), holds: [] }] : []),
    ...feeds.map(feed => ({
      id: feedSubject(feed.trunk[0]!),
      name: `${nameOf(site, feed.source.id)} to ${feed.taps.length === 1 ? nameOf(site, feed.taps[0]!.id) : `${feed.taps.length} taps`}`,
      figure: SHORT[feed.lift],
      holds: [
        ...feed.trunk.map(run => run.id),
        ...(feed.vessel ? [feed.vessel.id] : []),
        ...(feed.branch ? [feed.branch.id] : []),
      ],
    })),
    ...fillings.map(filling => ({
      id: feedSubject(filling.runs[0]!),
      name: `${nameOf(site, filling.source.id)} to ${filling.tank.name}`,
      figure: flowOf(filling.runs[0]!),
      holds: filling.runs.map(run => run.id),
    })),
    ...others.map(({ run, pump }) => ({ id: pump.id, name: runName(site, run), figure: flowOf(run), holds: [run.id] })),
    ...taps.map(({ id }) => ({
      id,
      name: nameOf(site, id),
      figure: show(given[id]!.flowLps, 'flow'),
      holds: [
        id,
        ...graphOf(site)
          .into(id)
          .map(run => run.id),
      ],
      node: id,
    })),
    ...site.nodes.flatMap(node =>
      node.kind === 'well'
        ? [
            {
              id: node.id,
              name: node.name,
              figure: `${litres(node.yieldLPerDay)} a day`,
              holds: [node.id],
              node: node.id,
            },
          ]
        : [],
    ),
    ...(tanksOf(site).length && site.nodes.filter(({ kind }) => kind === 'tank' || kind === 'well').length > 1
      ? [{ id: 'up', name: 'Water up to a tank', holds: [] }]
      : []),
    { id: 'lines', name: 'Lines in numbers', figure: String(Object.keys(runs).length), holds: Object.keys(runs) },
  ]
}
const SHORT = {
  gravity: 'falls',
  'on-demand': 'on demand',
  'on-demand-above': 'on demand',
  jet: 'jet pump',
  submersible: 'submersible',
  'variable-speed': 'variable speed',
  solar: 'solar',
} satisfies Record<LiftId, string>

const NONE = { value: 'none', note: '' }

/** The tap of those that run which has the least of the pressure it is made for, what all take, and the fastest pipe. */
export function figures({ site, show }: StepContext): StepFigure[] | undefined {
  const moment = momentTogether(site)
  if (!moment) return undefined
  const open = atOnce(site)
  const { taps, runs, converged } = moment
  const weakest = weakestOf(rowsTogether(site))
  const all = open.reduce((sum, id) => sum + taps[id]!.flowLps, 0)
  const [fastest] = site.runs
    .filter(({ id }) => runs[id])
    .toSorted((a, b) => runs[b.id]!.velocityMps - runs[a.id]!.velocityMps)
  const flowing = fastest && runs[fastest.id]!.velocityMps > 0
  const costliest = site.runs.filter(({ id }) => runs[id]).toSorted((a, b) => runs[b.id]!.lossM - runs[a.id]!.lossM)[0]
  const early = true
  return [
    {
      name: 'Weakest tap',
      early,
      ...(weakest ? { value: show(weakest.pressureKPa, 'pressure'), note: nameOf(site, weakest.tap.id) } : NONE),
    },
    {
      name: 'All that run at once',
      early,
      value: show(all, 'flow'),
      note: converged ? `${open.length} of ${tapsOf(site).length} taps` : 'no steady flow was found',
    },
    {
      name: 'Fastest water',
      early,
      ...(flowing ? { value: show(runs[fastest.id]!.velocityMps, 'speed'), note: runName(site, fastest) } : NONE),
    },
    {
      name: 'Most height lost',
      early,
      ...(flowing && costliest
        ? { value: show(runs[costliest.id]!.lossM, 'length'), note: `along ${runName(site, costliest)}` }
        : NONE),
    },
  ]
}
