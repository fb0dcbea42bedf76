import { ask } from '~/engine/engine'
import { provenMend } from '#core/review/finding'
import type { Review, StepFinding } from '#core/review'
import type { Site } from '#core/site'

/** Nobody waits longer for the paper: what is not proven by then names no move. */
const PROVE_FOR_MS = 12_000

/** A review as it is printed: a move stands beside what is found once it was found to mend it. */
export async function provenReview(site: Site, review: Review | undefined): Promise<Review | undefined> {
  if (!review) return undefined
  const untilMs = performance.now() + PROVE_FOR_MS
  const findings: StepFinding[] = []
  for (const finding of review.findings) {
    const { mend: best, otherwise: _otherwise, ...bare } = finding
    const isTime = performance.now() < untilMs
    // A thread that gives out costs the paper its moves, not what was found.
    const proof =
      best && isTime ? await ask('proof', toRaw(site), { findings: [finding.id] }).catch(() => undefined) : undefined
    const mend = provenMend(finding, proof)
    findings.push(mend ? { ...bare, mend } : bare)
  }
  return { ...review, findings }
}
