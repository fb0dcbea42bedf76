import { defineEventHandler } from 'h3'
import { listedQuestions } from '#core/questions'

let listed: ReturnType<typeof listedQuestions> | undefined

/** Every question there is, each with what it answers, what it reads of a document and what it takes as JSON Schema. */
export default defineEventHandler(() => (listed ??= listedQuestions()))
