import { Database } from './database'
import { diskAlbum, pageAlbum, type Album } from './album'
import { diskShelf } from './diskShelf'
import type { Shelf } from './shelf'

/** A disk that does not even answer is given up on; one that is busy may take seconds, and what it holds is worth them. */
const PATIENCE_MS = 20_000

/** The disk where the browser lets the page have one. */
async function openDisk(): Promise<Database | undefined> {
  try {
    const database = new Database()
    const late = new Promise<never>((_, fail) => setTimeout(() => fail(new Error('no answer')), PATIENCE_MS))
    await Promise.race([database.open(), late])
    return database
  } catch {
    return undefined
  }
}
let opened: Promise<Database | undefined> | undefined
const disk = () => (opened ??= openDisk())

async function chooseShelf(): Promise<Shelf> {
  const database = await disk()
  if (database) return diskShelf(database)
  const { pageShelf } = await import('./pageShelf')
  return pageShelf()
}
let shelf: Promise<Shelf> | undefined
/** Where this page keeps its sites; asked for once, and the same from then on. */
export const openShelf = (): Promise<Shelf> => (shelf ??= chooseShelf())

let album: Promise<Album> | undefined
/** Where this page keeps its photos. */
export const openAlbum = (): Promise<Album> =>
  (album ??= disk().then(database => (database ? diskAlbum(database) : pageAlbum())))
