import { QUESTION_ROWS, type ArgsOf, type QuestionName } from './rows'
import { RUNS, type AnswerOf } from './runs'
import type { QuestionRow, Answering, Tell } from './question'
import { remembered, type Site } from '../site'

/** So many answers of one document are kept a question: of the next one the oldest is let go. */
const MOST_KEPT = 40

/** What is known of each document, a question, by what was asked beside it. */
const KNOWN = Object.fromEntries(
  Object.entries<QuestionRow>(QUESTION_ROWS).map(([name, { of }]) => [
    name,
    remembered<Site, Map<string, unknown>>(of, () => new Map()),
  ]),
) as unknown as Record<QuestionName, (site: Site) => Map<string, unknown>>

/**
 * Answers a question about a document: from memory where nothing that it reads has changed since it was last asked.
 * @param args what the question takes beside the document, as its row says
 * @throws what the answering throws; nothing is remembered then
 */
export async function answerTo<Name extends QuestionName>(
  name: Name,
  site: Site,
  args: ArgsOf<Name>,
  tell: Tell = () => undefined,
): Promise<AnswerOf<Name>> {
  const known = KNOWN[name](site)
  const key = JSON.stringify(args)
  if (known.has(key)) return known.get(key) as AnswerOf<Name>
  const answer = await (RUNS[name] as Answering<ArgsOf<Name>>)(site, args, tell)
  const row: QuestionRow = QUESTION_ROWS[name]
  if (!row.handsOver) {
    known.set(key, answer)
    if (known.size > MOST_KEPT) known.delete(known.keys().next().value!)
  }
  return answer as AnswerOf<Name>
}
