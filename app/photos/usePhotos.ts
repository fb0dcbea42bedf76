import { nanoid } from 'nanoid'
import { scaled } from './scaled'
import { openAlbum } from '~/db/openRepository'
import type { StoredPhoto } from '~/db/database'
import { useSite } from '~/stores/site'

/** The open site's photos: all of them, what they take up, and what may be done with them. */
export function usePhotos() {
  const store = useSite()
  const photos = shallowRef<StoredPhoto[]>([])
  const problem = ref<string>()
  const last = shallowRef<StoredPhoto>()

  watch(
    () => store.site?.id,
    (id, _before, onCleanup) => {
      photos.value = []
      if (!id) return
      let stop: (() => void) | undefined
      let over = false
      void openAlbum().then(album => {
        if (!over) stop = album.watch(id, found => (photos.value = found))
      })
      onCleanup(() => {
        over = true
        stop?.()
      })
    },
    { immediate: true },
  )

  const bytes = computed(() => photos.value.reduce((sum, { picture }) => sum + picture.size, 0))

  async function add(subject: string, files: File[]): Promise<void> {
    problem.value = undefined
    const siteId = store.site!.id
    const album = await openAlbum()
    for (const file of files) {
      const picture = await scaled(file)
      if (!picture) {
        problem.value = `“${file.name}” is no picture that this browser can read. Take it as JPEG or PNG.`
        continue
      }
      await album.put({ id: nanoid(), siteId, subject, takenAt: Date.now(), picture }).catch(() => {
        problem.value = 'This browser has no room left for the photo. Take others out, or save the site as a file.'
      })
    }
  }
  /** Takes a photo out; it can be put back until another is. */
  async function drop(photo: StoredPhoto): Promise<void> {
    last.value = photo
    await (await openAlbum()).drop(photo.id)
  }
  async function putBack(): Promise<void> {
    if (last.value) await (await openAlbum()).put(last.value)
    last.value = undefined
  }
  return { photos, bytes, problem, last, add, drop, putBack }
}
