import { levelsBetween } from './taps'
import { steady, type RunState } from './steady/steady'
import { peakSunHours } from './power'
import { FLOWS_OF } from './reads'
import { mean } from 'd3-array'
import { remembered, type Run, type Site } from '../site'

/** Share of a day in which a solar pump runs as it does in full sun. */
const sunShare = (site: Site): number => Math.min(1, (mean(peakSunHours(site)) ?? 0) / 24)

/** Every line as it runs with all taps shut and all tanks half full: what lines and pumps deliver on a usual day. */
const usualRuns = remembered(FLOWS_OF, (site: Site): Record<string, RunState> | undefined => {
  const moment = steady(site, { levels: levelsBetween(site, 0.5) })
  return moment.converged ? moment.runs : undefined
})

/**
 * What a line with a pump, or from a main, delivers on a usual day, L/s: as its lines and heights let it, and a solar
 * pump while the sun shines. Undefined where that is not known: it does not flow for a reason that passes.
 */
export function deliveredLps(site: Site, runs: readonly Run[]): number | undefined {
  const states = usualRuns(site)
  if (!states) return undefined
  const pump = runs.flatMap(run => run.parts).find(part => part.kind === 'pump')
  const last = runs.at(-1)
  const state = last && states[last.id]
  if (!state) return undefined
  const share = pump?.pump === 'solar' ? sunShare(site) : 1
  if (state.status === 'flowing') return Math.abs(state.flowLps) * share
  // It runs and lifts nothing: too weak.
  return pump && (state.status === 'still' || state.status === 'checked') ? 0 : undefined
}
