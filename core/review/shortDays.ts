import { NONE_COMES, WHY_SHORT } from './causes'
import { greatest, group, mean, sum } from 'd3-array'
import { bestFirst, defineCheck, passedBy, subjectOfUse, type Finding, type Mend } from './finding'
import { counted, listed, say, volume } from '../words'
import type { Use } from '../site'
import { moveOf, setField } from '../moves'
import type { Reading } from './reading'
import { MONTH_DAYS } from '../climate'
import { overYears, type Pool } from '../balance'

/** Short on more days of the middle year than this, where nobody said how many will do. */
const OFTEN_SHARE = 0.1
const MOSTLY_SHARE = 0.5
/** Of so few days one more or less is a hair. */
const FEW_DAYS = 10
const A_YEAR = 365

const MORE_WATER =
  'Serve it before the others, ask less of it, or store more; the size curve at Store shows what a larger tank buys.'

type Plan = Pick<Reading, 'site' | 'compiled' | 'outlook'>

const shortDaysOf = ({ outlook }: Pick<Reading, 'outlook'>, id: string) =>
  overYears(outlook, ({ uses }) => uses.find(use => use.id === id)?.shortDays ?? 0).middle

/** What roofs bring to the tanks and wells can bring, against what is asked, in the mean of all years; L. */
function meanSupply({ site, outlook }: Plan) {
  const roofsL = mean(outlook.years, year => year.caughtL - year.flushedL) ?? 0
  const wellsL = sum(site.nodes, node =>
    node.kind === 'well' ? node.yieldLPerDay * sum(node.rule.months, month => MONTH_DAYS[month - 1]!) : 0,
  )
  return { roofsL, wellsL, askedL: mean(outlook.years, year => year.askedL) ?? 0 }
}
const asksTooMuch = (plan: Plan) => {
  const { roofsL, wellsL, askedL } = meanSupply(plan)
  // A main gives what is asked, and a cart comes as often as it is called.
  const isBought = plan.compiled.mains.length > 0 || plan.compiled.topUps.some(({ kind }) => kind === 'cart')
  return plan.site.uses.length > 0 && !isBought && askedL > roofsL + wellsL
}

/** What roofs do not give can come from a main, into the largest of the tanks or straight to the use. */
function fromOutside({ compiled }: Pick<Plan, 'compiled'>, use: Use): Mend[] {
  const pool = greatest(compiled.pools, each => each.capL)
  return [
    ...(pool
      ? [{ label: 'Top it up from a main', move: moveOf('addSource', { kind: 'main', tank: pool.tanks[0]!.id }) }]
      : []),
    { label: `Lead a main to ${use.name}`, move: moveOf('addSource', { kind: 'main', use: use.id }) },
  ]
}

/** What brings a use more water: its turn before the others, one tank more, a main where one leads to the site. */
function moreWater(plan: Pick<Plan, 'site' | 'compiled'>, use: Use): Pick<Finding, 'mend' | 'otherwise'> {
  const sources = plan.compiled.demands.find(({ id }) => id === use.id)?.sources ?? []
  const pools = sources.flatMap(({ kind, index }) => (kind === 'pool' ? [plan.compiled.pools[index]!] : []))
  return bestFirst(
    use.priority > 1 ? { label: 'Serve it first', move: setField('use', use.id, 'priority', 1) } : undefined,
    ...pools.slice(0, 1).map(({ tanks }) => ({
      label: `Join one more like ${tanks.at(-1)!.name}`,
      move: moveOf('addTank', { kind: tanks.at(-1)!.tankKind, how: 'joined', to: tanks.at(-1)!.id }),
    })),
    ...fromMain(plan, pools[0]),
  )
}

/** A main that stands there and does not top a group up yet can do so. */
function fromMain({ compiled: { mains, pools, topUps } }: Pick<Plan, 'compiled'>, pool: Pool | undefined): Mend[] {
  const [main] = mains
  const comes = topUps.some(line => line.kind === 'main' && pools[line.pool] === pool)
  return main && pool && !comes
    ? [
        {
          label: `Top ${pool.name} up from ${main.name}`,
          move: moveOf('topUpFrom', { source: main.id, tank: pool.tanks[0]!.id }),
        },
      ]
    : []
}

