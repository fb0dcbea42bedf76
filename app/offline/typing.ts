/** Fields in which something was typed that is nowhere else yet. */
const typing = new Set<HTMLInputElement | HTMLTextAreaElement>()

const isText = (target: EventTarget | null): target is HTMLInputElement | HTMLTextAreaElement =>
  target instanceof HTMLTextAreaElement ||
  (target instanceof HTMLInputElement && !['checkbox', 'radio', 'range', 'file'].includes(target.type))

/** Notes what is typed anywhere in the page, from now on. */
export function watchTyping(): void {
  document.addEventListener('input', ({ target }) => isText(target) && typing.add(target), true)
}

/**
 * What is typed and not taken: the field that is being typed in, text that a field refused, and text of a form that was
 * not sent. What a field took by itself as it was left is none.
 */
export function halfTyped(): string | undefined {
  for (const field of typing) {
    const isOpen = field === document.activeElement || field.ariaInvalid === 'true' || Boolean(field.form)
    if (!field.isConnected || !isOpen || !field.value.trim()) typing.delete(field)
  }
  const [first] = typing
  return first?.value.trim()
}

/** Leaves the field that is being typed in, so that it takes what it holds or says why not. */
export function leaveField(): void {
  const { activeElement } = document
  if (isText(activeElement)) activeElement.blur()
}
