import { showQuantity, showVolume, type Kind, type System } from '../units'

/** A quantity inside a sentence, written in the units of whoever reads it. */
export interface Quantity {
  value: number
  kind: Kind
}
export type Phrase = (string | Quantity)[]

export const length = (value: number): Quantity => ({ value, kind: 'length' })
export const boreText = (value: number): Quantity => ({ value, kind: 'bore' })
/** A pipe, or a fitting that one ends at, by its size. */
export const pipeSize = (value: number): Quantity => ({ value, kind: 'pipe' })
export const volume = (value: number): Quantity => ({ value, kind: 'volume' })
export const flow = (value: number): Quantity => ({ value, kind: 'flow' })
export const pressure = (value: number): Quantity => ({ value, kind: 'pressure' })
export const speed = (value: number): Quantity => ({ value, kind: 'speed' })
export const rain = (value: number): Quantity => ({ value, kind: 'rain' })
export const intensity = (value: number): Quantity => ({ value, kind: 'intensity' })
export const hoursText = (value: number): Quantity => ({ value, kind: 'duration' })
export const percent = (value: number): Quantity => ({ value, kind: 'share' })

/** Tags a template: words and quantities, in the order they are read; a line's end reads as a space. */
export function say(words: TemplateStringsArray, ...values: (string | number | Quantity)[]): Phrase {
  return words
    .flatMap((word, index) => [
      word.replace(/\s*\n\s*/g, ' '),
      ...(index < values.length
        ? [typeof values[index] === 'number' ? String(values[index]) : (values[index] as string | Quantity)]
        : []),
    ])
    .filter(piece => piece !== '')
}

export function quantityText({ value, kind }: Quantity, system: System): string {
  return (kind === 'volume' ? showVolume(value, system) : showQuantity(value, kind, system)).text
}

export function phraseText(phrase: string | Phrase, system: System): string {
  return typeof phrase === 'string'
    ? phrase
    : phrase.map(piece => (typeof piece === 'string' ? piece : quantityText(piece, system))).join('')
}
