import { Database } from './database'
import { diskAlbum, lateAlbum, pageAlbum, type Album } from './album'
import { diskRepository } from './diskRepository'
import type { Repository } from './repository'

/** A disk that has not answered by then is worked without until it does. */
const QUIET_MS = 2000

/** The disk where the browser lets the page have one, however long that takes; nothing where it does not. */
const opening: () => Promise<Database | undefined> = async () => {
  try {
    const database = new Database()
    await database.open()
    return database
  } catch {
    return undefined
  }
}
let opened: Promise<Database | undefined> | undefined
const disk = () => (opened ??= opening())
const LATE = Symbol('late')
/** The disk, nothing where there is none, or that it is late. */
const answered = () => Promise.race([disk(), new Promise<typeof LATE>(done => setTimeout(() => done(LATE), QUIET_MS))])

async function chooseRepository(): Promise<Repository> {
  const database = await answered()
  if (database && database !== LATE) return diskRepository(database)
  const { pageRepository } = await import('./pageRepository')
  if (!database) return pageRepository()
  const { lateRepository } = await import('./lateRepository')
  return lateRepository(
    pageRepository(),
    disk().then(found => found && diskRepository(found)),
  )
}
let repository: Promise<Repository> | undefined
/** Where this page keeps its sites; asked for once, and the same from then on. */
export const openRepository = (): Promise<Repository> => (repository ??= chooseRepository())

async function chooseAlbum(): Promise<Album> {
  const database = await answered()
  if (!database) return pageAlbum()
  if (database !== LATE) return diskAlbum(database)
  return lateAlbum(disk().then(found => found && diskAlbum(found)))
}
let album: Promise<Album> | undefined
/** Where this page keeps its photos. */
export const openAlbum = (): Promise<Album> => (album ??= chooseAlbum())
