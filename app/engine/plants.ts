import { homeOf } from './engine'
import type { Face } from './thread'
import type { Site } from '#core/site'

/**
 * A thread in which plants are played, or what may be the matter is weighed: what it does next hangs on what it did, so
 * it is no question of a document, and has a thread to itself.
 */
export const plantThread = (home: 'played' | 'weighed') => ({
  ask: <Answer>(question: (plants: Face['plants']) => Promise<Answer>): Promise<Answer> =>
    homeOf(home).use(undefined, [], face => question(face.plants)),
  /** A site as it goes to the thread: without its rain record and its log, which a plant does not read. */
  light: ({ climate: { daily: _daily, ...climate }, log: _log, ...site }: Site): Site =>
    ({ ...toRaw(site), climate }) as Site,
  stop: (): void => homeOf(home).stop(),
})
