import { group, mean } from 'd3-array'
import type { Odd } from './odd'
import type { Kept } from '../keep'
import { dayNumber, isoDate } from '../../climate'
import { say, volume } from '../../words'
import { graphOf, reached, runName, type Site } from '../../site'
import type { LogReading } from '../../kinds'

/** Starts of a pump are compared over so many days with those before; and count as more from this ratio on. */
const [STARTS_DAYS, MORE_STARTS, MORE_A_DAY, LEAST_READINGS] = [21, 1.5, 3, 4]

/** A pump whose starts creep up: how many a day now, and before. */
export interface Creep {
  run: string
  now: number
  was: number
}

/** Pumps that start more often than they did. */
export function creeping(log: readonly LogReading[], onDay: number): Creep[] {
  const starts = log.filter(({ kind, value, at }) => kind === 'starts' && value !== undefined && dayNumber(at) <= onDay)
  return [...group(starts, ({ subject }) => subject ?? '')].flatMap(([run, of]): Creep[] => {
    const late = of.filter(({ at }) => dayNumber(at) > onDay - STARTS_DAYS)
    const early = of.filter(({ at }) => dayNumber(at) <= onDay - 2 * STARTS_DAYS)
    if (late.length < LEAST_READINGS || early.length < LEAST_READINGS) return []
    const [now, was] = [mean(late, ({ value }) => value!)!, mean(early, ({ value }) => value!)!]
    return now < MORE_STARTS * was || now - was < MORE_A_DAY ? [] : [{ run, now, was }]
  })
}

/** Pumps that start more often than they did, with what a start gives: a pressure tank that loses its gas. */
export function startsCreeping(site: Site, log: readonly LogReading[], kept: Kept): Odd[] {
  return creeping(log, kept.onDay).map(({ run, now, was }): Odd => {
    const line = graphOf(site).run(run)
    const drawnL = line ? drawnLPerDay(site, kept, line.to.node) : 0
    const name = line ? ` of “${runName(site, line)}”` : ''
    const often = say`The pump${name} starts ${Math.round(now)} times a day, where it started ${Math.round(was)}`
    const gives =
      drawnL > 0 ? say`; a start now gives about ${volume(drawnL / now)} where it gave ${volume(drawnL / was)}` : []
    return {
      kind: 'starts',
      subject: run,
      what: [...often, ...gives, ': its pressure tank may be losing its gas'],
      probability: Math.min(0.95, 1 - was / now),
      litresPerDay: 0,
      since: isoDate(kept.onDay - STARTS_DAYS),
      times: { [`starts:${run}`]: now / was },
    }
  })
}

/** What goes through a node a day of late: what is asked at the taps behind it, as the log has learned the use. */
function drawnLPerDay(site: Site, { model, use }: Kept, nodeId: string): number {
  const behind = reached(site, nodeId, { along: 'down' })
  const at = new Map(site.uses.map(each => [each.id, each.at]))
  const from = Math.max(0, model.days - STARTS_DAYS)
  let sumL = 0
  model.compiled.demands.forEach(({ id }, index) => {
    if (!behind.has(at.get(id)!)) return
    for (let day = from; day < model.days; day++) sumL += model.askedL[day * model.uses + index]!
  })
  return (use.mean * sumL) / Math.max(1, model.days - from)
}
