import { turnsOf } from './turns'

/**
 * As many threads work at a time as leave the page a processor of its own: where they have to share it, a keystroke
 * waits for them.
 */
export const turns = turnsOf(Math.max(1, (navigator.hardwareConcurrency || 2) - 1))
