import type { z } from 'zod'
import { Refused } from '../lib/refused'

/** What a body asks beside its document, read by a schema; 422 with the path and the reason where it is something else. */
export function argsIn<Schema extends z.ZodType>(schema: Schema, json: unknown): z.infer<Schema> {
  const asked = schema.safeParse(json)
  if (asked.success) return asked.data
  throw new Refused(
    422,
    asked.error.issues.map(issue => {
      const strays = issue.code === 'unrecognized_keys'
      const path = [...issue.path, ...(strays ? issue.keys : [])].join('.')
      return { path, sentence: `${path || 'The body'} ${strays ? 'is nothing that can be asked' : issue.message}.` }
    }),
  )
}
