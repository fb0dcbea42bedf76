import { writtenOver, type Repository, type StoredSite, type Whole } from './repository'

/** The repository of a page that may keep nothing: as whole as the other while the page is open, and gone with it. */
export function pageRepository(): Repository {
  const kept = new Map<string, Whole>()
  const out = new Set<string>()
  const watchers = new Set<() => void>()
  const changed = () => watchers.forEach(tell => tell())
  const watch = (tell: () => void) => {
    watchers.add(tell)
    tell()
    return () => watchers.delete(tell)
  }
  const newestFirst = () => [...kept.values()].map(({ stored }) => stored).sort((a, b) => b.changedAt - a.changedAt)

  return {
    watchHolding: told => told('page'),
    watchAll: told => watch(() => told(newestFirst())),
    document: id => Promise.resolve(kept.get(id)?.stored.site),
    watch: (id, told) => watch(() => told(kept.get(id)?.stored)),
    whole: id => Promise.resolve(kept.get(id)),
    put(whole) {
      if (kept.has(whole.stored.id)) return Promise.resolve(false)
      kept.set(whole.stored.id, whole)
      out.delete(whole.stored.id)
      changed()
      return Promise.resolve(true)
    },
    write(id, writing, over, by, now) {
      const whole = kept.get(id)
      if (!whole) return Promise.resolve('gone')
      if (whole.stored.revision !== over) return Promise.resolve('elsewhere')
      const { first, steps } = writing.history
      kept.set(id, {
        stored: { ...writtenOver(whole.stored, writing, by, now), site: writing.history.site },
        steps: steps.map((made, at) => ({ siteId: id, index: first + at, made })),
      })
      changed()
      return Promise.resolve('written')
    },
    take(id) {
      const whole = kept.get(id)
      kept.delete(id)
      if (whole?.stored.demo) out.add(id)
      changed()
      return Promise.resolve(whole)
    },
    takenOut: () => Promise.resolve([...out]),
    filed(ids) {
      for (const id of ids) {
        const whole = kept.get(id)
        if (whole) kept.set(id, { ...whole, stored: { ...whole.stored, unfiled: 0 } satisfies StoredSite })
      }
      changed()
      return Promise.resolve()
    },
  }
}
