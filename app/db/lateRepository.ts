import { nanoid } from 'nanoid'
import type { Holding, Repository, StoredHead } from './repository'

type Told = Parameters<Repository['watch']>[1]
/** Something that is told of what lies on the repository, wherever that is. */
interface Listening {
  begin(repository: Repository): () => void
  end: () => void
  /** Of one site: which, and who is told. */
  site?: { id: string; told: Told }
}

/**
 * A repository whose disk does not answer yet: all goes on in the page, and is put on the disk as soon as that comes. A site
 * that lies there already and was changed here meanwhile is nobody's to decide: whoever has it open is told that the two
 * are apart; else what was changed here is put beside it under a name of its own.
 */
export function lateRepository(page: Repository, disk: Promise<Repository | undefined>): Repository {
  let repository = page
  let holding: Holding = 'late'
  const toldOfHolding: ((holding: Holding) => void)[] = []
  const listening = new Set<Listening>()
  /** While things are carried over nothing is written, neither here nor there. */
  let carrying: Promise<void> | undefined

  void disk.then(async found => {
    if (found) await (carrying = carryOver(found))
    holding = found ? 'disk' : 'page'
    for (const told of toldOfHolding) told(holding)
  })

  async function carryOver(found: Repository): Promise<void> {
    const [out, apart] = [new Set(await found.takenOut()), new Map<string, StoredHead>()]
    const open = new Set([...listening].flatMap(({ site }) => (site ? [site.id] : [])))
    for (const { id, demo, revision } of await headsOf(page)) {
      const whole = (await page.whole(id))!
      const untouched = demo && revision === 1
      // A demo site that came here for want of the disk, and was only looked at, is not brought to it.
      if (untouched && out.has(id) && !open.has(id)) continue
      if ((await found.put(whole)) || untouched) continue
      if (open.has(id)) apart.set(id, (await found.whole(id))!.stored)
      else {
        const [other, name] = [
          `${id}-${nanoid(6)}`.slice(-60),
          `${whole.stored.name} (changed before the disk answered)`,
        ]
        const site = { ...whole.stored.site, id: other, name }
        const steps = whole.steps.map(step => ({ ...step, siteId: other }))
        await found.put({ stored: { ...whole.stored, id: other, name, site }, steps })
      }
    }
    repository = found
    for (const each of listening) {
      each.end()
      const there = each.site && apart.get(each.site.id)
      if (there) each.site!.told(there, true)
      each.end = each.begin(found)
    }
  }

  /** Listens to where sites are kept now, and goes on listening where they will be. */
  function listen(begin: Listening['begin'], site?: Listening['site']): () => void {
    const each: Listening = { begin, end: begin(repository), ...(site ? { site } : {}) }
    listening.add(each)
    return () => {
      each.end()
      listening.delete(each)
    }
  }
  const settled = async (): Promise<Repository> => {
    await carrying
    return repository
  }

  return {
    watchHolding(told) {
      toldOfHolding.push(told)
      told(holding)
    },
    watchAll: told => listen(of => of.watchAll(told)),
    watch: (id, told) => listen(of => of.watch(id, told), { id, told }),
    document: async id => (await settled()).document(id),
    whole: async id => (await settled()).whole(id),
    put: async whole => (await settled()).put(whole),
    write: async (...asked) => (await settled()).write(...asked),
    take: async id => (await settled()).take(id),
    takenOut: async () => (await settled()).takenOut(),
    filed: async ids => (await settled()).filed(ids),
  }
}

/** The heads of a repository, as it tells them first. */
const headsOf = (repository: Repository): Promise<StoredHead[]> =>
  new Promise(done => {
    const stop = repository.watchAll(heads => {
      done(heads)
      queueMicrotask(() => stop())
    })
  })
