import './ownWords'

/**
 * What is wrong, in a sentence a layman understands, and where: a path into the document or the input, or the line of a
 * file. A path of nothing means the whole.
 */
export interface Problem {
  path: string
  line?: number
  sentence: string
}

/** Why something was not done. */
export interface Refusal {
  ok: false
  problems: Problem[]
}

/** What was asked for, or why it cannot be had. Everything in the core that can refuse, refuses in this shape. */
export type Answer<Value extends object> = ({ ok: true } & Value) | Refusal

export const refuse = (sentence: string, path = ''): Refusal => ({ ok: false, problems: [{ path, sentence }] })

/** All that is wrong, one sentence after another. */
export const whyNot = ({ problems }: Refusal): string => problems.map(problem => problem.sentence).join(' ')
