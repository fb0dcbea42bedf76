/** Every place of a document, as a path. */
export function placesOf(value: unknown, path: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [path]
  const inner = Array.isArray(value) ? [...value.keys()].slice(0, 3) : Object.keys(value)
  return [path, ...inner.flatMap(key => placesOf((value as Record<string, unknown>)[key], [...path, key]))]
}
/** A document with something else at one place. */
export function withAt(value: unknown, [key, ...rest]: (string | number)[], wrong: unknown): unknown {
  if (key === undefined) return wrong
  const copy = Array.isArray(value) ? [...(value as unknown[])] : { ...(value as object) }
  const holder = copy as Record<string | number, unknown>
  holder[key] = withAt(holder[key], rest, wrong)
  return copy
}

/** What a document holds at a place. */
export const valueAt = (value: unknown, path: (string | number)[]): unknown =>
  path.reduce<unknown>((here, key) => (here as Record<string | number, unknown> | undefined)?.[key], value)
