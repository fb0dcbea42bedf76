import { mean } from 'd3-array'
import { mendsOf, provenMend, type Finding, type Mend } from './finding'
import { CHECKS, review, type Review, type StepFinding } from './review'
import { applyMoves } from '../moves'
import { overYears, yearsAhead } from '../balance'
import type { Site } from '../site'

/** What came of a move that was made on a copy of a site, the plan read again. */
export interface Proof {
  /** The finding is gone, nothing wrong has come, and no use goes short more often than it may. */
  holds: boolean
  /**
   * What keeps it from being offered: it cannot be made, its finding stays, something wrong comes, uses go short, or
   * something is found of the same thing that the same move would mend, to and fro.
   */
  fails: ('refused' | 'stays' | 'brings' | 'short' | 'chases')[]
  /** What is wrong then and was not before, by id. */
  brings: string[]
  /** Short days of the middle year, now and then. */
  shortDays: { now: number; then: number }
  /** Which of the moves that may mend it was made, the best being 0: the first that holds, else the best. */
  choice: number
}

/** A use may go short on so much more of a year and be as well served as before, days. */
const NO_MORE_DAYS = 0.5

const about = ({ check, subject }: Finding) => `${check} ${subject.kind} ${subject.id}`

/** Days on which each use goes short, of a mean year. */
const shortByUse = (site: Site): Map<string, number> => {
  const { years } = yearsAhead(site)
  return new Map(site.uses.map(({ id }) => [id, mean(years, year => shortDaysOf(year.uses, id)) ?? 0]))
}
const shortDaysOf = (uses: readonly { id: string; shortDays: number }[], id: string): number =>
  uses.find(use => use.id === id)?.shortDays ?? 0

const middleDays = (site: Site): number => overYears(yearsAhead(site), year => year.shortDays).middle

/** True of a check whose mend may cost water: it buys cleanliness or safety with it. */
const mayCostWater = (check: string): boolean => CHECKS.some(({ id, costsWater }) => id === check && costsWater)

/**
 * Makes the moves of some findings of one check on a copy of a site, one after the other, and reads the plan again:
 * whether these findings are gone, what wrong has come that was not there before, and what it is to the uses. Where the
 * best moves do not hold, the next ones are tried in turn.
 * @param findings what was found on the site as it is
 * @returns nothing where they have no move
 */
export function proofOf(site: Site, mended: readonly Finding[], findings: readonly StepFinding[]): Proof | undefined {
  const offers = mended.map(mendsOf).filter(mends => mends.length)
  const choices = Math.min(...offers.map(mends => mends.length))
  let first: Proof | undefined
  for (let choice = 0; offers.length && choice < choices; choice++) {
    const moves = offers.map(mends => mends[choice]!)
    const proof = { ...tried(site, mended, moves, findings), choice }
    if (proof.holds) return proof
    first ??= proof
  }
  return first
}

/** What comes of some moves that are to mend some findings. */
function tried(
  site: Site,
  mended: readonly Finding[],
  mends: readonly Mend[],
  findings: readonly StepFinding[],
): Omit<Proof, 'choice'> {
  const now = middleDays(site)
  const made = applyMoves(
    site,
    mends.map(({ move }) => move),
  )
  if (!made.ok) return { holds: false, fails: ['refused'], brings: [], shortDays: { now, then: now } }
  const left = review(made.site).findings
  const [gone, known] = [new Set(mended.map(about)), new Set(findings.filter(isWrong).map(about))]
  const brings = left.filter(each => isWrong(each) && !known.has(about(each))).map(({ id }) => id)
  const [before, after] = [shortByUse(site), shortByUse(made.site)]
  const isShort = [...after].some(([id, days]) => days > (before.get(id) ?? Infinity) + NO_MORE_DAYS)
  const fails: Proof['fails'] = [
    ...(left.some(each => gone.has(about(each))) ? (['stays'] as const) : []),
    ...(brings.length ? (['brings'] as const) : []),
    ...(mended.some(each => chases(each, mends, left, findings)) ? (['chases'] as const) : []),
    ...(isShort && !mended.every(({ check }) => mayCostWater(check)) ? (['short'] as const) : []),
  ]
  return { holds: !fails.length, fails, brings, shortDays: { now, then: middleDays(made.site) } }
}
/** True where something is found afterwards of the same thing that the same move, made otherwise, is to mend. */
function chases(
  { subject }: Finding,
  mends: readonly Mend[],
  left: readonly Finding[],
  before: readonly Finding[],
): boolean {
  const known = new Set(before.map(about))
  const made = new Set(mends.map(({ move }) => move.name))
  return left.some(
    each =>
      each.subject.kind === subject.kind &&
      each.subject.id === subject.id &&
      !known.has(about(each)) &&
      mendsOf(each).some(({ move }) => made.has(move.name) && !SAYS_ANYTHING.has(move.name)),
  )
}
/** A move that sets a field sets any. */
const SAYS_ANYTHING: ReadonlySet<string> = new Set(['set'])

const isWrong = ({ severity }: Finding): boolean => severity === 'wrong'

/**
 * What is found on a site, each finding with its move only where that is proven. Each proof takes about as long as the
 * review itself; those for which there is no time left name no move.
 */
export function provenReview(
  site: Site,
  isTime: () => boolean = () => true,
): Review & { proofs: ReadonlyMap<string, Proof> } {
  const { findings, accepted, sound } = review(site)
  const proofs = new Map<string, Proof>()
  const proven = findings.map((finding): StepFinding => {
    const { mend: _mend, otherwise: _otherwise, ...bare } = finding
    const proof = isTime() ? proofOf(site, [finding], findings) : undefined
    if (proof) proofs.set(finding.id, proof)
    const mend = provenMend(finding, proof)
    return mend ? { ...bare, mend } : bare
  })
  return { findings: proven, accepted, sound, proofs }
}

/** What comes of mending some findings together, by their ids; nothing where they are gone or have no move. */
export function proveMends(site: Site, ids: readonly string[]): Proof | undefined {
  const { findings } = review(site)
  return proofOf(
    site,
    findings.filter(({ id }) => ids.includes(id)),
    findings,
  )
}
