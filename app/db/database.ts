import type { StoredHead, StoredSite } from './repository'
import type { Made } from '#core/moves'
import type { Site } from '#core/site'
import type { LogReading } from '#core/kinds'
import Dexie, { type EntityTable, type Table } from 'dexie'

/**
 * The document of a site, apart from what is told of it: heads are read often, documents when a site is opened. It is
 * kept as its text, which a browser stores without taking it apart; one kept by an earlier version lies there whole.
 */
export type StoredDocument = { id: string } & ({ text: string } | { site: Site })
/** A step of a site's history, as its text for the same reason: one may write a thousand lines of a log. */
export type WrittenStep = { siteId: string; index: number } & ({ text: string } | { made: Made })
/** The rain record of a site, apart from the rest of it: it is long, and hardly ever changes. */
export interface StoredRecord {
  id: string
  daily: NonNullable<Site['climate']['daily']>
}

/** A line of a site's log, apart from the document: there are thousands, and one is written at a time. */
export interface StoredReading {
  siteId: string
  /** Where in the log it stands: the steps of the history know it by that. */
  place: number
  reading: LogReading
}
/** A photo of a part, a place or a day's reading of a site: scaled, and apart from the document. */
export interface StoredPhoto {
  id: string
  siteId: string
  /** What it is of: a tank's hole, a reading. */
  subject: string
  takenAt: number
  picture: Blob
}

export class Database extends Dexie {
  sites!: EntityTable<StoredHead, 'id'>
  documents!: Table<StoredDocument, string>
  steps!: Table<WrittenStep, [string, number]>
  records!: EntityTable<StoredRecord, 'id'>
  photos!: EntityTable<StoredPhoto, 'id'>
  readings!: Table<StoredReading, [string, number]>
  /** Demo sites that somebody took out: they do not come back by themselves. */
  takenOut!: EntityTable<{ id: string }, 'id'>

  constructor() {
    // Nothing here is asked for twice, so nothing needs to be copied for the next who asks.
    super('tall-cask', { cache: 'disabled' })
    this.version(1).stores({ sites: 'id, changedAt', steps: '[siteId+index], siteId' })
    // Sites kept in an older version are brought up to date once; one that does not read stays as it lies.
    this.version(2)
      .stores({ sites: 'id, changedAt', steps: '[siteId+index], siteId' })
      .upgrade(async transaction => {
        // What only a Yard of long ago needs is not part of the first view.
        const { readSite } = await Dexie.waitFor(import('./olderSites'))
        await transaction
          .table<StoredSite>('sites')
          .toCollection()
          .modify(stored => {
            const read = readSite(stored.site)
            if (read.ok) stored.site = read.site
          })
      })
    // A record of a hundred years is not written anew with every edit: it lies in a table of its own.
    this.version(3)
      .stores({ sites: 'id, changedAt', steps: '[siteId+index], siteId', records: 'id' })
      .upgrade(async transaction => {
        const sites = transaction.table<StoredSite>('sites')
        for (const stored of await sites.toArray()) {
          const { daily, ...climate } = stored.site.climate
          if (!daily) continue
          await transaction.table('records').put({ id: stored.id, daily })
          await sites.put({ ...stored, site: { ...stored.site, climate } })
        }
      })
    // Whether another page wrote a site is asked with every edit, and no document need be read for it.
    this.version(4)
      .stores({ sites: 'id, changedAt', documents: 'id', steps: '[siteId+index], siteId', records: 'id' })
      .upgrade(async transaction => {
        for (const { site, ...head } of await transaction.table<StoredSite>('sites').toArray()) {
          await transaction.table('documents').put({ id: head.id, site })
          await transaction.table('sites').put(head)
        }
      })
    this.version(5).stores({ photos: 'id, siteId', readings: '[siteId+place], siteId' })
    this.version(6).stores({ takenOut: 'id' })
  }
}
