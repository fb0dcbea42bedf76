import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { rollups } from 'd3-array'
import { drawing, paperOf, small, table } from '~/print/paper'
import { monthName } from './yearCardWords'
import { firstPage } from '~/steps/build/report/first'
import { chores } from '~/steps/build/report/work'
import type { StepFigure } from '~/steps/step'
import { nameOf, runName, tanksOf, tankNominalL, type Site } from '#core/site'
import type { Today } from '#core/keep'
import { valveCard } from '#core/exchange'
import { commissionCard } from '#core/plant'

/** What the binder is made from, besides the document. */
interface Told {
  site: Site
  on: string
  plan: string
  section: string | undefined
  headlines: StepFigure[]
  cautions: string[]
  today: Today | undefined
  show: (value: number, kind: import('#core/units').Kind) => string
  litres: (litres: number) => string
}

const percent = (share: number): string => `${Math.round(100 * share)} %`
/** What stands here: tanks with what they hold, and lines by what they join. */
const standing = ({ site, litres }: Told): Content[] => [
  table(
    ['*', 'auto'],
    tanksOf(site).map(tank => [tank.name, litres(tankNominalL(tank))]),
    ['tank', 'holds'],
  ),
  table(
    ['*', '*', '*'],
    site.runs.map(run => [runName(site, run), nameOf(site, run.from.node), nameOf(site, run.to.node)]),
    ['line', 'from', 'to'],
  ),
]

/** What was found when it was first filled, beside what was to be expected. */
function found({ site, show }: Told): Content[] {
  const by = new Map(site.found?.map(each => [each.line, each]))
  const lines = commissionCard(site).filter(({ id }) => by.has(id))
  if (!lines.length) return [small('Nobody has written the card yet; Try has it.')]
  return [
    table(
      ['*', 'auto', 'auto'],
      lines.map(({ id, words, expect }) => {
        const { value, well } = by.get(id)!
        return [
          words,
          expect ? small(`expected ${show(expect.value, expect.kind)}`) : '',
          value !== undefined && expect ? show(value, expect.kind) : well ? 'as it should be' : '',
        ]
      }),
    ),
  ]
}

/** The story of the log: each month's rain and levels, and what all of it has taught. */
function story({ site, today, show, litres }: Told): Content[] {
  const log = site.log ?? []
  if (!log.length) return [small('Nothing was logged yet.')]
  const months = rollups(
    log,
    lines => ({
      rainMm: lines.reduce((sum, { kind, value = 0 }) => sum + (kind === 'rain' ? value : 0), 0),
      levels: lines.filter(({ kind }) => kind === 'level').length,
      done: lines.filter(({ kind }) => kind === 'chore').length,
    }),
    ({ at }) => at.slice(0, 7),
  ).sort(([a], [b]) => (a < b ? -1 : 1))
  const notes = log.flatMap(({ kind, at, note }) => (kind === 'note' && note ? [`${at.slice(0, 10)}: ${note}`] : []))
  return [
    ...(today?.levels
      ? [
          `The roof gives ${percent(today.coefficient.mean)} of what falls on it, where the plan has ` +
            `${percent(today.coefficient.planned)}; ${today.use.mean.toFixed(2)} of what was planned is used. ` +
            today.held.map(({ name, heldL }) => `${name} holds ${litres(heldL.mean)}`).join('; ') +
            ` on ${today.on}.`,
        ]
      : []),
    table(
      ['auto', 'auto', 'auto', 'auto'],
      months.map(([month, { rainMm, levels, done }]) => [
        monthName(`${month}-01`),
        show(rainMm, 'rain'),
        String(levels),
        String(done),
      ]),
      ['month', 'rain', 'levels read', 'chores done'],
    ),
    ...notes.sort().map(small),
  ]
}

/** The binder for whoever comes next. */
export const binderOf = (told: Told): TDocumentDefinitions =>
  paperOf(firstPage('Binder', told), [
    { name: 'What stands here', content: standing(told) },
    { name: 'The card for the wall', content: [drawing(valveCard(told.site), [515, 610])], ownPage: true },
    { name: 'When it was first filled', content: found(told) },
    { name: 'Chores', content: chores(told) },
    { name: 'What the log tells', content: story(told) },
  ])
