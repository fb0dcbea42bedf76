/** The text of an answer, read no further than it may be long; nothing where it is longer. */
export async function shortText(answer: Response, mostBytes: number): Promise<string | undefined> {
  const reader = answer.body?.getReader()
  if (!reader) return ''
  const decoder = new TextDecoder()
  let [text, bytes] = ['', 0]
  for (;;) {
    const { done, value } = await reader.read()
    if (done) return text + decoder.decode()
    bytes += value.length
    if (bytes > mostBytes) {
      await reader.cancel()
      return undefined
    }
    text += decoder.decode(value, { stream: true })
  }
}
