import { liveQuery } from 'dexie'
import { customAlphabet } from 'nanoid'
import { database, type StoredSite } from '~/db/database'
import { readSite, type Site } from '#core/site'

export type YardEntry = Pick<StoredSite, 'id' | 'name' | 'changedAt' | 'demo'> & { site: Site }

const freshSiteId = customAlphabet('abcdefghijkmnpqrstuvwxyz23456789', 8)

/** The list of sites in this browser. */
export const useYard = defineStore('yard', () => {
  const entries = shallowRef<YardEntry[]>()
  const failure = ref<string>()
  liveQuery(() => database.sites.orderBy('changedAt').reverse().toArray()).subscribe({
    next: sites => (entries.value = sites),
    error: () =>
      (failure.value =
        'This browser does not let the page keep anything (private window, or full). You can work, but save ' +
        'your site as a file before you leave.'),
  })

  /** Puts a site into the yard, under a new id where its own is taken. */
  async function add(site: Site, options: { demo?: boolean; now: number }): Promise<string> {
    const id = (await database.sites.get(site.id)) ? `${site.id}-${freshSiteId()}`.slice(-60) : site.id
    await database.sites.add({
      id,
      name: site.name,
      site: { ...site, id },
      revision: 1,
      cursor: 0,
      changedAt: options.now,
      demo: options.demo ?? false,
    })
    return id
  }

  /** Takes a site out, and gives back what it takes to put it in again. */
  async function remove(id: string): Promise<() => Promise<void>> {
    const [stored, steps] = await Promise.all([database.sites.get(id), database.steps.where({ siteId: id }).toArray()])
    await database.transaction('rw', database.sites, database.steps, async () => {
      await database.sites.delete(id)
      await database.steps.where({ siteId: id }).delete()
    })
    return async () => {
      if (!stored) return
      await database.sites.put(stored)
      await database.steps.bulkPut(steps)
    }
  }

  /** The demo sites come from the server once; afterwards they are the person's own to change. */
  async function fetchDemos(now: number): Promise<void> {
    const demos = await $fetch<unknown[]>('/api/demo')
    for (const [index, demo] of demos.entries()) {
      const read = readSite(demo)
      if (read.ok && !(await database.sites.get(read.site.id))) await add(read.site, { demo: true, now: now - index })
    }
  }

  return { entries, failure, add, remove, fetchDemos, freshSiteId }
})
