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
  function walk(by: number): void {
    const run = open.site?.runs.find(candidate => candidate.id === runId.value)
    if (!run) {
      runId.value = open.site?.runs[0]?.id
      partIndex.value = 0
    }
    else partIndex.value = (partIndex.value + by + run.parts.length) % Math.max(1, run.parts.length)
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
