import { nameOf, runName } from '#core/site'
import { pumpsOf, tapsOf } from '#core/network'
import { atOnce, momentTogether, rowsTogether, weakestOf } from './useMoment'
import type { StepContext, StepFigure, Subject } from '~/steps/step'

/** Taps with what they pass, and every line. */
export function subjects({ site, show }: StepContext): Subject[] {
  const taps = tapsOf(site)
  if (!taps.length) return []
  const { taps: given, runs } = momentTogether(site)
  const all = Object.values(given).reduce((sum, { flowLps }) => sum + flowLps, 0)
  return [
    { id: 'together', name: 'Taps at once', figure: show(all, 'flow'), holds: [] },
    ...taps.map(({ id }) => ({
      id,
      name: nameOf(site, id),
      figure: show(given[id]!.flowLps, 'flow'),
      holds: [id],
      node: id,
    })),
    ...pumpsOf(site).map(({ run, pump }) => ({
      id: pump.id,
      name: runName(site, run),
      figure: runs[run.id]?.flowLps ? show(runs[run.id]!.flowLps, 'flow') : 'stands',
      holds: [run.id],
    })),
    {
      id: 'lines',
      name: 'Lines in numbers',
      figure: String(Object.keys(runs).length),
      holds: Object.keys(runs),
    },
  ]
}

const NONE = { value: 'none', note: '' }

/** The tap of those that run which has the least of the pressure it is made for, what all take, and the fastest pipe. */
export function figures({ site, show }: StepContext): StepFigure[] {
  const open = atOnce(site)
  const { taps, runs, converged } = momentTogether(site)
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
