/**
 * What a step shows in the Section beside the plan itself: water that moves, a way that is lit, and things as they
 * stand in a plant that is played. Nothing, where no step shows any.
 */
export interface Shown {
  /** Flows of runs, L/s, forward from their beginning. */
  flows?: Readonly<Record<string, number>>
  /** A wrong way, by its runs. */
  lit?: readonly { runId: string; forward: boolean }[]
  /** Metres of water above tanks' floors. */
  levels?: Readonly<Record<string, number>>
  /** Valves as they stand, by their part; runs whose pump runs; runs whose float is up; taps and how far they are open. */
  valves?: Readonly<Record<string, boolean>>
  pumps?: Readonly<Record<string, boolean>>
  open?: Readonly<Record<string, number>>
  chambers?: Readonly<Record<string, number>>
  floatsShut?: readonly string[]
  /** What pinned readings show, in words. */
  pins?: Readonly<Record<string, string>>
  /** True where it lives: water is seen to move. */
  alive?: boolean
}

const shown = shallowRef<Shown>({})
/** What the step in hand shows in the Section; it is taken back when that is left. */
export const useShown = () => shown

/** Shows something for as long as a component stands there. */
export function showInSection(what: () => Shown): void {
  watchEffect(() => (shown.value = what()))
  onScopeDispose(() => (shown.value = {}))
}
