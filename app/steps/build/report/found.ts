import type { Content } from 'pdfmake/interfaces'
import { small, subheading, table } from '~/print/paper'
import { phraseText, type Phrase } from '#core/words'
import type { ReportFacts } from './reportFacts'

/** What was found, why, what would mend it, and room to write down what was decided. */
export function findings({ review, site }: ReportFacts): Content[] {
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
export const figuresChapter = ({ figures: steps }: ReportFacts): Content[] =>
  steps.flatMap(({ step, figures: of }): Content[] => [
    subheading(step),
    table(
      ['*', 'auto', '*'],
      of.map(({ name, value, note }) => [name, { text: value, bold: true, noWrap: true }, small(note)]),
    ),
  ])
