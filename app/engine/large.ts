import type { Site } from '#core/site'

/** A site of more things than this takes longer to work out than a blink: that is done beside the page. */
const LARGE = 60
export const isLarge = (site: Site): boolean => site.nodes.length > LARGE

type Lists = 'nodes' | 'runs' | 'roofs' | 'uses' | 'options'
/** True where nothing was put into some lists of a site or taken out of them: what is told of one goes for the other. */
export const sameThings = (one: Site, two: Site, lists: readonly Lists[]): boolean =>
  one.id === two.id && lists.every(list => one[list].length === two[list].length)
