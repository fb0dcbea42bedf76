import { afterAll, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, reactive } from 'vue'
import { bringTheApp } from '../../tests/brought'
import type { StoredPhoto } from '~/db/database'

bringTheApp()
afterAll(() => vi.unstubAllGlobals())
const store = reactive({ site: { id: 'yard' } as { id: string } | undefined })
vi.mock('~/stores/site', () => ({ useSite: () => store }))
/** What no picture is, is not scaled. */
vi.mock('./scaled', () => ({
  scaled: (file: File) => Promise.resolve(file.type.startsWith('image/') ? file : undefined),
}))

let kept: StoredPhoto[] = []
let watchers: { siteId: string; tell: (photos: StoredPhoto[]) => void }[] = []
let isFull = false
const tellAll = () => {
  for (const { siteId, tell } of watchers) tell(kept.filter(photo => photo.siteId === siteId))
}
const album = {
  watch(siteId: string, tell: (photos: StoredPhoto[]) => void) {
    const watcher = { siteId, tell }
    watchers.push(watcher)
    tellAll()
    return () => void (watchers = watchers.filter(each => each !== watcher))
  },
  put(photo: StoredPhoto) {
    if (isFull) return Promise.reject(new Error('QuotaExceededError'))
    kept = [...kept.filter(({ id }) => id !== photo.id), photo]
    tellAll()
    return Promise.resolve()
  },
  drop(id: string) {
    kept = kept.filter(photo => photo.id !== id)
    tellAll()
    return Promise.resolve()
  },
}
vi.mock('~/db/openRepository', () => ({ openAlbum: () => Promise.resolve(album) }))
const { usePhotos } = await import('./usePhotos')

const picture = (name: string, bytes: number) => new File([new Uint8Array(bytes)], name, { type: 'image/jpeg' })
const settled = () => new Promise(done => setTimeout(done, 1))
let scope = effectScope()
async function looked() {
  const photos = scope.run(() => usePhotos())!
  await settled()
  return photos
}

beforeEach(() => {
  scope.stop()
  scope = effectScope()
  kept = []
  watchers = []
  isFull = false
  store.site = { id: 'yard' }
})

describe('photos', () => {
  it('are kept with what they show, and what they take up is told', async () => {
    const { add, photos, bytes, problem } = await looked()
    await add('hole:tank-1', [picture('a.jpg', 300), picture('b.jpg', 200)])
    expect(photos.value.map(({ subject, siteId }) => [subject, siteId])).toEqual([
      ['hole:tank-1', 'yard'],
      ['hole:tank-1', 'yard'],
    ])
    expect(new Set(photos.value.map(({ id }) => id)).size).toBe(2)
    expect([bytes.value, problem.value]).toEqual([500, undefined])
    scope.stop()
    expect(watchers).toEqual([])
  })
  it('that are none are told by their name, and the others are kept', async () => {
    const { add, photos, problem } = await looked()
    await add('note', [new File(['x'], 'plan.txt', { type: 'text/plain' }), picture('b.jpg', 10)])
    expect(problem.value).toContain('“plan.txt” is no picture')
    expect(photos.value).toHaveLength(1)
  })
  it('for which there is no room say so, and lose nothing that is there', async () => {
    const { add, photos, problem } = await looked()
    await add('note', [picture('a.jpg', 10)])
    isFull = true
    await add('note', [picture('b.jpg', 10)])
    expect(problem.value).toContain('no room left')
    expect(photos.value).toHaveLength(1)
  })
  it('that are taken out can be put back as they were', async () => {
    const { add, photos, drop, putBack, last } = await looked()
    await add('note', [picture('a.jpg', 10)])
    const [photo] = photos.value
    await drop(photo!)
    expect(photos.value).toEqual([])
    expect(last.value).toBe(photo)
    await putBack()
    expect(photos.value).toEqual([photo])
    expect(last.value).toBeUndefined()
    await putBack()
    expect(photos.value).toHaveLength(1)
  })
  it('of another site are not shown with this one', async () => {
    const { add, photos } = await looked()
    await add('note', [picture('a.jpg', 10)])
    store.site = { id: 'other' }
    await nextTick()
    await settled()
    expect(photos.value).toEqual([])
    expect(watchers.map(({ siteId }) => siteId)).toEqual(['other'])
    store.site = undefined
    await nextTick()
    expect(watchers).toEqual([])
  })
})
