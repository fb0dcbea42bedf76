import { z } from 'zod'
import { MOVES, type MoveName } from './registry'

/** A move for a program: its name, and what it takes as JSON Schema (draft 2020-12). */
export interface ListedMove {
  name: MoveName
  args: z.core.JSONSchema.BaseSchema
}

/** Every move there is, as a program that plans asks for them. */
export const listedMoves = (): ListedMove[] =>
  Object.entries(MOVES).map(([name, { args }]) => ({
    name: name as MoveName,
    args: z.toJSONSchema(args as z.ZodType, { io: 'input', unrepresentable: 'any' }),
  }))
