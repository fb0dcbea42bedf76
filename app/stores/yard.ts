import { customAlphabet } from 'nanoid'
import { takeIn } from '~/db/album'
import { openAlbum, openRepository } from '~/db/openRepository'
import type { StoredHead } from '~/db/repository'
import { nextTask } from '~/engine/nextTask'
import { wrongWith } from '~/stores/wrongWith'
import { ask } from '~/engine/engine'
import { readDocuments } from '~/engine/files'
import type { Problem } from '#core/answers'
import type { Site } from '#core/site'
import type { FilePhoto } from '#core/exchange'
import type { Glance } from '#core/keep'

/** A document that is looked at, and what is wrong with it where it cannot be worked with. */
export interface Looked {
  site: Site | undefined
  problems: Problem[]
}
const told = (error: unknown) => (error instanceof Error ? error.message : String(error))

const freshSiteId = customAlphabet('abcdefghijkmnpqrstuvwxyz23456789', 8)

/** The list of sites in this browser. */
export const useYard = defineStore('yard', () => {
  const entries = shallowRef<StoredHead[]>()

  /** Keeps the list that of the repository until it is told to stop: a Yard that nobody sees is told nothing. */
  function watchSites(): () => void {
    let stop: (() => void) | undefined
    let over = false
    void openRepository().then(repository => {
      if (!over) stop = repository.watchAll(sites => (entries.value = sites))
    })
    return () => {
      over = true
      stop?.()
    }
  }

  /** Puts a site into the yard, under a new id where its own is taken. */
  async function add(
    site: Site,
    options: { demo?: boolean; now: number; photos?: readonly FilePhoto[] },
  ): Promise<string> {
    const id = await put(site, options)
    if (options.photos?.length) await takeIn(await openAlbum(), id, options.photos)
    return id
  }
  async function put(site: Site, options: { demo?: boolean; now: number }): Promise<string> {
    const repository = await openRepository()
    const as = (id: string) => ({
      stored: {
        id,
        name: site.name,
        site: { ...site, id },
        revision: 1,
        cursor: 0,
        changedAt: options.now,
        demo: options.demo ?? false,
      },
      steps: [],
    })
    if (await repository.put(as(site.id))) return site.id
    const id = `${site.id}-${freshSiteId()}`.slice(-60)
    await repository.put(as(id))
    return id
  }

  /**
   * Takes a site out, and gives back what it takes to put it in again; that answers whether it could, or stands there
   * again already and is left as it is.
   */
  async function remove(id: string): Promise<() => Promise<boolean>> {
    const repository = await openRepository()
    const whole = await repository.take(id)
    return async () => (whole ? repository.put(whole) : false)
  }

  /**
   * The demo sites come from the server once; afterwards they are the person's own to change, or to take out. One that
   * was taken out comes back where it is asked for by its id.
   */
  async function fetchDemos(now: number, asked?: string): Promise<void> {
    const [repository, demos] = await Promise.all([openRepository(), $fetch<unknown[]>('/api/demo')])
    const out = new Set(await repository.takenOut())
    if (asked !== undefined) out.delete(asked)
    for (const [index, demo] of (await readDocuments(demos)).entries())
      if (!out.has(demo.id) && !(await repository.whole(demo.id))) await add(demo, { demo: true, now: now - index })
  }

  /** All sites of the list whole, with their rain records. */
  async function wholeSites(): Promise<Site[]> {
    const repository = await openRepository()
    const found = await Promise.all((entries.value ?? []).map(({ id }) => repository.whole(id)))
    return found.flatMap(whole => (whole ? [whole.stored.site] : []))
  }

  /**
   * A document as for a look at it, and what is wrong with it; documents are read one at a time, each in a task of its
   * own: there may be many, and large ones.
   */
  let reading: Promise<unknown> = Promise.resolve()
  function documentOf(id: string): Promise<Looked> {
    const next = async (): Promise<Looked> => {
      await nextTask()
      try {
        const site = await (await openRepository()).document(id)
        return { site, problems: site ? await wrongWith(site) : [] }
      } catch (error) {
        return {
          site: undefined,
          problems: [{ path: '', sentence: `It cannot be read from the disk: ${told(error)}.` }],
        }
      }
    }
    const asked = reading.then(next, next)
    reading = asked
    return asked
  }

  /** What a site comes to today, where it has a log; one site at a time, so that the list stands at once. */
  let glancing: Promise<unknown> = Promise.resolve()
  function glanceAt(id: string, on: string): Promise<Glance | undefined> {
    const next = async (): Promise<Glance | undefined> => {
      const site = (await (await openRepository()).whole(id))?.stored.site
      return site?.log?.length ? ask('glance', site, { on }) : undefined
    }
    const asked = glancing.then(next, next)
    glancing = asked
    return asked
  }

  /** A site as it lies on the repository, whatever is wrong with it. */
  const wholeOf = async (id: string): Promise<Site | undefined> =>
    (await (await openRepository()).whole(id))?.stored.site

  /** Sites have left as a file. */
  const filed = async (ids: readonly string[]) => (await openRepository()).filed(ids)

  return { entries, watchSites, add, remove, fetchDemos, wholeSites, wholeOf, documentOf, glanceAt, filed, freshSiteId }
})
