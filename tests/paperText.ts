import type { Content } from 'pdfmake/interfaces'

/** All that a document says, cell by cell; pictures say nothing here. */
export function textsOf(content: Content | undefined): string[] {
  if (content === undefined) return []
  if (typeof content === 'string') return [content]
  if (Array.isArray(content)) return content.flatMap(textsOf)
  const { text, table, stack, ul, columns } = content as unknown as Record<string, unknown>
  const rows = (table as { body: Content[][] } | undefined)?.body
  return [text, stack, ul, columns]
    .flatMap(each => textsOf(each as Content))
    .concat(rows?.flat().flatMap(textsOf) ?? [])
}
