import { DAY_S } from '#core/units'
import { z } from 'zod'
import type { Site } from '#core/site'
import { FAULTS, play, readStep, type FaultRow, type PlantStart, type ScriptStep } from '#core/plant'
import { Refused, refused } from '../lib/refused'
import { affordPlay } from './cost'
import { siteIn } from './documents'
import { straysOfState, unless } from './strays'

const [MOST_S, MOST_LOOKS, MOST_STEPS] = [62 * DAY_S, 20_000, 20_000]

const record = (least: number, most: number, what: string) =>
  z.record(z.string(), z.number(what).min(least, what).max(most, what), 'must hold figures by id').optional()
const start = z
  .union([
    z.number().min(0, 'must be seconds since midnight').max(DAY_S, 'must be seconds since midnight'),
    z.iso.datetime({ local: true, offset: true }),
    z.iso.date(),
  ])
  .optional()

const askedSchema = z.strictObject({
  seconds: z
    .number('must be a number of seconds')
    .positive('must be more than 0')
    .max(MOST_S, `must be at most ${MOST_S}, two months`),
  start,
  levels: record(0, 100, 'must be metres above the floor, from 0 to 100'),
  pressures: record(0, 5000, 'must be kPa, from 0 to 5000'),
  script: z
    .array(z.unknown(), 'must be a list of steps')
    .max(MOST_STEPS, `must hold at most ${MOST_STEPS} steps`)
    .optional(),
  everyS: z.number('must be a number of seconds').positive('must be more than 0').optional(),
})

/** A site played from a start by a script: `{ site, seconds, start?, levels?, pressures?, script, everyS }`. */
export function tryJob(json: unknown) {
  if (typeof json !== 'object' || json === null || !('site' in json))
    throw refused(422, 'site: the body must hold the site, and how long it is played.', 'site')
  const { site } = siteIn(json)
  const { site: _site, ...given } = json as Record<string, unknown>
  const asked = askedSchema.safeParse(given)
  if (!asked.success)
    throw new Refused(
      422,
      asked.error.issues.map(issue => {
        const strays = issue.code === 'unrecognized_keys'
        const path = [...issue.path, ...(strays ? issue.keys : [])].join('.')
        const why = strays
          ? 'is nothing that can be asked'
          : path === 'start'
            ? 'must be seconds since midnight, or a date with or without a time'
            : issue.message
        return { path, sentence: `${path} ${why}.` }
      }),
    )
  const { seconds, script = [], everyS = seconds / 100, levels, pressures } = asked.data
  if (seconds / everyS > MOST_LOOKS)
    throw refused(422, `everyS must be at least ${seconds / MOST_LOOKS}, ${MOST_LOOKS} looks in all.`, 'everyS')
  const steps = stepsOf(script)
  const strays = [...straysOfState(site, asked.data), ...placesOf(site, steps)]
  if (strays.length) throw new Refused(422, strays)
  const start = { levels, pressures, ...clockOf(asked.data.start) }
  affordPlay(site, seconds, first => play(site, { seconds: first, everyS: first, script: steps, start }))
  return play(site, { seconds, everyS, script: steps, start })
}

/** Seconds since midnight and the month of a start; without one, neither is known. */
function clockOf(at: number | string | undefined): Pick<PlantStart, 'clockS' | 'month'> {
  if (at === undefined) return {}
  if (typeof at === 'number') return { clockS: at }
  const [, month, , hours = '0', minutes = '0', seconds = '0'] =
    /^\d+-(\d+)-(\d+)(?:T(\d+):(\d+)(?::(\d+))?)?/.exec(at) ?? []
  return { month: Number(month), clockS: Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds) }
}

function stepsOf(script: unknown[]): ScriptStep[] {
  const read = script.map(readStep)
  const wrong = read.flatMap((each, at) => {
    if (each.ok) return []
    const path = ['script', at, each.path].filter(part => part !== '').join('.')
    return [{ path, sentence: `${path} ${each.why}.` }]
  })
  if (wrong.length) throw new Refused(422, wrong)
  return read.flatMap(each => (each.ok ? [each.step] : []))
}

/** What a script names and is not there. */
function placesOf(site: Site, steps: ScriptStep[]) {
  const nodes = new Map(site.nodes.map(node => [node.id, node.kind]))
  const valves = new Set(site.runs.flatMap(run => run.parts.flatMap(part => (part.kind === 'valve' ? [part.id] : []))))
  const pumps = new Set(site.runs.filter(run => run.parts.some(({ kind }) => kind === 'pump')).map(({ id }) => id))
  return steps.flatMap((step, at) => {
    const path = (field: string) => `script.${at}.${field}`
    const none = (field: string, what: string, id: string, there: boolean) =>
      unless(path(field), there, `${path(field)}: there is no ${what} “${id}” in this site.`)
    if ('tap' in step) return none('tap', 'tap', step.tap, nodes.get(step.tap) === 'tap')
    if ('draw' in step) return none('draw', 'tap', step.draw, nodes.get(step.draw) === 'tap')
    if ('main' in step) return none('main', 'main', step.main, nodes.get(step.main) === 'main')
    if ('valve' in step) return none('valve', 'valve', step.valve, valves.has(step.valve))
    if ('pump' in step) return none('pump', 'run with a pump', step.pump, pumps.has(step.pump))
    if (!('fault' in step)) return []
    const { name, places }: FaultRow = FAULTS[step.fault]
    return none('at', `place for ${name}`, step.at, places(site).includes(step.at))
  })
}
