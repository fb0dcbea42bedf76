/** A photo is kept so wide or tall at most: enough to read a thread by, small enough for hundreds. */
const MOST_PX = 1600
const QUALITY = 0.85

/**
 * A picture as it is kept: upright as it was taken, at most 1600 pixels either way.
 * @returns undefined where the file is no picture that this browser reads
 */
export async function scaled(file: Blob): Promise<Blob | undefined> {
  const bitmap = await createImageBitmap(file).catch(() => undefined)
  if (!bitmap) return undefined
  const share = Math.min(1, MOST_PX / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * share))
  canvas.height = Math.max(1, Math.round(bitmap.height * share))
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  return new Promise(resolve => canvas.toBlob(blob => resolve(blob ?? undefined), 'image/jpeg', QUALITY))
}
