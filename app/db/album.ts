import { liveQuery } from 'dexie'
import type { FilePhoto } from '#core/exchange'
import type { Database, StoredPhoto } from './database'

/** Where photos are kept: beside the sites, since they are large and no document needs them to be read. */
export interface Album {
  /** Tells the photos of a site, oldest first, now and whenever one comes or goes; gives back what ends it. */
  watch(siteId: string, told: (photos: StoredPhoto[]) => void): () => void
  of(siteId: string): Promise<StoredPhoto[]>
  put(photo: StoredPhoto): Promise<void>
  drop(id: string): Promise<void>
}

/** Puts photos that came in a file into an album, as a site's own; those that are there already stay. */
export async function takeIn(album: Album, siteId: string, photos: readonly FilePhoto[]): Promise<void> {
  const there = new Set((await album.of(siteId)).map(({ id }) => id))
  for (const { id, subject, takenAt, type, data } of photos) {
    // An id is one photo in all of this browser: a copy of a site has its own.
    const own = id.startsWith(`${siteId}-`) ? id : `${siteId}-${id}`
    if (there.has(id) || there.has(own)) continue
    const bytes = Uint8Array.from(atob(data), letter => letter.charCodeAt(0))
    const picture = new Blob([bytes], { type })
    await album.put({ id: own, siteId, subject, takenAt, picture })
  }
}

/** A site's photos as a file carries them. */
export async function carried(album: Album, siteId: string): Promise<FilePhoto[]> {
  return Promise.all(
    (await album.of(siteId)).map(async ({ id, subject, takenAt, picture }): Promise<FilePhoto> => {
      const bytes = new Uint8Array(await picture.arrayBuffer())
      let letters = ''
      for (const byte of bytes) letters += String.fromCharCode(byte)
      return { id, subject, takenAt, type: (picture.type || 'image/jpeg') as FilePhoto['type'], data: btoa(letters) }
    }),
  )
}

const oldestFirst = (photos: StoredPhoto[]): StoredPhoto[] => photos.sort((a, b) => a.takenAt - b.takenAt)

export function diskAlbum({ photos }: Database): Album {
  const of = async (siteId: string) => oldestFirst(await photos.where({ siteId }).toArray())
  return {
    of,
    watch(siteId, told) {
      const watching = liveQuery(() => of(siteId)).subscribe(told)
      return () => watching.unsubscribe()
    },
    put: async photo => void (await photos.put(photo)),
    drop: id => photos.delete(id),
  }
}

/** The album of a page that may keep nothing: gone with it. */
export function pageAlbum(): Album {
  const kept = new Map<string, StoredPhoto>()
  const watchers = new Set<() => void>()
  const changed = () => watchers.forEach(tell => tell())
  const of = (siteId: string) => oldestFirst([...kept.values()].filter(photo => photo.siteId === siteId))
  return {
    of: siteId => Promise.resolve(of(siteId)),
    watch(siteId, told) {
      const tell = () => told(of(siteId))
      watchers.add(tell)
      tell()
      return () => watchers.delete(tell)
    },
    put(photo) {
      kept.set(photo.id, photo)
      changed()
      return Promise.resolve()
    },
    drop(id) {
      kept.delete(id)
      changed()
      return Promise.resolve()
    },
  }
}

/** An album of the page until the disk answers; what was put there goes on the disk with it. */
export function lateAlbum(disk: Promise<Album | undefined>): Album {
  const page = pageAlbum()
  let album: Album = page
  const kept: StoredPhoto[] = []
  const listening = new Set<{ begin: (of: Album) => () => void; end: () => void }>()
  void disk.then(async found => {
    if (!found) return
    for (const photo of kept) await found.put(photo)
    album = found
    for (const each of listening) {
      each.end()
      each.end = each.begin(found)
    }
  })
  return {
    of: siteId => album.of(siteId),
    watch(siteId, told) {
      const begin = (of: Album) => of.watch(siteId, told)
      const each = { begin, end: begin(album) }
      listening.add(each)
      return () => {
        each.end()
        listening.delete(each)
      }
    },
    async put(photo) {
      if (album === page) kept.push(photo)
      await album.put(photo)
    },
    async drop(id) {
      kept.splice(0, kept.length, ...kept.filter(photo => photo.id !== id))
      await album.drop(id)
    },
  }
}
