/** What can be chosen, in the words of its table in the catalog. */
export const choicesOf = <Id extends string>(
  ids: readonly Id[],
  words: Readonly<Record<Id, string | { name: string }>>,
): { value: Id; name: string }[] =>
  ids.map(value => {
    const row = words[value]
    return { value, name: typeof row === 'string' ? row : row.name }
  })
