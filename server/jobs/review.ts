import { phraseText } from '#core/words'
import { review, type Mend } from '#core/review'
import { affordable } from './cost'
import { siteIn } from './documents'

/** What is wrong with a site, worst first, in its own units, each with its numbers and the move that mends it. */
export async function reviewJob(json: unknown) {
  const { site } = siteIn(json)
  const { findings, sound } = await affordable('review', site, () => review(site))
  const { units } = site.standards
  const inWords = ({ label, move }: Mend) => ({ label: phraseText(label, units), move })
  return {
    findings: findings.map(finding => ({
      ...finding,
      sentence: phraseText(finding.sentence, units),
      why: phraseText(finding.why, units),
      mend: finding.mend && inWords(finding.mend),
      answers: finding.answers?.map(inWords),
    })),
    sound,
  }
}
