import { sum } from 'd3-array'
import type { Content } from 'pdfmake/interfaces'
import { small, table } from '~/print/paper'
import { choreWords, monthName } from './yearCardWords'
import { cardCautions, yearCard, type CardMonth } from '#core/keep'
import type { Site } from '#core/site'

/** Months stand beside each other, as on the shed door; a month's name and the gap after it are as long as a chore. */
const [COLUMNS, NAME_ROWS] = [3, 2]
/** Months one after another in columns that are about as long as each other. */
function inColumns(months: readonly CardMonth[]): CardMonth[][] {
  const rows = ({ chores }: CardMonth) => Math.max(1, chores.length) + NAME_ROWS
  const perColumn = sum(months, rows) / COLUMNS
  const columns: CardMonth[][] = Array.from({ length: COLUMNS }, () => [])
  let above = 0
  for (const month of months) {
    // It stands where its middle falls.
    columns[Math.min(COLUMNS - 1, Math.floor((above + rows(month) / 2) / perColumn))]!.push(month)
    above += rows(month)
  }
  return columns
}

/** The year's card for the shed door, on paper: what comes every month with its boxes, then each month's own. */
export function yearCardPaper(site: Site, on: string): Content[] {
  const { monthly, months } = yearCard(site, site.log ?? [], on)
  const monthOf = ({ from, chores }: CardMonth): Content => ({
    stack: [
      { text: monthName(from), bold: true, margin: [0, 6, 0, 1] },
      {
        ...(table(
          [9, '*'],
          chores.length ? chores.map(chore => ['☐', choreWords(chore)]) : [['', small('Nothing else.')]],
        ) as object),
        fontSize: 8.5,
      } as Content,
    ],
    unbreakable: true,
  })
  return [
    ...monthly.map((chore): Content => ({
      stack: [
        { text: `Every month: ${choreWords(chore)}` },
        { text: months.map(({ from }) => `☐ ${monthName(from).slice(0, 3)}`).join('   '), margin: [0, 1, 0, 5] },
      ],
      fontSize: 9,
      unbreakable: true,
    })),
    { columns: inColumns(months).map(of => ({ stack: of.map(monthOf) })), columnGap: 12 },
    ...cardCautions(site).map(small),
  ]
}
