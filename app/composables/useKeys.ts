import { tinykeys } from 'tinykeys'

/** The workspace's keys. None acts while someone types in a field or a dialog is open. */
export function useKeys(acts: { sums: () => void, find: () => void, keys: () => void, step: (index: number) => void }) {
  const open = useSite()
  const { runId, partIndex } = useSelection()

  const free = (act: () => void) => (event: KeyboardEvent) => {
    const target = event.target as HTMLElement | null
    if (target?.closest('input, textarea, select, [contenteditable], [role="dialog"]')) return
    event.preventDefault()
    act()
  }
  /** Part by part; past the last part to the next run. */
  function walk(by: number): void {
    const runs = open.site?.runs ?? []
    const at = runs.findIndex(candidate => candidate.id === runId.value)
    const next = partIndex.value + by
    if (at >= 0 && next >= 0 && next < runs[at]!.parts.length) partIndex.value = next
    else if (runs.length) {
      const run = runs[(at + (at < 0 && by < 0 ? 0 : by) + runs.length) % runs.length]!
      runId.value = run.id
      partIndex.value = by > 0 ? 0 : Math.max(0, run.parts.length - 1)
    }
  }
  const always = (act: () => void) => (event: KeyboardEvent) => {
    event.preventDefault()
    ;(document.activeElement as HTMLElement | null)?.blur?.()
    act()
  }

  const unbind = tinykeys(window, {
    '$mod+KeyZ': always(() => open.undo()),
    '$mod+Shift+KeyZ': always(() => open.redo()),
    '$mod+KeyY': always(() => open.redo()),
    's': free(acts.sums), '/': free(acts.find), '?': free(acts.keys), 'Shift+?': free(acts.keys),
    '[': free(() => walk(-1)), ']': free(() => walk(1)),
    ...Object.fromEntries([1, 2, 3, 4, 5, 6, 7, 8, 9].map(number => [String(number), free(() => acts.step(number - 1))])),
  })
  onScopeDispose(unbind)
}
