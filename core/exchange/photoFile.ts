import { z } from 'zod'
import { writeSite, type Site } from '../site'

/** A photo as a file carries it: what it is of, when it was taken, and the picture itself. */
const photoSchema = z.object({
  id: z.string().min(1).max(120),
  subject: z.string().max(200),
  takenAt: z.number(),
  type: z.enum(['image/jpeg', 'image/png', 'image/webp']),
  data: z.base64().max(8_000_000),
})
export type FilePhoto = z.infer<typeof photoSchema>

/** A site's own file with its photos beside it; a program that knows none of them reads the site all the same. */
export const writeWithPhotos = (site: Site, photos: readonly FilePhoto[]): string =>
  writeSite(photos.length ? ({ ...site, photos } as Site) : site)

/** Takes the photos out of a document that a file held; what is no photo is counted and left. */
export function splitPhotos(document: Site): { site: Site; photos: FilePhoto[]; lost: number } {
  const { photos: carried, ...site } = document as Site & { photos?: unknown }
  if (!Array.isArray(carried)) return { site: document, photos: [], lost: 0 }
  const photos = carried.flatMap(each => {
    const read = photoSchema.safeParse(each)
    return read.success ? [read.data] : []
  })
  return { site: site as Site, photos, lost: carried.length - photos.length }
}
