/** A count with its noun: "1 day", "3 days"; another plural where an s does not do ("3 switches"). */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`
}

const list = new Intl.ListFormat('en', { type: 'conjunction' })
/** Names in a row: “A, B, and C”. */
export const listed = (names: readonly string[]): string => list.format(names)
