import { answerTo, QUESTION_ROWS, type ArgsOf, type QuestionName } from '#core/questions'
import { argsIn } from './asked'
import { affordable } from './cost'
import { siteAndArgs } from './documents'

/** A question about a site, by its name: `{ name, asked: { site, args } }`. What has no answer is answered by null. */
export async function questionJob(json: unknown): Promise<unknown> {
  const { name, asked } = json as { name: QuestionName; asked: unknown }
  const { site, args } = siteAndArgs(asked, 'the question')
  const taken = argsIn(QUESTION_ROWS[name].args, args) as ArgsOf<QuestionName>
  return (await affordable(name, site, () => answerTo(name, site, taken))) ?? null
}
