import { lossOf } from './useBreak'
import { asRun, modeOf, momentAsRun } from './useMode'
import { useSelection } from '~/stores/useSelection'
import { WAITING, type StepContext, type StepFigure, type Subject } from '~/steps/step'
import { graphOf, roleOf, runName, tanksOf, type Run, type Site } from '#core/site'
import { handValves, islandsOf, tapsOf, wrongWaysOf } from '#core/network'

export const runSubject = (run: Run): string => `run:${run.id}`

/** Lines under pressure, overflows and roofs’ lines: every run, those that can go wrong first. */
const ofStorm = (site: Site, run: Run) =>
  ['spout', 'chamber'].includes(graphOf(site).node(run.from.node)?.kind ?? '') || roleOf(site, run.from) === 'overflow'

export const linesOf = (site: Site): Run[] =>
  site.runs.toSorted((a, b) => Number(ofStorm(site, a)) - Number(ofStorm(site, b)))

/** Ways of going wrong that are faults of the plan; what a stuck float would do is told beside them. */
export const wrongOnes = (site: Site) => wrongWaysOf(site).filter(({ kind }) => kind !== 'float-stuck')

/** How many were found; the review has looked for them in its own thread. */
const wrongCount = (review: StepContext['review']): string =>
  review ? String(review.findings.filter(({ check }) => check === 'water-goes-wrong').length) : WAITING

export function subjects({ site, show, review }: StepContext): Subject[] {
  if (!site.runs.length) return []
  const moment = momentAsRun(
    site,
    tapsOf(site).map(({ id }) => id),
  )
  const figureOf = (run: Run) => {
    const flowLps = Math.abs(moment.runs[run.id]?.flowLps ?? 0)
    return flowLps > 0.001 ? show(flowLps, 'flow') : moment.runs[run.id]?.status === 'shut' ? 'shut' : ''
  }
  return [
    { id: 'wrong', name: 'Wrong ways', figure: wrongCount(review), holds: [] },
    { id: 'modes', name: 'Ways of running it', figure: String(site.modes.length || ''), holds: [] },
    ...(tanksOf(site).length ? [{ id: 'tears', name: 'If a tank tears', holds: [] }] : []),
    ...(handValves(site).length ? [{ id: 'card', name: 'The card for the wall', holds: [] }] : []),
    ...linesOf(site).map(run => ({
      id: runSubject(run),
      name: runName(site, run),
      figure: figureOf(run),
      holds: [run.id],
    })),
  ]
}

const NONE = { value: 'none', note: '' }

/** The line in hand: what flows in it, the pressure at its top, what a break of it loses; and wrong ways of all. */
export function figures({ site, show, litres, review }: StepContext): StepFigure[] {
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
  const moment = momentAsRun(
    site,
    tapsOf(site).map(({ id }) => id),
  )
  const state = moment.runs[run.id]
  const mode = modeOf(site)
  const name = runName(asRun(site), run)
  const high = [run.from, run.to].toSorted(
    (a, b) => (moment.nodes[a.node]?.pressureKPa ?? 0) - (moment.nodes[b.node]?.pressureKPa ?? 0),
  )[0]!
  const loss = lossOf(site, run.id)
  return [
    {
      name: 'Flow in this line',
      early,
      value: state ? show(Math.abs(state.flowLps), 'flow') : 'rain only',
      note: `${name}${mode ? `, ${mode.name}` : ''}, all taps open`,
    },
    {
      name: 'Least pressure at its ends',
      early,
      ...(state && state.status !== 'dry'
        ? { value: show(moment.nodes[high.node]?.pressureKPa ?? 0, 'pressure'), note: runEnd(site, high.node) }
        : { value: '0', note: 'open to the air' }),
    },
    ways,
    {
      name: 'Lost if it breaks',
      early,
      ...(state
        ? {
            value: !loss ? '…' : loss.litres < 1 ? 'nothing' : litres(loss.litres),
            note: loss ? `in ${loss.hours} hours` : '',
          }
        : NONE),
    },
  ]
}
const runEnd = (site: Site, id: string): string => {
  const node = graphOf(site).node(id)
  return node && 'name' in node && node.name ? `at ${node.name}` : ''
}
