import { lossOf } from './useBreak'
import { asRun, modeOf, momentAsRun } from './useMode'
import { useSelection } from '~/stores/useSelection'
import { WAITING, type StepContext, type StepFigure, type Subject } from '~/steps/step'
import { graphOf, roleOf, runName, tanksOf, type Run, type Site } from '#core/site'
import { handValves, islandsOf, partsAlong, type Steady } from '#core/network'
import { PART_KINDS } from '#core/kinds'

export const runSubjectId = (run: Run): string => `run:${run.id}`

/** Lines under pressure, overflows and roofs’ lines: every run, those that can go wrong first. */
const ofStorm = (site: Site, run: Run) =>
  ['spout', 'chamber'].includes(graphOf(site).node(run.from.node)?.kind ?? '') || roleOf(site, run.from) === 'overflow'

export const runsByRisk = (site: Site): Run[] =>
  site.runs.toSorted((a, b) => Number(ofStorm(site, a)) - Number(ofStorm(site, b)))

/** How many were found; the review has looked for them in its own thread. */
const wrongCount = (review: StepContext['review']): string =>
  review ? String(review.findings.filter(({ check }) => check === 'water-goes-wrong').length) : WAITING

export function subjects({ site, show, review }: StepContext): Subject[] {
  if (!site.runs.length) return []
  const moment = momentAsRun(site)
  if (!moment) return []
  const figureOf = (run: Run) => {
    const flowLps = Math.abs(moment.runs[run.id]?.flowLps ?? 0)
    return flowLps > 0.001 ? show(flowLps, 'flow') : moment.runs[run.id]?.status === 'shut' ? 'shut' : ''
  }
  return [
    { id: 'wrong', name: 'Wrong ways', figure: wrongCount(review), holds: [] },
    { id: 'modes', name: 'Ways of running it', figure: String(site.modes.length || ''), holds: [] },
    ...(tanksOf(site).length ? [{ id: 'tears', name: 'If a tank tears', holds: [] }] : []),
    ...(handValves(site).length ? [{ id: 'card', name: 'The card for the wall', holds: [] }] : []),
    ...runsByRisk(site).map(run => ({
      id: runSubjectId(run),
      name: runName(site, run),
      figure: figureOf(run),
      holds: [run.id],
    })),
  ]
}

const NONE = { value: 'none', note: '' }

/** The line in hand: what flows in it, the pressure at its top, what a break of it loses; and wrong ways of all. */
export function figures({ site, show, litres, review }: StepContext): StepFigure[] | undefined {
  const { runId } = useSelection()
  const run = site.runs.find(({ id }) => id === runId.value) ?? site.runs.find(each => !ofStorm(site, each))
  const early = true
  const ways: StepFigure = {
    name: 'Ways water can go wrong',
    early,
    value: wrongCount(review),
    note: site.modes.length
      ? `looked for in ${site.modes.length + 1} ways of running it`
      : islandsOf(site).length
        ? 'looked for as the valves stand'
        : 'each line has one source alone',
  }
  if (!run) return [{ name: 'Flow in this line', early, ...NONE }, ways]
  const moment = momentAsRun(site)
  if (!moment) return undefined
  const state = moment.runs[run.id]
  const mode = modeOf(site)
  const name = runName(asRun(site), run)
  const answer = lossOf(site, run.id)
  const loss = answer?.failure === undefined ? answer : undefined
  return [
    {
      name: 'Flow in this line',
      early,
      value: state ? show(Math.abs(state.flowLps), 'flow') : 'rain only',
      note: `${name}${mode ? `, ${mode.name}` : ''}, all taps open`,
    },
    { name: 'Least pressure in it', early, ...leastIn(site, run, moment, show) },
    ways,
    {
      name: 'Lost if it breaks',
      early,
      ...(state
        ? {
            value:
              answer?.failure !== undefined
                ? 'not known'
                : !loss
                  ? '…'
                  : loss.litres < 1
                    ? 'nothing'
                    : litres(loss.litres),
            note: loss ? `in ${loss.hours} hours` : '',
          }
        : NONE),
    },
  ]
}
/** Where a line has least pressure behind one of its parts. */
function leastIn(site: Site, run: Run, moment: Steady, show: StepContext['show']): Pick<StepFigure, 'value' | 'note'> {
  const as = asRun(site)
  const along = partsAlong(as, graphOf(as).run(run.id)!, moment)
  const least = along
    .filter(({ behindKPa }) => behindKPa !== undefined)
    .toSorted((a, b) => a.behindKPa! - b.behindKPa!)[0]
  if (!least) return { value: 'none', note: 'open to the air' }
  return { value: show(least.behindKPa!, 'pressure'), note: `behind its ${PART_KINDS[least.part.kind].name}` }
}
