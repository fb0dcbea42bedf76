/** True while a page is being printed: what is folded on the screen stands open on paper. */
export const usePrinting = () => useState('printing', () => false)

/** Prints what stands in the Sheet, with every group of it open. */
export function usePrint() {
  const printing = usePrinting()
  return async (): Promise<void> => {
    printing.value = true
    // What is folded may be made when it is first opened.
    await nextTick()
    await nextTick()
    window.print()
    printing.value = false
  }
}
