import { Database } from './database'
import { diskShelf } from './diskShelf'
import type { Shelf } from './shelf'

/** A disk that does not even answer is given up on; one that is busy may take seconds, and what it holds is worth them. */
const PATIENCE_MS = 20_000

/** The disk's shelf where the browser lets the page have one, else the page's own. */
async function choose(): Promise<Shelf> {
  try {
    const database = new Database()
    const late = new Promise<never>((_, fail) => setTimeout(() => fail(new Error('no answer')), PATIENCE_MS))
    await Promise.race([database.open(), late])
    return diskShelf(database)
  } catch {
    const { pageShelf } = await import('./pageShelf')
    return pageShelf()
  }
}

let chosen: Promise<Shelf> | undefined
/** Where this page keeps its sites; asked for once, and the same from then on. */
export const openShelf = (): Promise<Shelf> => (chosen ??= choose())