export const asksMoreThanComes = defineCheck({
  id: 'asks-more-than-comes',
  step: 'need',
  harms: 'season',
  follows: NONE_COMES,
  needs: ['site', 'compiled', 'outlook'],
  sound: 'What is asked can come in a mean year',
  find: plan => {
    if (!asksTooMuch(plan)) return []
    const { roofsL, wellsL, askedL } = meanSupply(plan)
    const yearly = ({ litresPerDay }: { litresPerDay: number[] }) =>
      sum(litresPerDay, (litres, month) => litres * MONTH_DAYS[month]!)
    const largest = plan.outlook.asks.reduce((most, each) => (yearly(each) > yearly(most) ? each : most))
    const use = plan.site.uses.find(({ id }) => id === largest.id)!
    return [
      {
        id: 'asks-more-than-comes',
        check: 'asks-more-than-comes',
        severity: passedBy(askedL, roofsL + wellsL),
        subject: subjectOfUse(use),
        sentence: say`No tank is large enough for this: more is asked than comes.`,
        why: say`In a mean year ${volume(roofsL)} reach the tanks from the
          roofs${wellsL ? ', and ' : ''}${wellsL ? volume(wellsL) : ''}${wellsL ? ' can come from wells' : ''}; the
          uses ask ${volume(askedL)}. Catch more roof, or ask less; ${use.name} asks most.`,
        numbers: { roofsL, wellsL, askedL },
        answers: fromOutside(plan, use),
      },
    ]
  },
})

export const failsMoreThanAccepted = defineCheck({
  id: 'fails-more-than-accepted',
  step: 'need',
  harms: 'season',
  follows: [...WHY_SHORT, 'asks-more-than-comes', 'spills-more-than-keeps'],
  needs: ['site', 'compiled', 'outlook'],
  sound: 'No use goes short more often than you said you can live with',
  find: ({ site, compiled, outlook }) =>
    site.uses.flatMap((use): Finding[] => {
      if (use.acceptShortDays === undefined) return []
      const shortDays = shortDaysOf({ outlook }, use.id)
      if (shortDays <= use.acceptShortDays + 0.5) return []
      return [
        {
          id: `fails-more-than-accepted:${use.id}`,
          check: 'fails-more-than-accepted',
          severity: passedBy(shortDays, Math.max(FEW_DAYS, use.acceptShortDays)),
          subject: subjectOfUse(use),
          sentence: say`${use.name} goes short on ${counted(Math.round(shortDays), 'day')} of the middle year; you said
            ${use.acceptShortDays} would do.`,
          why: say`${MORE_WATER}`,
          numbers: { shortDays, acceptShortDays: use.acceptShortDays },
          ...moreWater({ site, compiled }, use),
        },
      ]
    }),
})

/** False where no water can come at all, which is told of by itself. */
const isServed = ({ compiled }: Plan, { sources }: Plan['compiled']['demands'][number]) =>
  sources.some(({ kind, index, keepL }) => kind !== 'pool' || keepL < compiled.pools[index]!.capL - 1)

export const shortTooOften = defineCheck({
  id: 'short-too-often',
  step: 'need',
  harms: 'season',
  follows: [...WHY_SHORT, 'use-without-supply'],
  needs: ['site', 'compiled', 'outlook'],
  sound: 'No use goes short on more than a tenth of the days',
  yieldsTo: ['asks-more-than-comes', 'spills-more-than-keeps'],
  find: plan =>
    [...group(shortOnes(plan), short => short.water).values()].map((short): Finding => {
      const [worst, ...others] = short.sort((a, b) => b.shortDays - a.shortDays) as [Short, ...Short[]]
      const days = (each: Short) => counted(Math.round(each.shortDays), 'day')
      const enough = ({ use, shortDays }: Short) =>
        setField('use', use.id, 'acceptShortDays', Math.min(366, Math.ceil(shortDays)))
      return {
        id: `short-too-often:${worst.use.id}`,
        check: 'short-too-often',
        severity: worst.shortDays > MOSTLY_SHARE * A_YEAR ? 'wrong' : 'look',
        subject: subjectOfUse(worst.use),
        sentence: others.length
          ? say`${worst.use.name} goes short on ${days(worst)} of the middle year, and
            ${listed(others.map(each => `${each.use.name} on ${days(each)}`))}: they draw on the same water.`
          : say`${worst.use.name} goes short on ${days(worst)} of the middle year.`,
        why: say`${MORE_WATER} Where so many will do, say so at the use.`,
        numbers: { shortDays: worst.shortDays },
        ...moreWater(plan, worst.use),
        answers: short
          .filter(each => each.shortDays <= MOSTLY_SHARE * A_YEAR)
          .map(each => ({
            label: others.length ? `${days(each)} will do for ${each.use.name}` : 'So many will do',
            move: enough(each),
          })),
      }
    }),
})

/** A use that is short too often, and the water that it draws on. */
interface Short {
  use: Use
  shortDays: number
  water: string
}
const shortOnes = (plan: Plan): Short[] =>
  plan.compiled.demands.flatMap((demand): Short[] => {
    const use = plan.site.uses.find(({ id }) => id === demand.id)!
    if (use.acceptShortDays !== undefined || !isServed(plan, demand)) return []
    const shortDays = shortDaysOf(plan, use.id)
    const water = demand.sources.map(({ kind, index }) => `${kind} ${index}`).sort()
    return shortDays > OFTEN_SHARE * A_YEAR ? [{ use, shortDays, water: water.join() }] : []
  })
