import type { Site } from '#core/site'

/** A site of more things than this takes longer to work out than a blink: that is done beside the page. */
const LARGE = 60
export const isLarge = (site: Site): boolean => site.nodes.length > LARGE
