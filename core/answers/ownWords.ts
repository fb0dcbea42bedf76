import { z } from 'zod'

/** What a field must be, in this app's own words: the rest of a sentence that begins with the field's name. */
const MUST_BE: Record<string, string> = {
  array: 'must be a list',
  tuple: 'must be a list',
  object: 'must be an object',
  record: 'must be an object',
  string: 'must be text',
  number: 'must be a number',
  int: 'must be a whole number',
  boolean: 'must be true or false',
  null: 'must be null',
  nan: 'must be a number',
  date: 'must be a date',
}
const ENTRIES = new Set(['array', 'set', 'map'])

function bound(way: 'least' | 'most', origin: string, limit: number | bigint, inclusive: boolean | undefined): string {
  if (ENTRIES.has(origin)) return `must have at ${way} ${limit} entries`
  if (origin === 'string') return `must be at ${way} ${limit} characters`
  if (inclusive === false) return `must be ${way === 'least' ? 'more' : 'less'} than ${limit}`
  return `must be at ${way} ${limit}`
}

/** A refusal of a schema that says nothing itself, in our words; every schema of the core may leave it to this. */
export function ownWords(issue: z.core.$ZodRawIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined ? 'must be given' : (MUST_BE[issue.expected] ?? 'must be something else')
    case 'invalid_value':
      return issue.values.length === 1
        ? `must be ${JSON.stringify(issue.values[0])}`
        : `must be one of ${issue.values.map(String).join(', ')}`
    case 'too_small':
      return bound('least', issue.origin, issue.minimum, issue.inclusive)
    case 'too_big':
      return bound('most', issue.origin, issue.maximum, issue.inclusive)
    case 'invalid_format':
      return issue.format === 'date' ? 'must be a date, such as 1991-01-01' : 'is not written as it must be'
    case 'not_multiple_of':
      return issue.divisor === 1 ? 'must be a whole number' : `must be a multiple of ${issue.divisor}`
    case 'unrecognized_keys':
      return `holds what is not known here: ${issue.keys.join(', ')}`
    case 'invalid_union':
      return 'has none of the forms that it may have'
    case 'invalid_key':
    case 'invalid_element':
      return 'holds something that it must not'
    default:
      return 'is not as it must be'
  }
}

z.config({ customError: ownWords })
