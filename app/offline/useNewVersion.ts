import { halfTyped, leaveField, watchTyping } from './typing'
import { missingPieces } from '~/engine/missingPiece'
import { useSite } from '~/stores/site'

/**
 * A newer version is here: it `waits` on this machine; another tab has `taken` it; the `server` has it; or it is `needed`,
 * since a piece of this page is gone from the server, and nothing more can be opened here. Where a piece did not come and
 * the server does not answer either, it is `away`.
 */
export type Newer = 'waits' | 'taken' | 'server' | 'needed' | 'away'

/** The page is in use first; what works without a network is fetched once it has stood for a while. */
const AFTER_MS = 8000
/** How often it is looked whether all is saved and nobody types, where the page must load anew. */
const LOOK_MS = 500
/** A page that was loaded anew for want of a piece is not loaded again within so long. */
const ONCE_MS = 30_000
const LOADED_AT = 'tall-cask-loaded-anew'

const newer = ref<Newer>()
/** Why the newer version was not taken when it was asked for. */
const waitsFor = ref<string>()
/** Has what waits on this machine become the one that answers. */
let letIn: (() => void) | undefined
let asked = false

export function useNewVersion() {
  const store = useSite()

  /** Takes the newer version, once what is typed is taken and all is saved; else says what it waits for. */
  async function take(): Promise<void> {
    leaveField()
    await nextTick()
    const typed = halfTyped()
    const waits = typed && `“${typed.slice(0, 40)}” is typed and not taken. Finish it, or press again to let it go.`
    // Only what was told of may be let go by a second press.
    if (waits && waitsFor.value !== waits) {
      waitsFor.value = waits
      return
    }
    await store.flush()
    if (store.wouldLose) {
      waitsFor.value = 'Not everything is saved; see to that first, or save a file.'
      return
    }
    asked = true
    if (newer.value === 'waits' && letIn) letIn()
    else location.reload()
  }
  function later(): void {
    newer.value = waitsFor.value = undefined
  }

  /** Nothing more can be opened here: the page loads anew as soon as nothing is lost by it. */
  function loadSoon(): void {
    const once = Number(sessionStorage.getItem(LOADED_AT) ?? 0)
    if (Date.now() - once < ONCE_MS) return
    const look = setInterval(() => {
      if (halfTyped() || store.wouldLose || store.saving !== 'saved') return
      clearInterval(look)
      sessionStorage.setItem(LOADED_AT, String(Date.now()))
      location.reload()
    }, LOOK_MS)
  }

  /** What this page is, and what the server has now; nothing where that does not answer. */
  const own = useRuntimeConfig().app.buildId
  const nuxt = useNuxtApp()
  async function isBehind(): Promise<boolean | undefined> {
    // Asked so that no copy that is kept here answers.
    const latest = await fetch(`/_nuxt/builds/latest.json?at=${Date.now()}`, { cache: 'no-store' })
      .then(answer => (answer.ok ? (answer.json() as Promise<{ id?: string }>) : undefined))
      .catch(() => undefined)
    return latest?.id === undefined ? undefined : latest.id !== own
  }

  /** Begins to look out for what is newer, and to keep the app itself on this machine where the browser allows it. */
  function lookOut(): void {
    watchTyping()
    const pieceGone = async () => {
      const behind = await isBehind()
      if (newer.value === 'needed' || behind === false) return
      newer.value = behind ? 'needed' : 'away'
      if (behind) loadSoon()
    }
    nuxt.hook('app:chunkError', () => void pieceGone())
    watch(missingPieces, () => void pieceGone())
    document.addEventListener('visibilitychange', async () => {
      if (!document.hidden && newer.value === undefined && !letIn && (await isBehind())) newer.value = 'server'
    })
    if ('serviceWorker' in navigator && !import.meta.dev) setTimeout(() => void keepApp(), AFTER_MS)
  }

  async function keepApp(): Promise<void> {
    const { Workbox } = await import('workbox-window')
    let answered = Boolean(navigator.serviceWorker.controller)
    navigator.serviceWorker.addEventListener('controllerchange', () => {
      if (asked) location.reload()
      else if (answered && newer.value !== 'needed') newer.value = 'taken'
      answered = true
    })
    const workbox = new Workbox('/sw.js')
    workbox.addEventListener('waiting', async () => {
      letIn = () => workbox.messageSkipWaiting()
      // A page that came from the server today may be the newer one already.
      if (await isBehind()) newer.value = 'waits'
    })
    await workbox.register().catch(() => undefined)
  }

  return { newer, waitsFor, take, later, lookOut }
}
