/** A list in blocks of so many; one that holds the same things as the one in its place before is that very one. */
export function inBlocks<Item>(items: readonly Item[], size: number, before: readonly Item[][] = []): Item[][] {
  return Array.from({ length: Math.ceil(items.length / size) }, (_, at) => {
    const block = items.slice(at * size, (at + 1) * size)
    const old = before[at]
    return old?.length === block.length && block.every((item, index) => item === old[index]) ? old : block
  })
}
