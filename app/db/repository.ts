import type { Site } from '#core/site'
import type { Made, Writing } from '#core/moves'

/**
 * What is told of a kept site. `revision` grows with every save; a save from an older one is a conflict, not a loss. `by` is
 * the page that wrote it last; `unfiled` counts the saves since it last left as a file.
 */
export interface StoredHead {
  id: string
  name: string
  revision: number
  cursor: number
  changedAt: number
  demo: boolean
  by?: string
  unfiled?: number
}
/** A kept site with its document. */
export interface StoredSite extends StoredHead {
  site: Site
}
/** One step of a site's history, by its place in it. */
export interface StoredStep {
  siteId: string
  index: number
  made: Made
}
/** A site with all its history. */
export interface Whole {
  stored: StoredSite
  steps: StoredStep[]
}

/** What became of a writing: another page was there first, or took the site out, and then nothing was written. */
export type Written = 'written' | 'elsewhere' | 'gone'

/** Whether sites outlast the page, do not, or will once the disk answers. */
export type Holding = 'disk' | 'page' | 'late'

/** Where sites are kept: on this machine's disk, or where the browser allows none, in the page for as long as it is open. */
export interface Repository {
  /** Tells where sites are kept, now and whenever that changes; for as long as the page is open. */
  watchHolding(told: (holding: Holding) => void): void
  /** Tells the heads of all sites, newest first, now and whenever one changes; gives back what ends it. */
  watchAll(told: (sites: StoredHead[]) => void): () => void
  /** A site's document without its rain record and its log, as for a look at it; undefined once it is gone. */
  document(id: string): Promise<Site | undefined>
  /**
   * Tells the head of a site now and whenever it changes; undefined once it is gone. `apart` where what lies there is
   * another history than the one that was put or written here.
   */
  watch(id: string, told: (stored: StoredHead | undefined, apart?: boolean) => void): () => void
  whole(id: string): Promise<Whole | undefined>
  /** Puts a site with its history on the repository; false where its id is taken, and nothing was put. */
  put(whole: Whole): Promise<boolean>
  /** Writes what a kept history lacks, all of it or none; `over` is the revision that it is written over. */
  write(id: string, writing: Writing, over: number, by: string, now: number): Promise<Written>
  take(id: string): Promise<Whole | undefined>
  /** Ids of the demo sites that were taken, and were not put there again. */
  takenOut(): Promise<string[]>
  /** Sites left as a file. */
  filed(ids: readonly string[]): Promise<void>
}

/** The head of a site that another revision of was written over. */
export const writtenOver = (before: StoredHead, { history }: Writing, by: string, changedAt: number): StoredHead => ({
  ...before,
  name: history.site.name,
  cursor: history.cursor,
  revision: before.revision + 1,
  unfiled: (before.unfiled ?? 0) + 1,
  by,
  changedAt,
})
