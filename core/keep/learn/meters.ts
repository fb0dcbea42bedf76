import { group, sum } from 'd3-array'
import type { LogModel, Theta } from './model'
import { dayNumber } from '../../climate'
import { graphOf, reached, type Site } from '../../site'
import type { LogReading } from '../../kinds'

/** What a meter counted between two of its readings, beside what the plan asks behind it in those days. */
export interface Metered {
  run: string
  litres: number
  /** Asked as planned in the half year that asks most, and in the other, L. */
  highL: number
  lowL: number
  /** What the logarithm of their ratio is worth: one over its variance. */
  weight: number
}

/** Two readings are held against each other once they lie so many days apart. */
const LEAST_DAYS = 7
/** A meter is off by so much; a day's use by so much; and what it does not count differs from what it does by so much. */
const [METER_SHARE, DAY_SHARE, OTHER_SHARE] = [0.03, 0.3, 0.25]
/** A day or two of water in a pipe that nobody has asked for is no use. */
const LEAST_L = 20

/** What the meters of a log tell of the uses behind them, interval by interval. */
export function metered(site: Site, log: readonly LogReading[], model: LogModel): Metered[] {
  const first = model.rain.series.startDay
  const told = log.filter(({ kind, value, subject }) => kind === 'meter' && value !== undefined && subject)
  return [...group(told, ({ subject }) => subject!)].flatMap(([run, of]) => {
    const line = graphOf(site).run(run)
    if (!line) return []
    const behind = reached(site, line.to.node, { along: 'down' })
    const uses = model.compiled.demands.flatMap(({ id }, use) =>
      behind.has(site.uses.find(each => each.id === id)?.at ?? '') ? [use] : [],
    )
    const inOrder = of.sort((a, b) => (a.at < b.at ? -1 : 1)).filter(({ at }) => dayNumber(at) >= first - 1)
    const found: Metered[] = []
    let from = inOrder[0]
    for (const to of inOrder.slice(1)) {
      const [fromDay, toDay] = [dayNumber(from!.at), dayNumber(to.at)]
      if (toDay - fromDay < LEAST_DAYS) continue
      const litres = to.value! - from!.value!
      const asked = askedBetween(model, uses, fromDay + 1 - first, toDay + 1 - first)
      from = to
      if (litres < LEAST_L || asked.highL + asked.lowL < LEAST_L) continue
      const covered = (asked.highL + asked.lowL) / asked.allL
      const variance = METER_SHARE ** 2 + DAY_SHARE ** 2 / (toDay - fromDay) + (OTHER_SHARE * (1 - covered)) ** 2
      found.push({ run, litres, highL: asked.highL, lowL: asked.lowL, weight: 1 / variance })
    }
    return shared(found)
  })
}

/** One meter that is off is off every time: all it tells is worth no more than it itself. */
function shared(of: Metered[]): Metered[] {
  const most = 1 / METER_SHARE ** 2
  const all = sum(of, ({ weight }) => weight)
  return all > most ? of.map(each => ({ ...each, weight: (each.weight * most) / all })) : of
}

/** What some uses, and all of them, ask as planned from one day of a model to another. */
function askedBetween({ askedL, uses: count, month, high, days }: LogModel, uses: number[], from: number, to: number) {
  let [highL, lowL, allL] = [0, 0, 0]
  for (let day = Math.max(0, from); day < Math.min(days, to); day++) {
    for (const use of uses) {
      const litres = askedL[day * count + use]!
      if (high[month[day]!]) highL += litres
      else lowL += litres
    }
    for (let use = 0; use < count; use++) allL += askedL[day * count + use]!
  }
  return { highL, lowL, allL }
}

/** How far what a meter counted lies off what figures make of the plan, as a logarithm, and how that hangs on them. */
export function meterMiss({ litres, highL, lowL }: Metered, theta: Theta): { miss: number; slopes: number[] } {
  const [high, low] = [highL * Math.exp(theta[1]), lowL * Math.exp(theta[2])]
  return { miss: Math.log(litres / (high + low)), slopes: [0, high / (high + low), low / (high + low)] }
}
