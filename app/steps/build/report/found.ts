import type { Content } from 'pdfmake/interfaces'
import { small, subheading, table } from '~/print/paper'
import { findSum, solveSum } from '#core/sums'
import { phraseText, type Phrase } from '#core/words'
import type { Told } from './told'

/** What was found, why, what would mend it, and room to write down what was decided. */
export function findings({ review, site }: Told): Content[] {
  const found = review?.findings ?? []
  const { units } = site.standards
  const words = (of: string | Phrase) => phraseText(of, units)
  if (!found.length) return ['Nothing was found that is wrong, or wants a second look.']
  return [
    table(
      [48, '*', 120],
      found.map(({ severity, sentence, why, mend, answers = [] }) => [
        severity === 'wrong' ? { text: 'wrong', bold: true, color: '#a83a2a' } : 'look again',
        [{ text: words(sentence), bold: true }, small(words(why))],
        [
          ...[...(mend ? [mend] : []), ...answers].map(({ label }) => small(`[ ] ${words(label)}`)),
          small('[ ] left so, because'),
          { text: ' ', fontSize: 12 },
        ],
      ]),
      ['', 'what was found, and why', 'decided'],
    ),
  ]
}

/** The figures of every step. */
export const figures = ({ figures: steps }: Told): Content[] =>
  steps.flatMap(({ step, figures: of }): Content[] => [
    subheading(step),
    table(
      ['*', 'auto', '*'],
      of.map(({ name, value, note }) => [name, { text: value, bold: true, noWrap: true }, small(note)]),
    ),
  ])

const number = (value: number): string => {
  const rounded = Number(value.toPrecision(4))
  return Math.abs(rounded) >= 1e6 ? rounded.toExponential() : String(rounded)
}

/** The sums behind what was found, each worked out, with where it comes from. */
export const sums = ({ review }: Told): Content[] => {
  const told = (review?.findings ?? []).flatMap(({ sum }): Content[] => {
    const known = sum && findSum(sum.name)
    const solved = sum && solveSum(sum.name, sum.input)
    if (!solved?.ok) return []
    const rows = solved.working.map(({ symbol, expression, value, unit }): Content[] => [
      symbol,
      expression,
      `${number(value)} ${unit}`,
    ])
    return [subheading(known!.purpose), table(['auto', '*', 'auto'], rows), small(solved.source)]
  })
  return told.length ? told : [small('No figure of what was found hangs on a sum of its own.')]
}
