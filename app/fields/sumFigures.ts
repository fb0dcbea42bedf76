import { fieldRow, type FieldRow } from '#core/units'

/** A figure of a sum's input by its place: its field, or the list, the row of it and the field there. */
type Figure = [place: string, value: number]
type Row = Record<string, number>
const isList = (value: unknown): value is Row[] => Array.isArray(value)

/** The figures of an input, rows of lists one after another; what is no figure is left out. */
export function figuresOf(input: Record<string, unknown>): Figure[] {
  return Object.entries(input).flatMap(([field, value]): Figure[] => {
    if (typeof value === 'number') return [[field, value]]
    if (!isList(value)) return []
    return value.flatMap((row, at) =>
      Object.entries(row).map(([inner, figure]): Figure => [`${field}.${at}.${inner}`, figure]),
    )
  })
}

/** An input made of its figures again. */
export function inputOf(figures: Figure[]): Record<string, unknown> {
  const input: Record<string, unknown> = {}
  for (const [place, value] of figures) {
    const [field, at, inner] = place.split('.') as [string, string?, string?]
    if (at === undefined || inner === undefined) input[field] = value
    else {
      const rows = (input[field] ??= []) as Row[]
      rows[Number(at)] = { ...rows[Number(at)], [inner]: value }
    }
  }
  return input
}

/** What a figure is called and how it is told; rows are counted where there are several. */
export function rowOfFigure(place: string, several: boolean): FieldRow {
  const [field, at, inner] = place.split('.') as [string, string?, string?]
  const row = fieldRow(inner ?? field)
  return several && at !== undefined ? { ...row, words: `${row.words}, point ${Number(at) + 1}` } : row
}
