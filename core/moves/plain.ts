import { refuse, type Answer } from '../answers'

/** A document is a dozen levels deep; what is far deeper goes in circles, or is none. */
const MOST_DEEP = 100

/**
 * What a move was given, copied as plain data: texts, finite numbers, yes and no, lists and records of these. Whatever
 * an interface wrapped around it is left behind, so that nothing of an interface ever gets into a document. What is none
 * of these is refused with its place.
 */
export function plainData<Value>(value: Value): Answer<{ value: Value }> {
  try {
    return { ok: true, value: copied(value, []) as Value }
  } catch (error) {
    if (error instanceof NotPlain) return refuse(error.message, error.path.join('.'))
    throw error
  }
}

class NotPlain extends Error {
  constructor(
    readonly path: readonly string[],
    what: string,
  ) {
    super(
      `${path.length ? `“${path.join('.')}”` : 'What the move was given'} is ${what}; a document holds plain data ` +
        'alone. Nothing was changed.',
    )
  }
}

function copied(value: unknown, path: readonly string[]): unknown {
  if (typeof value === 'number' && !Number.isFinite(value)) throw new NotPlain(path, 'no number that can be kept')
  if (value === null || ['string', 'number', 'boolean', 'undefined'].includes(typeof value)) return value
  if (typeof value !== 'object') throw new NotPlain(path, `a ${typeof value}`)
  if (path.length > MOST_DEEP) throw new NotPlain(path.slice(0, 4), 'a thing that holds itself')
  if (Array.isArray(value)) return value.map((item, at) => copied(item, [...path, String(at)]))
  const kind: unknown = Object.getPrototypeOf(value)
  if (kind !== Object.prototype && kind !== null) throw new NotPlain(path, `a ${value.constructor.name}`)
  return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, copied(item, [...path, key])]))
}
