import Dexie, { type EntityTable, type Table } from 'dexie'
import type { Made, Site } from '#core/site'

/** A site as it lies in the browser. `revision` grows with every save; a save from an older one is a conflict, not a loss. */
export interface StoredSite { id: string, name: string, site: Site, revision: number, cursor: number, changedAt: number, demo: boolean }
/** One step of a site's history, by its place in it. */
export interface StoredStep { siteId: string, index: number, made: Made }

class Database extends Dexie {
  sites!: EntityTable<StoredSite, 'id'>
  steps!: Table<StoredStep, [string, number]>

  constructor() {
    super('tall-cask')
    this.version(1).stores({ sites: 'id, changedAt', steps: '[siteId+index], siteId' })
  }
}

export const database = new Database()
