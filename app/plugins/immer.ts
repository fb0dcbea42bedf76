import { setAutoFreeze } from 'immer'

/**
 * Documents are never changed in place: the core's tests hold that with every object frozen. Here nothing is frozen, since
 * to freeze a large document for the first time would hold its first keystroke.
 */
export default defineNuxtPlugin(() => setAutoFreeze(false))
