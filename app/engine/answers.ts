import { computed, ref, shallowReactive, toRaw } from 'vue'
import { ask, isLittle } from './engine'
import { sameThings } from './large'
import { QUESTION_ROWS, type AnswerOf, type ArgsOf, type QuestionName } from '#core/questions'
import { remembered, type Site } from '#core/site'

const asking = ref(0)
/** Whether something is being worked out in a thread: what is shown of it may be from before the last change. */
export const isWorking = computed(() => asking.value > 0)

/** What could be worked out neither there nor here, by what was asked. */
const failures = shallowReactive(new Map<string, { why: string; forget: () => void }>())
/** Why something could not be worked out; told where it would stand. */
export const answerFailure = computed<string | undefined>(() => failures.values().next().value?.why)
const attempts = ref(0)
/** Has everybody who reads ask again what could not be worked out. */
export function askAgain(): void {
  for (const { forget } of failures.values()) forget()
  failures.clear()
  attempts.value++
}

/** How the page answers a question itself. */
type Here<Name extends QuestionName> = (site: Site, args: ArgsOf<Name>) => AnswerOf<Name>

/** Asks a thread; where that gives out, the page does the work. */
const worked = <Name extends QuestionName>(
  name: Name,
  here: Here<Name>,
  site: Site,
  args: ArgsOf<Name>,
): Promise<AnswerOf<Name>> => ask(name, site, args).catch(() => here(site, args))

/** Something that is asked of a document once, by a press: here where it is little, else in a thread. */
export const askOnce = async <Name extends QuestionName>(
  name: Name,
  here: Here<Name>,
  open: Site,
  args: ArgsOf<Name>,
): Promise<AnswerOf<Name>> => {
  const site = toRaw(open)
  return isLittle(name, site) ? here(site, args) : worked(name, here, site, args)
}

/** Answers to so many questions are kept. */
const MOST_KEPT = 40

/**
 * Answers to a question, for whoever reads them: worked out here and at once where that is little, else in a thread.
 * Until that is answered, what was last answered about the same things stands; nothing before the first answer, or where
 * things were put in or taken out. Whoever reads it is told when there is another.
 * @param here how the page answers it itself: where it is little, and where the thread gives out
 */
export function answersOf<Name extends QuestionName>(
  name: Name,
  here: Here<Name>,
): (site: Site, args: ArgsOf<Name>) => AnswerOf<Name> | undefined {
  type Answer = AnswerOf<Name>
  const { of } = QUESTION_ROWS[name]
  /** What is known of each document, by what was asked beside it; and what was asked of it. */
  const knownOf = remembered<Site, Map<string, Answer>>(of, () => new Map())
  const askedOf = remembered<Site, Set<string>>(of, () => new Set())
  /** What was last told, of whichever document; and what is still to be asked, the newest of each. */
  const told = shallowReactive(new Map<string, { site: Site; answer: Answer }>())
  const waiting = new Map<string, { site: Site; args: ArgsOf<Name> }>()
  let busy = false

  async function askWaiting(): Promise<void> {
    busy = true
    asking.value++
    try {
      for (let next = waiting.entries().next(); !next.done; next = waiting.entries().next()) {
        const [key, { site, args }] = next.value
        waiting.delete(key)
        await askFor(site, key, args)
      }
    } finally {
      busy = false
      asking.value--
    }
  }
  async function askFor(site: Site, key: string, args: ArgsOf<Name>): Promise<void> {
    try {
      tell(site, key, await worked(name, here, site, args))
    } catch (error) {
      const why = error instanceof Error && error.message ? error.message : 'the thread stopped'
      failures.set(`${name} ${key}`, { why, forget: () => askedOf(site).delete(key) })
    }
  }
  function tell(site: Site, key: string, answer: Answer): void {
    knownOf(site).set(key, answer)
    failures.delete(`${name} ${key}`)
    told.delete(key)
    told.set(key, { site, answer })
    if (told.size > MOST_KEPT) told.delete(told.keys().next().value!)
  }
  function askSoon(site: Site, key: string, args: ArgsOf<Name>): void {
    if (askedOf(site).has(key)) return
    askedOf(site).add(key)
    // Of documents that wait only the newest is asked about; who still reads another asks again.
    const before = waiting.get(key)?.site
    if (before) askedOf(before).delete(key)
    waiting.set(key, { site, args })
    // Whoever reads this is being worked out itself: what it brings about comes after.
    if (!busy) void Promise.resolve().then(() => (busy ? undefined : askWaiting()))
  }

  return (open, args) => {
    const site = toRaw(open)
    const key = JSON.stringify(args)
    const last = told.get(key)
    const known = knownOf(site)
    if (known.has(key)) return known.get(key)
    if (isLittle(name, site)) {
      const answer = here(site, args)
      known.set(key, answer)
      return answer
    }
    void attempts.value
    askSoon(site, key, args)
    return last && sameThings(last.site, site, ['nodes', 'runs']) ? last.answer : undefined
  }
}
