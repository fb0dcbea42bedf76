import type { Content } from 'pdfmake/interfaces'
import { small, subheading, table } from '~/print/paper'
import { phraseText, type Phrase } from '#core/words'
import { byRoot } from '#core/review/roots'
import type { ReportFacts } from './reportFacts'

/** What was found, why, what would mend it, and room to write down what was decided. */
export function findings({ review, site }: ReportFacts): Content[] {
  const found = review ? byRoot(review.findings).flatMap(({ root, followers }) => [root, ...followers]) : []
  const accepted = review?.accepted ?? []
  const { units } = site.standards
  const words = (of: string | Phrase) => phraseText(of, units)
  const wanted: Content[] = accepted.length
    ? [
        subheading('As its owner wants it'),
        {
          ul: accepted.map(({ sentence, accepted: as }) => [
            { text: words(sentence), decoration: 'lineThrough' as const },
            ...(as?.reason ? [small(as.reason)] : []),
          ]),
        },
      ]
    : []
  if (!found.length) return ['Nothing was found that is wrong, or wants a second look.', ...wanted]
  return [
    table(
      [48, '*', 120],
      found.map(({ severity, sentence, why, mend, answers = [], follows }) => [
        [
          severity === 'wrong' ? { text: 'wrong', bold: true, color: '#a83a2a' } : 'look again',
          ...(follows ? [small('follows from the above')] : []),
        ],
        [{ text: words(sentence), bold: true }, small(words(why))],
        [
          ...[...(mend ? [mend] : []), ...answers].map(({ label }) => small(`[ ] ${words(label)}`)),
          small('[ ] left so, because'),
          { text: ' ', fontSize: 12 },
        ],
      ]),
      ['', 'what was found, and why', 'decided'],
    ),
    ...wanted,
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
