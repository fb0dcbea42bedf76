/**
 * Follows a pointer from where it went down on a thing, wherever it goes, until it is let go or lost; `onEnd` hears
 * which.
 */
export function followPointer(
  event: PointerEvent,
  target: Element & GlobalEventHandlers,
  onMove: (event: PointerEvent) => void,
  onEnd: (letGo: boolean) => void = () => {},
): void {
  target.setPointerCapture(event.pointerId)
  function end({ type }: Event): void {
    target.removeEventListener('pointermove', onMove)
    for (const name of ['pointerup', 'pointercancel'] as const) target.removeEventListener(name, end)
    onEnd(type === 'pointerup')
  }
  target.addEventListener('pointermove', onMove)
  for (const name of ['pointerup', 'pointercancel'] as const) target.addEventListener(name, end)
}
