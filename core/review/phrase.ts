import { MONTH_NAMES } from '../climate'
import { showQuantity, showVolume, type Kind, type System } from '../units'

/** A quantity inside a sentence, written in the units of whoever reads it. */
export interface Quantity { value: number, kind: Kind }
export type Phrase = (string | Quantity)[]

export const length = (value: number): Quantity => ({ value, kind: 'length' })
export const bore = (value: number): Quantity => ({ value, kind: 'bore' })
export const volume = (value: number): Quantity => ({ value, kind: 'volume' })
export const flow = (value: number): Quantity => ({ value, kind: 'flow' })
export const rain = (value: number): Quantity => ({ value, kind: 'rain' })
export const intensity = (value: number): Quantity => ({ value, kind: 'intensity' })
export const hours = (value: number): Quantity => ({ value, kind: 'duration' })
export const percent = (value: number): Quantity => ({ value, kind: 'share' })

/** Tags a template: words and quantities, in the order they are read. */
export function say(words: TemplateStringsArray, ...values: (string | number | Quantity)[]): Phrase {
  return words.flatMap((word, index) => [word, ...(index < values.length ? [typeof values[index] === 'number' ? String(values[index]) : values[index] as string | Quantity] : [])]).filter(piece => piece !== '')
}

export function quantityText({ value, kind }: Quantity, system: System): string {
  return (kind === 'volume' ? showVolume(value, system) : showQuantity(value, kind, system)).text
}

export function phraseText(phrase: string | Phrase, system: System): string {
  return typeof phrase === 'string' ? phrase : phrase.map(piece => typeof piece === 'string' ? piece : quantityText(piece, system)).join('')
}

/** Months by their names, runs of them joined: "November to March", "April and October". */
export function monthNames(months: number[]): string {
  const wanted = new Set(months)
  if (wanted.size === 12) return 'every month'
  const before = (month: number) => (month + 10) % 12 + 1
  const after = (month: number) => month % 12 + 1
  const runs = [...wanted].sort((a, b) => a - b).filter(month => !wanted.has(before(month))).map((from) => {
    let to = from
    while (wanted.has(after(to))) to = after(to)
    return from === to ? MONTH_NAMES[from - 1]! : `${MONTH_NAMES[from - 1]!} ${after(from) === to ? 'and' : 'to'} ${MONTH_NAMES[to - 1]!}`
  })
  return runs.length > 1 ? `${runs.slice(0, -1).join(', ')} and ${runs.at(-1)!}` : runs[0] ?? 'no month'
}
