import type { Site } from './schema'

/** A site as file text. Reading it back gives an equal document. Lists of numbers stand on one line. */
export function writeSite(site: Site): string {
  return (
    JSON.stringify(site, null, 1).replace(/\[\n[\s\d.,eE+-]+\]/g, list =>
      list.replace(/\s+/g, ' ').replace('[ ', '[').replace(' ]', ']'),
    ) + '\n'
  )
}
