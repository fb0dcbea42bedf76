import { END_FAMILY_IDS, endFamily, type EndFamilyId, type EndSize, type Sex } from '../catalog'

/** What a person can say of an end with the part in hand. */
export interface Seen {
  /** The thread is on its outside, or inside it; of what slips or clips, which goes into the other. */
  sex?: Sex
  threaded?: boolean
  /** Two levers or ears, or a groove for them. */
  ears?: boolean
  tapered?: boolean
  /** A cap of it turns freely until it seats. */
  freely?: boolean
  turns?: number
  pitchMm?: number
  /** Across the crests of an outside thread, or across the opening of an inside one, mm. */
  acrossMm?: number
}
export type Question = keyof Seen

/** An end that it may be, and how far it is from what was said: nothing is as it is in the table. */
export interface Candidate {
  family: EndFamilyId
  size: string
  misfit: number
}
export interface Identified {
  candidates: Candidate[]
  /** The family and the size, where only one is left. */
  family?: EndFamilyId
  size?: string
  /** What to look at or measure next: what would rule out most. */
  next?: Question
}

/** A rule and an eye are off by so much, mm; a pitch over several turns by such a share; turns in sight by so many. */
const [RULE_MM, PITCH_SHARE, TURNS_OFF] = [1.2, 0.06, 1]
/** A plain inside thread opens by about so many pitches less than the outside one measures. */
const INSIDE_PITCHES = 1.08

const isThreaded = (size: EndSize): boolean => size.pitchMm !== undefined
/** What is measured across it: an inside thread across its crests, a socket across its mouth. */
export const acrossOf = ({ outerMm, pitchMm = 0 }: EndSize, sex: Sex): number =>
  sex === 'male' ? outerMm : outerMm - INSIDE_PITCHES * pitchMm

const off = (value: number, told: number, may: number): number => Math.abs(value - told) / may

/** How far an end is from each thing that was said; without end where it cannot be. */
const MISFITS: { [Asked in Question]: (family: EndFamilyId, size: EndSize, seen: Seen) => number } = {
  sex: () => 0,
  threaded: (_, size, { threaded }) => (isThreaded(size) === threaded ? 0 : Infinity),
  ears: (family, _, { ears }) => (Boolean(endFamily(family).ears) === ears ? 0 : Infinity),
  tapered: (family, size, { tapered }) =>
    isThreaded(size) && Boolean(endFamily(family).tapered) !== tapered ? Infinity : 0,
  freely: (family, size, { freely }) =>
    isThreaded(size) && Boolean(endFamily(family).freely) !== freely ? Infinity : 0,
  turns: (_, { turns }, { turns: seen = 0 }) => {
    if (!turns) return Infinity
    const [least, most] = turns
    return seen < least - TURNS_OFF || seen > most + TURNS_OFF ? Infinity : 0
  },
  pitchMm: (_, { pitchMm }, { pitchMm: seen = 0 }) =>
    pitchMm === undefined ? Infinity : within(off(seen, pitchMm, PITCH_SHARE * pitchMm)),
  acrossMm: (_, size, { acrossMm = 0, sex = 'male' }) =>
    within(off(acrossMm, acrossOf(size, sex), Math.max(RULE_MM, 0.02 * size.outerMm))),
}
const within = (misfit: number): number => (misfit > 1.5 ? Infinity : misfit)

const QUESTIONS: Question[] = ['threaded', 'ears', 'pitchMm', 'tapered', 'acrossMm', 'freely', 'turns']
/** A sleeve and a hole are no ends that one puzzles over. */
const ASKED: EndFamilyId[] = END_FAMILY_IDS.filter(id => id !== 'sleeve' && id !== 'bulkhead')

/** Which ends fit what was seen, the nearest first, and what would tell them apart. */
export function identify(seen: Seen): Identified {
  const said = (Object.keys(seen) as Question[]).filter(question => seen[question] !== undefined)
  const candidates = ASKED.flatMap(family =>
    endFamily(family).sizes.flatMap((size): Candidate[] => {
      const misfit = said.reduce((sum, question) => sum + MISFITS[question](family, size, seen), 0)
      return Number.isFinite(misfit) ? [{ family, size: size.size, misfit }] : []
    }),
  ).sort((a, b) => a.misfit - b.misfit)
  const families = [...new Set(candidates.map(({ family }) => family))]
  const sizes = [...new Set(candidates.map(({ size }) => size))]
  const next = nextQuestion(candidates, seen)
  return {
    candidates,
    ...(families.length === 1 ? { family: families[0]! } : {}),
    ...(families.length === 1 && sizes.length === 1 ? { size: sizes[0]! } : {}),
    ...(next ? { next } : {}),
  }
}

/** The question whose answers part what is left best: with the fewest left in the mean, whichever of them it is. */
function nextQuestion(candidates: readonly Candidate[], seen: Seen): Question | undefined {
  if (candidates.length < 2) return undefined
  const open = QUESTIONS.filter(question => seen[question] === undefined)
  const left = (question: Question): number =>
    candidates.reduce((sum, one) => {
      const asIf = { ...seen, [question]: wouldSay(question, one, seen.sex ?? 'male') }
      if (asIf[question] === undefined) return sum + candidates.length
      return sum + candidates.filter(two => Number.isFinite(misfitOf(question, two, asIf))).length
    }, 0)
  const best = open.map(question => ({ question, left: left(question) })).sort((a, b) => a.left - b.left)[0]
  return best && best.left < candidates.length ** 2 - 1e-9 ? best.question : undefined
}
const sizeOf = ({ family, size }: Candidate): EndSize => endFamily(family).sizes.find(each => each.size === size)!
const misfitOf = (question: Question, candidate: Candidate, seen: Seen): number =>
  MISFITS[question](candidate.family, sizeOf(candidate), seen)

/** What somebody with this end in hand would say. */
export function wouldSay(question: Question, candidate: Omit<Candidate, 'misfit'>, sex: Sex): Seen[Question] {
  const [row, size] = [endFamily(candidate.family), sizeOf({ ...candidate, misfit: 0 })]
  switch (question) {
    case 'sex':
      return sex
    case 'threaded':
      return isThreaded(size)
    case 'ears':
      return Boolean(row.ears)
    case 'tapered':
      return isThreaded(size) ? Boolean(row.tapered) : undefined
    case 'freely':
      return isThreaded(size) ? Boolean(row.freely) : undefined
    case 'turns':
      return size.turns && Math.round((size.turns[0] + size.turns[1]) / 2)
    case 'pitchMm':
      return size.pitchMm
    case 'acrossMm':
      return acrossOf(size, sex)
  }
}
