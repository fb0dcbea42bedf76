import { phraseText } from '#core/words'
import { provenReview, type Mend, type StepFinding } from '#core/review'
import { affordable } from './cost'
import { siteIn } from './documents'

/** Moves are proven for about so long; findings whose turn does not come name none. */
const PROVE_FOR_MS = 12_000

/** What is wrong with a site, worst first, in its own units, each with its numbers and the move that is proven to mend it. */
export async function reviewJob(json: unknown) {
  const { site } = siteIn(json)
  const { findings, accepted, sound, proofs } = await affordable('review', site, () => {
    const untilMs = performance.now() + PROVE_FOR_MS
    return provenReview(site, () => performance.now() < untilMs)
  })
  const { units } = site.standards
  const inWords = ({ label, move }: Mend) => ({ label: phraseText(label, units), move })
  const told = (finding: StepFinding) => ({
    ...finding,
    sentence: phraseText(finding.sentence, units),
    why: phraseText(finding.why, units),
    mend: finding.mend && { ...inWords(finding.mend), shortDays: proofs.get(finding.id)?.shortDays },
    answers: finding.answers?.map(inWords),
    otherwise: undefined,
  })
  return {
    findings: findings.map(told),
    accepted: accepted.map(finding => told({ ...finding, mend: undefined })),
    sound,
  }
}
