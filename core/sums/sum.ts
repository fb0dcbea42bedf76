import { z } from 'zod'
import { type Answer, type Problem, refuse } from '../answers'

/** One line of substituted working: a symbol, the expression with the numbers in it, and what it comes to. */
export interface WorkingLine {
  symbol: string
  expression: string
  value: number
  unit: string
}
export interface Solved<Output> {
  result: Output
  working: WorkingLine[]
}
export type SumAnswer<Output> = Answer<{ source: string } & Solved<Output>>

/**
 * A worked sum: input and output schemas, what it is for, the formula in words a reader can check, and its source.
 * `solve` gives the result with its working; the plain function beside it serves the modules that need only the figure.
 */
export interface Sum<Input = unknown, Output = unknown> {
  name: string
  purpose: string
  formula: string
  source: string
  input: z.ZodType<Input>
  output: z.ZodType<Output>
  /** Usual figures to begin with, one set for each form that the input may have. What has a default is left out. */
  examples: [Partial<Input>, ...Partial<Input>[]]
  solve: (input: Input) => Solved<Output>
}

export function defineSum<Input, Output>(sum: Sum<Input, Output>): Sum<Input, Output> {
  return sum
}

/** Solves a sum on unchecked input. Impossible input comes back as problems that name the field. */
export function answer<Input, Output>(sum: Sum<Input, Output>, input: unknown): SumAnswer<Output> {
  const read = sum.input.safeParse(input)
  if (!read.success) return { ok: false, problems: read.error.issues.flatMap(inWords) }
  const solved = sum.solve(read.data)
  const unfit = Object.entries(solved.result as Record<string, number>).find(([, value]) => !Number.isFinite(value))
  if (unfit)
    return refuse(`${unfit[0]} comes out beyond any real size with these figures; check their units.`, unfit[0])
  return { ok: true, ...solved, source: sum.source }
}

function inWords(issue: z.core.$ZodIssue): Problem[] {
  const path = issue.path.join('.')
  if (issue.code === 'unrecognized_keys')
    return issue.keys.map(key => ({ path: key, sentence: `${key} is not a field of this sum.` }))
  if (issue.code === 'invalid_union' && issue.path.length === 0)
    return [{ path: 'shape', sentence: 'shape must be upright-cylinder, lying-cylinder or box.' }]
  return [{ path, sentence: `${path || 'The input'} ${issue.message}.` }]
}

const number = (message: string) => z.number({ error: message })

/** Field schemas shared by the sums; every message is the rest of a sentence that starts with the field's name. */
export const positive = (most = 1e9) =>
  number('must be a number').positive('must be more than 0').max(most, `must be at most ${most}`)
export const atLeastZero = (most = 1e9) =>
  number('must be a number').min(0, 'must be 0 or more').max(most, `must be at most ${most}`)
export const within = (least: number, most: number) =>
  number('must be a number').min(least, `must be at least ${least}`).max(most, `must be at most ${most}`)
export const shareInput = () => within(0, 1)
export const output = <Fields extends string>(...fields: Fields[]) =>
  z.strictObject(Object.fromEntries(fields.map(field => [field, z.number()])) as Record<Fields, z.ZodNumber>)

/** A number as it stands in a written working: enough digits to check it, no more. */
export function digits(value: number): string {
  const rounded =
    Math.abs(value) >= 1e6 || (value !== 0 && Math.abs(value) < 1e-3)
      ? value.toExponential(3)
      : Number(value.toPrecision(5))
  return String(rounded).replace('-', '−')
}
