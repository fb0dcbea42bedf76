import { readSite, type Site } from '#core/site'
import type { Made } from '#core/moves'
import Dexie, { type EntityTable, type Table } from 'dexie'

/**
 * A site as it lies in the browser. `revision` grows with every save; a save from an older one is a conflict, not a
 * loss.
 */
export interface StoredSite {
  id: string
  name: string
  site: Site
  revision: number
  cursor: number
  changedAt: number
  demo: boolean
}
/** One step of a site's history, by its place in it. */
export interface StoredStep {
  siteId: string
  index: number
  made: Made
}

class Database extends Dexie {
  sites!: EntityTable<StoredSite, 'id'>
  steps!: Table<StoredStep, [string, number]>

  constructor() {
    super('tall-cask')
    this.version(1).stores({ sites: 'id, changedAt', steps: '[siteId+index], siteId' })
    // Sites kept in an older version are brought up to date once; one that does not read stays as it lies.
    this.version(2)
      .stores({ sites: 'id, changedAt', steps: '[siteId+index], siteId' })
      .upgrade(transaction =>
        transaction
          .table<StoredSite>('sites')
          .toCollection()
          .modify(stored => {
            const read = readSite(stored.site)
            if (read.ok) stored.site = read.site
          }),
      )
  }
}

export const database = new Database()
