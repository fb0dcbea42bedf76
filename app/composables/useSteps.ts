import type { Finding, Review } from '#core/review'
import type { Site } from '#core/site'

export type StepId = 'need' | 'catch' | 'clean' | 'store' | 'lift' | 'reach' | 'try' | 'build' | 'keep'
export type StepMark = 'empty' | 'gaps' | 'sound' | 'closed'

/** The steps in working order. Those without a sheet stand in the Path as not yet open. */
export const STEPS: { id: StepId, name: string, open: boolean }[] = [
  { id: 'need', name: 'Need', open: true }, { id: 'catch', name: 'Catch', open: true }, { id: 'clean', name: 'Clean', open: true }, { id: 'store', name: 'Store', open: true },
  { id: 'lift', name: 'Lift', open: false }, { id: 'reach', name: 'Reach', open: false }, { id: 'try', name: 'Try', open: false }, { id: 'build', name: 'Build', open: false }, { id: 'keep', name: 'Keep', open: false },
]

/** The step at which a finding can be mended. */
const STEP_OF_CHECK: Record<string, StepId> = {
  'storm-missing': 'catch', 'roof-without-spout': 'catch', 'spout-without-share': 'catch', 'shares-off': 'catch', 'gutter-unknown': 'catch', 'gutter-too-small': 'catch', 'downpipe-too-small': 'catch', 'spill-over-door': 'catch', 'roof-unfit': 'catch',
  'line-climbs': 'clean', 'line-too-slow': 'clean', 'wet-line-undrained': 'clean', 'wet-line-freezes': 'clean', 'unequal-join': 'clean', 'mosquito-mesh': 'clean', 'fed-from-below': 'clean', 'no-first-flush': 'clean', 'chamber-stays-full': 'clean',
  'chamber-too-small': 'clean', 'outlet-too-slow': 'clean', 'outlet-wasteful': 'clean', 'chamber-not-cleanable': 'clean', 'bypass-in-filling': 'clean', 'bypass-shut-in-frost': 'clean',
  'use-without-supply': 'need', 'asks-more-than-comes': 'need', 'untreated-drinking': 'need', 'zone-over-flow': 'need', 'drip-short': 'need', 'fails-more-than-accepted': 'need',
}
export const stepOf = (finding: Finding): StepId => STEP_OF_CHECK[finding.check] ?? 'store'

export function markOf(step: StepId, site: Site, review: Review): StepMark {
  const started = { need: site.uses.length > 0, catch: site.roofs.length > 0, clean: site.nodes.some(node => node.kind === 'chamber'), store: site.nodes.some(node => node.kind === 'tank') } as Partial<Record<StepId, boolean>>
  if (started[step] === undefined) return 'closed'
  if (review.findings.some(finding => stepOf(finding) === step)) return 'gaps'
  return started[step] ? 'sound' : 'empty'
}
export const MARK_WORDS: Record<StepMark, string> = { empty: 'not started', gaps: 'has gaps', sound: 'sound', closed: 'not yet open' }

/** The caution that belongs to each step, with who decides. */
export const CAUTIONS: Partial<Record<StepId, string>> = {
  need: 'Untreated rain and well water is not for drinking; label every tap it reaches. Local code and a licensed trade decide.',
  catch: 'Falls from roofs and ladders kill. Lead flashing and treated roofs spoil water. Where in doubt leave the roof to a licensed trade.',
  clean: 'Standing water in a dip breeds mosquitoes: every opening wants a fine mesh. Local code decides what may be drunk.',
  store: 'Never climb into a tank alone or without air. Full tanks weigh a tonne per 1000 litres; tall stands and slopes are an engineer’s work.',
}
