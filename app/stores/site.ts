import { whyNot } from '#core/answers'
import { useDebounceFn } from '@vueuse/core'
import { isAtStake } from './autosave'
import { useOpenSites } from './useOpenSites'
import { isLarge } from '~/engine/large'
import type { Move, PlanOption, Site } from '#core/site'
import {
  applyMove,
  applyMoves,
  madeAgain,
  moveOf,
  replay,
  takenBack,
  withinStep,
  withStep,
  type History,
  type MoveResult,
} from '#core/moves'

const SAVE_AFTER_MS = 80

/** What a log is made of: no figure of the plan asks for any of it. */
const LOGGED = new Set(['log', 'devices', 'restrictions'])
/** True where two documents differ in what is logged alone. */
function onlyLogged(before: Site, now: Site): boolean {
  const fields = new Set([...Object.keys(before), ...Object.keys(now)]) as Set<keyof Site>
  for (const field of fields) if (!LOGGED.has(field) && before[field] !== now[field]) return false
  return true
}

/** The open document: moves in, undo and redo, and every edit on disk within a second. */
export const useSite = defineStore('site', () => {
  const sites = useOpenSites(taken)
  const { here } = sites
  const history = computed(() => here.value?.history.value)
  const site = computed(() => history.value?.site)
  const cursor = computed(() => history.value?.cursor ?? 0)
  /** Grows with every change of the plan; results carry it, so that a stale one is known. What is logged changes none. */
  const revision = ref(0)
  /** Grows with every change of the log and of the chores. */
  const logRevision = ref(0)
  /** Newest problem that a move met, for whoever has no field to show it at. */
  const problem = ref<string>()
  let coalescing: string | undefined

  /** A history is shown that was not made here, or none. */
  function taken(): void {
    coalescing = undefined
    if (here.value) {
      revision.value++
      logRevision.value++
    } else trialFrom.value = undefined
  }

  /**
   * Makes a move on the open site. Moves that share a `coalesce` word, one right after another (a drag), undo as one.
   * @returns the sentence that says why it could not be made, if it could not
   */
  function make(move: Move, coalesce?: string): string | undefined {
    return site.value ? take(applyMove(site.value, move), coalesce) : 'No site is open.'
  }

  /**
   * Makes a move and drops it, while nobody is at work: the first that somebody makes in a large site is then as quick as
   * the next.
   */
  function rehearse(): void {
    const [node] = site.value?.nodes ?? []
    if (node && isLarge(site.value!))
      applyMove(site.value!, moveOf('setHeight', { node: node.id, baseM: node.baseM + 0.001 }))
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
    if (!history.value || !result.made.patches.length) return undefined
    const goesOn = coalesce !== undefined && coalesce === coalescing
    changed((goesOn ? withinStep : withStep)(history.value, result.site, result.made))
    coalescing = coalesce
    problem.value = undefined
    return undefined
  }

  /** Ends a drag: the next move is a step of its own. */
  function settle(): void {
    coalescing = undefined
  }

  function undo(): void {
    settle()
    if (history.value) changed(takenBack(history.value))
  }

  function redo(): void {
    settle()
    if (history.value) changed(madeAgain(history.value))
  }

  function changed(next: History): void {
    const before = history.value
    if (!here.value || !before || next === before) return
    here.value.change(next)
    if (onlyLogged(before.site, next.site)) logRevision.value++
    else revision.value++
    void saveSoon()
  }

  const flush = async () => here.value?.flush()
  const saveSoon = useDebounceFn(flush, SAVE_AFTER_MS, { maxWait: 400 })

  /** Where a trial began: what is changed from there on can be kept as an option, and the plan put back. */
  const trialFrom = ref<number>()
  const trialMoves = computed(() =>
    trialFrom.value === undefined
      ? []
      : (history.value?.steps.slice(trialFrom.value, cursor.value) ?? []).flatMap(step => step.moves ?? []),
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

  const undoLabel = computed(() => history.value?.steps[cursor.value - 1]?.label)
  const redoLabel = computed(() => history.value?.steps[cursor.value]?.label)
  const system = computed(() => site.value?.standards.units ?? 'metric')

  const saving = computed(() => here.value?.saving.value ?? 'saved')
  const trouble = computed(() => here.value?.trouble.value)
  const unfiled = computed(() => here.value?.unfiled.value ?? 0)
  /** False where nothing outlasts the page, or not yet. */
  const lasts = computed(() => sites.holding.value === 'disk')
  /** What would be lost if the page were closed now: what is not kept, and what a page that keeps nothing has no file of. */
  const wouldLose = computed(
    () =>
      [...(here.value ? [here.value] : []), ...sites.left.value].some(isAtStake) || (!lasts.value && unfiled.value > 0),
  )

  const { left, notOpened, holding, open, leave, letGo } = sites
  return {
    site,
    revision,
    logRevision,
    saving,
    trouble,
    here,
    left,
    notOpened,
    holding,
    lasts,
    wouldLose,
    unfiled,
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
    rehearse,
    open,
    leave,
    letGo,
    make,
    settle,
    undo,
    redo,
    flush,
  }
})
