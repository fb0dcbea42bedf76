import type { Phrase } from '../words'
import { runName, type Move, type Run, type Site } from '../site'
import type { Reading } from './reading'

/** A move that mends it; its label may hold quantities. */
export interface Mend {
  label: string | Phrase
  move: Move
}

/** The steps of the work at which something found can be mended. */
export type ReviewStep = 'need' | 'catch' | 'clean' | 'store' | 'lift' | 'reach' | 'build' | 'keep'

export interface Finding {
  /** Stable while the fault stands: the check and what it is about. */
  id: string
  check: string
  severity: 'wrong' | 'look'
  subject: { kind: 'site' | 'node' | 'roof' | 'run' | 'use'; id: string; name: string }
  /** What follows from it, in one sentence. */
  sentence: Phrase
  why: Phrase
  numbers: Record<string, number>
  /** The worked sum behind the figure, where there is one. */
  sum?: { name: string; input: Record<string, unknown> }
  mend?: Mend
  /** What to try in turn where that does not hold. */
  otherwise?: Mend[]
  /** Where only the person can know: answers to choose from. */
  answers?: Mend[]
}

/** The moves that may mend a finding, best first. */
export const mendsOf = ({ mend, otherwise = [] }: Pick<Finding, 'mend' | 'otherwise'>): Mend[] =>
  mend ? [mend, ...otherwise] : otherwise

/** The move that a proof found to mend a finding; nothing where none did. */
export const provenMend = (
  finding: Pick<Finding, 'mend' | 'otherwise'>,
  proof: { holds: boolean; choice: number } | undefined,
): Mend | undefined => (proof?.holds ? mendsOf(finding)[proof.choice] : undefined)

/** The first of some moves as the mend, the others to try in turn; those that there are not are left out. */
export function bestFirst(...mends: (Mend | undefined)[]): Pick<Finding, 'mend' | 'otherwise'> {
  const [mend, ...otherwise] = mends.filter(each => each !== undefined)
  return mend ? { mend, ...(otherwise.length ? { otherwise } : {}) } : {}
}

/** Passed by no more than this share, a limit is worth a look and no more. */
const A_HAIR = 0.1

/** How bad it is that something comes to more than it may: what only wastes or spills a little is no fault yet. */
export const passedBy = (has: number, may: number): Finding['severity'] => (has > may * (1 + A_HAIR) ? 'wrong' : 'look')

/** A node as the subject of a finding, under its own name or its group's. */
export const nodeSubject = ({ id, name }: { id: string; name: string }, said = name): Finding['subject'] => ({
  kind: 'node',
  id,
  name: said,
})

/** A line as the subject of a finding. */
export const subjectOfRun = (site: Site, run: Run): Finding['subject'] => ({
  kind: 'run',
  id: run.id,
  name: runName(site, run),
})

/** A use as the subject of a finding. */
export const subjectOfUse = ({ id, name }: { id: string; name: string }): Finding['subject'] => ({
  kind: 'use',
  id,
  name,
})

/** What comes first: what hurts people, then what loses water for good, what fails this season, what costs. */
export const HARMS = ['people', 'loss', 'season', 'cost'] as const
export type Harm = (typeof HARMS)[number]

/** One thing to look for. */
export interface Check {
  id: string
  /** The step at which it is mended. */
  step: ReviewStep
  /** What it looks at: the parts of the reading that are worked out for it. */
  needs: readonly (keyof Reading)[]
  /** Whom or what it harms where nothing is done: people, water that is lost for good, this season, money. */
  harms: Harm
  /** Checks whose findings bring this one about where they are on the same water: it is told with theirs. */
  follows?: readonly string[]
  /** Checks that say why where this one says only that: what it finds is left out beside theirs, unless it is worse. */
  yieldsTo?: readonly string[]
  /** What mends it buys cleanliness or safety, and may cost water. */
  costsWater?: true
  /** What can be said when nothing is found. */
  sound: string
  find: (reading: Reading) => Finding[]
}

/** A check that sees of the reading what it says it needs, and nothing else. */
export function defineCheck<const Part extends keyof Reading, const Id extends string>(
  check: Omit<Check, 'id' | 'needs' | 'find'> & {
    id: Id
    needs: readonly Part[]
    find: (reading: Pick<Reading, Part>) => Finding[]
  },
): Check & { id: Id } {
  return check
}
