import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { graphOf, type Run } from '#core/site'
import { tinykeys } from 'tinykeys'

/** The workspace's keys. None acts while someone types in a field or a dialog is open. */
export function useKeys(acts: { sums: () => void; find: () => void; keys: () => void; step: (index: number) => void }) {
  const store = useSite()
  const { runId, partId } = useSelection()

  const free = (act: () => void) => (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null
    if (target?.closest('input, textarea, select, [contenteditable], [role="dialog"]')) return
    event.preventDefault()
    act()
  }
  /** The run that a line goes on with over a joint; elsewhere the next one, or the one before. */
  function onward(run: Run, by: number): Run {
    const { runs } = store.site!
    const graph = graphOf(store.site!)
    const [end, lines] = by > 0 ? [run.to.node, graph.outOf(run.to.node)] : [run.from.node, graph.into(run.from.node)]
    const over = graph.node(end)?.kind === 'joint' ? lines[0] : undefined
    return over ?? runs[(runs.indexOf(run) + by + runs.length) % runs.length]!
  }
  /** Part by part; past the last part over a joint, or to the next run. */
  function walk(by: number): void {
    const runs = store.site?.runs ?? []
    const at = runs.findIndex(candidate => candidate.id === runId.value)
    const parts = runs[at]?.parts ?? []
    const next =
      Math.max(
        0,
        parts.findIndex(part => part.id === partId.value),
      ) + by
    if (at >= 0 && parts[next]) partId.value = parts[next].id
    else if (runs.length) {
      const run = at < 0 ? runs.at(by > 0 ? 0 : -1)! : onward(runs[at]!, by)
      runId.value = run.id
      partId.value = run.parts.at(by > 0 ? 0 : -1)?.id
    }
  }
  const always = (act: () => void) => (event: KeyboardEvent) => {
    event.preventDefault()
    ;(document.activeElement as HTMLElement | null)?.blur?.()
    act()
  }

  const unbind = tinykeys(window, {
    '$mod+KeyZ': always(() => store.undo()),
    '$mod+Shift+KeyZ': always(() => store.redo()),
    '$mod+KeyY': always(() => store.redo()),
    s: free(acts.sums),
    '/': free(acts.find),
    '?': free(acts.keys),
    'Shift+?': free(acts.keys),
    '[': free(() => walk(-1)),
    ']': free(() => walk(1)),
    ...Object.fromEntries(
      [1, 2, 3, 4, 5, 6, 7, 8, 9].map(number => [String(number), free(() => acts.step(number - 1))]),
    ),
  })
  onScopeDispose(unbind)
}
