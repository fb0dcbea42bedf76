import { whyNot } from '#core/answers'
import { useDebounceFn } from '@vueuse/core'
import Dexie, { liveQuery, type Subscription } from 'dexie'
import { database } from '~/db/database'
import type { Move, Site, PlanOption } from '#core/site'
import {
  applyMove,
  applyMoves,
  moveOf,
  redo as redoStep,
  undo as undoStep,
  type Made,
  type MoveResult,
  replay,
} from '#core/moves'

const SAVE_AFTER_MS = 80
const STEPS_KEPT = 300

/** The open document: moves in, undo and redo, and every edit on disk within a second. */
export const useSite = defineStore('site', () => {
  const site = shallowRef<Site>()
  /** Grows with every change of the open document; results carry it, so that a stale one is known. */
  const revision = ref(0)
  const steps = shallowRef<Made[]>([])
  const cursor = ref(0)
  const saving = ref<'saved' | 'unsaved' | 'failed'>('saved')
  /** Set when another tab saved this site after we read it. */
  const changedElsewhere = ref(false)
  const missing = ref(false)
  /** Newest problem that a move met, for whoever has no field to show it at. */
  const problem = ref<string>()

  let id = ''
  let storedRevision = 0
  let dirtyFrom = 0
  let coalescing: string | undefined
  let subscription: Subscription | undefined

  async function open(siteId: string): Promise<void> {
    await flush()
    close()
    id = siteId
    await load()
    subscription = liveQuery(() => database.sites.where('id').equals(siteId).toArray()).subscribe(([stored]) => {
      if (!stored || stored.revision <= storedRevision) return
      // Another tab was here. With nothing of our own at stake its state is simply taken over.
      if (saving.value === 'saved') void load()
      else changedElsewhere.value = true
    })
  }

  async function load(): Promise<void> {
    const [stored, kept] = await Promise.all([
      database.sites.get(id),
      database.steps.where('[siteId+index]').between([id, Dexie.minKey], [id, Dexie.maxKey]).toArray(),
    ])
    missing.value = !stored
    if (!stored) return
    site.value = stored.site
    steps.value = kept.map(step => step.made)
    cursor.value = Math.min(stored.cursor, kept.length)
    storedRevision = stored.revision
    dirtyFrom = kept.length
    changedElsewhere.value = false
    saving.value = 'saved'
    coalescing = undefined
    revision.value++
  }

  function close(): void {
    subscription?.unsubscribe()
    subscription = undefined
    site.value = undefined
    steps.value = []
    cursor.value = 0
    saving.value = 'saved'
    changedElsewhere.value = false
    missing.value = false
    trialFrom.value = undefined
  }

  /**
   * Makes a move on the open site. Moves that share a `coalesce` word, one right after another (a drag), undo as one.
   * @returns the sentence that says why it could not be made, if it could not
   */
  function make(move: Move, coalesce?: string): string | undefined {
    return site.value ? take(applyMove(site.value, move), coalesce) : 'No site is open.'
  }

  /** Makes several moves as one step. */
  function makeAll(moves: Move[], label: string, coalesce?: string): string | undefined {
    return site.value ? take(applyMoves(site.value, moves, label), coalesce) : 'No site is open.'
  }

  function take(result: MoveResult, coalesce?: string): string | undefined {
    if (!result.ok) {
      problem.value = whyNot(result)
      return problem.value
    }
    if (!result.made.patches.length) return undefined
    const last = steps.value[cursor.value - 1]
    if (coalesce && coalesce === coalescing && last && cursor.value === steps.value.length) {
      const merged = {
        label: last.label,
        patches: [...last.patches, ...result.made.patches],
        inverse: [...result.made.inverse, ...last.inverse],
        moves: [...(last.moves ?? []), ...(result.made.moves ?? [])],
      }
      steps.value = [...steps.value.slice(0, -1), merged]
      dirtyFrom = Math.min(dirtyFrom, steps.value.length - 1)
    } else {
      dirtyFrom = Math.min(dirtyFrom, cursor.value)
      steps.value = [...steps.value.slice(0, cursor.value), result.made].slice(-STEPS_KEPT)
      if (steps.value.length === STEPS_KEPT) dirtyFrom = 0
      cursor.value = steps.value.length
    }
    coalescing = coalesce
    problem.value = undefined
    changed(result.site)
    return undefined
  }

  /** Ends a drag: the next move is a step of its own. */
  function settle(): void {
    coalescing = undefined
  }

  function undo(): void {
    if (!site.value || cursor.value === 0) return
    cursor.value--
    coalescing = undefined
    changed(undoStep(site.value, steps.value[cursor.value]!))
  }

  function redo(): void {
    if (!site.value || cursor.value === steps.value.length) return
    cursor.value++
    coalescing = undefined
    changed(redoStep(site.value, steps.value[cursor.value - 1]!))
  }

  function changed(next: Site): void {
    site.value = next
    revision.value++
    saving.value = 'unsaved'
    void saveSoon()
  }

  const saveSoon = useDebounceFn(flush, SAVE_AFTER_MS, { maxWait: 400 })

  async function flush(): Promise<void> {
    if (saving.value !== 'unsaved' || !site.value || changedElsewhere.value) return
    const [writing, atRevision, from] = [site.value, revision.value, dirtyFrom]
    const fresh = steps.value.slice(from).map((made, offset) => ({ siteId: id, index: from + offset, made }))
    const kept = steps.value.length
    const at = cursor.value
    try {
      await database.transaction('rw', database.sites, database.steps, async () => {
        const stored = await database.sites.get(id)
        if (stored && stored.revision !== storedRevision) {
          changedElsewhere.value = true
          return
        }
        await database.sites.put({
          id,
          name: writing.name,
          site: writing,
          revision: storedRevision + 1,
          cursor: at,
          changedAt: Date.now(),
          demo: stored?.demo ?? false,
        })
        await database.steps.bulkPut(fresh)
        await database.steps.where('[siteId+index]').between([id, kept], [id, Dexie.maxKey]).delete()
        storedRevision++
      })
      if (changedElsewhere.value) return
      dirtyFrom = Math.max(dirtyFrom, Math.min(kept, steps.value.length))
      if (revision.value === atRevision) saving.value = 'saved'
      else void saveSoon()
    } catch {
      saving.value = 'failed'
    }
  }

  /** Two tabs changed the site: take what the other one saved. */
  const takeTheirs = () => load()

  /** Two tabs changed the site: keep what this one has; the other tab's changes are overwritten there. */
  async function keepOurs(): Promise<void> {
    storedRevision = (await database.sites.get(id))?.revision ?? 0
    await database.steps.where('[siteId+index]').between([id, Dexie.minKey], [id, Dexie.maxKey]).delete()
    dirtyFrom = 0
    changedElsewhere.value = false
    saving.value = 'unsaved'
    await flush()
  }

  /** Where a trial began: what is changed from there on can be kept as an option, and the plan put back. */
  const trialFrom = ref<number>()
  const trialMoves = computed(() =>
    trialFrom.value === undefined
      ? []
      : steps.value.slice(trialFrom.value, cursor.value).flatMap(step => step.moves ?? []),
  )
  function tryOut(): void {
    trialFrom.value = cursor.value
    settle()
  }

  /**
   * Ends a trial: its changes become an option and the plan is as it was, or, without a name, they stay as the plan.
   */
  function endTrial(name?: string): void {
    const [from, moves] = [trialFrom.value, trialMoves.value]
    trialFrom.value = undefined
    if (name === undefined || from === undefined || !moves.length) return
    while (cursor.value > from) undo()
    addOption(name, moves)
  }

  function addOption(name: string, moves: Move[]): void {
    if (!site.value) return
    const { options } = site.value
    const number =
      options.reduce((most, option) => Math.max(most, Number(/^option-(\d+)$/.exec(option.id)?.[1] ?? 0)), 0) + 1
    make(moveOf('keepOption', { id: `option-${number}`, name, moves }))
  }

  /** An option becomes the plan; moves of it that no longer fit are left out, and the plan as it was is a step back. */
  function adopt({ id: optionId, name, moves }: PlanOption): void {
    if (!site.value) return
    const { site: adopted, made } = replay(site.value, moves, `Adopt “${name}”`)
    const dropped = applyMove(adopted, moveOf('dropOption', { id: optionId }))
    if (!dropped.ok) return
    take({
      ok: true,
      site: dropped.site,
      made: {
        ...made,
        patches: [...made.patches, ...dropped.made.patches],
        inverse: [...dropped.made.inverse, ...made.inverse],
      },
    })
  }

  const undoLabel = computed(() => steps.value[cursor.value - 1]?.label)
  const redoLabel = computed(() => steps.value[cursor.value]?.label)
  const system = computed(() => site.value?.standards.units ?? 'metric')

  return {
    site,
    revision,
    saving,
    changedElsewhere,
    missing,
    problem,
    undoLabel,
    redoLabel,
    system,
    trialFrom,
    trialMoves,
    tryOut,
    endTrial,
    addOption,
    adopt,
    makeAll,
    open,
    close,
    make,
    settle,
    undo,
    redo,
    flush,
    takeTheirs,
    keepOurs,
  }
})
