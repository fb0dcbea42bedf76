/** True for a second after a figure has changed, so that the eye finds what moved. */
export function useChangeMark(value: () => unknown) {
  const marked = ref(false)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(value, (now, before) => {
    if (before === undefined || now === before) return
    marked.value = true
    clearTimeout(timer)
    timer = setTimeout(() => (marked.value = false), 1000)
  })
  onScopeDispose(() => clearTimeout(timer))
  return marked
}
