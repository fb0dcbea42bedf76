import { z } from 'zod'
import { QUESTION_NAMES, QUESTION_ROWS, type QuestionName } from './rows'

/** A question for a program: its name, what it answers, what it reads, and what it takes as JSON Schema. */
export interface ListedQuestion {
  name: QuestionName
  says: string
  of: readonly string[]
  args: z.core.JSONSchema.BaseSchema
}

/** Every question there is, as a program asks for them. */
export const listedQuestions = (): ListedQuestion[] =>
  QUESTION_NAMES.map(name => {
    const { says, of, args } = QUESTION_ROWS[name]
    return { name, says, of, args: z.toJSONSchema(args as z.ZodType, { io: 'input', unrepresentable: 'any' }) }
  })

export const isQuestion = (name: string): name is QuestionName => Object.hasOwn(QUESTION_ROWS, name)
