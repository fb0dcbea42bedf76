import Dexie, { liveQuery } from 'dexie'
import type { Database, StoredDocument, WrittenStep } from './database'
import { writtenOver, type Repository, type StoredStep } from './repository'
import type { Made, Writing } from '#core/moves'
import type { Site } from '#core/site'

/** A document without its rain record and its log, which lie in tables of their own. */
function light({ log: _log, ...site }: Site): Site {
  const { daily: _daily, ...climate } = site.climate
  return { ...site, climate }
}

const siteOf = (document: StoredDocument): Site =>
  'text' in document ? (JSON.parse(document.text) as Site) : document.site

const readStep = ({ siteId, index, ...step }: WrittenStep): StoredStep => ({
  siteId,
  index,
  made: 'text' in step ? (JSON.parse(step.text) as Made) : step.made,
})
const writtenStep = (siteId: string, index: number, made: Made): WrittenStep => ({
  siteId,
  index,
  text: JSON.stringify(made),
})

/** So many lines of a log are handed over at once: the browser copies them on the page's own thread. */
const LINES_AT_ONCE = 100

/** The repository on this machine's disk. What fails comes back as the browser's own error. */
export function diskRepository(database: Database): Repository {
  const { sites, documents, steps, records, readings, takenOut } = database
  const stepsOf = (id: string, from: number | typeof Dexie.minKey, to: number | typeof Dexie.maxKey) =>
    steps.where('[siteId+index]').between([id, from], [id, to])
  const all = (id: string) => stepsOf(id, Dexie.minKey, Dexie.maxKey)
  const tables = [sites, documents, steps, records, readings, takenOut]
  const inOne = <Result>(act: () => Promise<Result>) => database.transaction('rw', tables, act)

  async function whole(id: string) {
    const logged = linesOf(id, Dexie.minKey).toArray()
    const read = [sites.get(id), documents.get(id), all(id).toArray(), records.get(id), logged] as const
    const [head, document, found, record, lines] = await Promise.all(read)
    if (!head || !document) return undefined
    const full: Site = { ...siteOf(document) }
    if (record) full.climate = { ...full.climate, daily: record.daily }
    if (lines.length) full.log = lines.map(({ reading }) => reading)
    return { stored: { ...head, site: full }, steps: found.map(readStep) }
  }
  const keepDocument = (id: string, site: Site) => documents.put({ id, text: JSON.stringify(light(site)) })
  const keepRecord = (id: string, { climate: { daily } }: Site): Promise<unknown> =>
    daily ? records.put({ id, daily }) : records.delete(id)

  const linesOf = (id: string, from: number | typeof Dexie.minKey) =>
    readings.where('[siteId+place]').between([id, from], [id, Dexie.maxKey])
  async function keepLog(id: string, change: Writing['readings']): Promise<void> {
    if (!change) return
    for (let at = 0; at < change.put.length; at += LINES_AT_ONCE) {
      const some = change.put.slice(at, at + LINES_AT_ONCE)
      await readings.bulkPut(some.map(({ place, reading }) => ({ siteId: id, place, reading })))
    }
    await linesOf(id, change.to).delete()
  }

  return {
    watchHolding: told => told('disk'),
    watchAll(told) {
      const watch = liveQuery(() => sites.orderBy('changedAt').reverse().toArray()).subscribe(told)
      return () => watch.unsubscribe()
    },
    document: async id => {
      const found = await documents.get(id)
      return found && siteOf(found)
    },
    watch(id, told) {
      const watch = liveQuery(() => sites.get(id)).subscribe(told)
      return () => watch.unsubscribe()
    },
    whole: id => database.transaction('r', tables, () => whole(id)),
    put: ({ stored: { site, ...head }, steps: given }) =>
      inOne(async () => {
        if (await sites.get(head.id)) return false
        await all(head.id).delete()
        await takenOut.delete(head.id)
        await sites.add(head)
        await keepDocument(head.id, site)
        await keepRecord(head.id, site)
        const log = site.log ?? []
        await keepLog(head.id, { put: log.map((reading, place) => ({ place, reading })), to: log.length })
        await steps.bulkPut(given.map(({ index, made }) => writtenStep(head.id, index, made)))
        return true
      }),
    write: (id, writing, over, by, now) =>
      inOne(async () => {
        const head = await sites.get(id)
        if (!head) return 'gone'
        if (head.revision !== over) return 'elsewhere'
        await sites.put(writtenOver(head, writing, by, now))
        await keepDocument(id, writing.history.site)
        await keepLog(id, writing.readings)
        if (writing.recordToo) await keepRecord(id, writing.history.site)
        await steps.bulkPut(writing.steps.map(({ index, made }) => writtenStep(id, index, made)))
        await stepsOf(id, Dexie.minKey, writing.from).delete()
        await stepsOf(id, writing.to, Dexie.maxKey).delete()
        return 'written'
      }),
    take: id =>
      inOne(async () => {
        const taken = await whole(id)
        await sites.delete(id)
        await documents.delete(id)
        await records.delete(id)
        await linesOf(id, Dexie.minKey).delete()
        await all(id).delete()
        if (taken?.stored.demo) await takenOut.put({ id })
        return taken
      }),
    takenOut: async () => (await takenOut.toArray()).map(({ id }) => id),
    filed: async ids => {
      await sites
        .where('id')
        .anyOf([...ids])
        .modify({ unfiled: 0 })
    },
  }
}
