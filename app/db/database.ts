import { readSite } from '#core/site'
import type { StoredSite, StoredStep } from './shelf'
import Dexie, { type EntityTable, type Table } from 'dexie'

export class Database extends Dexie {
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
