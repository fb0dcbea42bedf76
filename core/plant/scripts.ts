import { DAY_S, HOUR_S } from '../units'
import { dayOfDraws } from './draws'
import type { PlantStart } from './world'
import type { ScriptStep } from './commands'
import { levelsBetween } from '../network'
import { coldMonths, designStorm, frostMonths, tanksOf, walk, type Site } from '../site'

/** What can be played again exactly: how it starts, for how long, and what is done when. */
export interface Script {
  name: string
  seconds: number
  start: PlantStart
  /** Whatever was drawn by chance came from this. */
  seed: number
  steps: ScriptStep[]
}

const SEED = 1
/** Without a storm that somebody told, one that is hard anywhere. */
const STORM = { intensityMmPerH: 60, minutes: 15 }
const SUPPER_H = 19

const clockS = 0
/** Tanks as they usually stand when somebody begins. */
const USUAL_SHARE = 0.7
const empty = (site: Site) => Object.fromEntries(tanksOf(site).map(({ id }) => [id, 0]))
const days = (site: Site, month: number, count: number, firstDay = 0): ScriptStep[] =>
  Array.from({ length: count }, (_, day) =>
    dayOfDraws(site, { month, seed: SEED + firstDay + day, fromS: (firstDay + day) * DAY_S }),
  ).flat()

/** The month in which a site asks for most over what falls: the warm half's driest. */
export const dryMonth = (site: Site): number => {
  const { months } = site.climate
  const warm = months.map(({ tMaxC, rainMm }, at) => ({ month: at + 1, score: rainMm - 2 * tMaxC }))
  return warm.toSorted((a, b) => a.score - b.score)[0]!.month
}
const mains = (site: Site) => site.nodes.flatMap(({ kind, id }) => (kind === 'main' ? [id] : []))
const fromStart = (steps: ScriptStep[], startS: number): ScriptStep[] =>
  steps.filter(({ atS }) => atS >= startS).map(step => ({ ...step, atS: step.atS - startS }))

export interface ScriptRow {
  name: string
  /** What it shows. */
  shows: string
  /** Why it cannot be played on a site; undefined where it can. */
  wants?: (site: Site) => string | undefined
  script: (site: Site) => Omit<Script, 'name' | 'seed'>
}

/** Plays that anyone may want to see on their own site. */
export const SCRIPTS = {
  'usual-day': {
    name: 'A usual day',
    shows: 'single draws as people make them, pumps that start for them, and what is left in the evening',
    script: site => ({
      seconds: DAY_S,
      start: { clockS, levels: levelsBetween(site, USUAL_SHARE) },
      steps: days(site, dryMonth(site), 1),
    }),
  },
  'first-filling': {
    name: 'First filling',
    shows: 'what fills first, what the water meets on its way, and where it goes once all is full',
    script: site => ({
      seconds: 12 * HOUR_S,
      start: { levels: empty(site) },
      steps: [
        { atS: 600, rainMmPerH: 20 },
        { atS: 8 * HOUR_S, rainMmPerH: 0 },
      ],
    }),
  },
  'storm-on-full': {
    name: 'A storm on full tanks',
    shows: 'whether overflows carry it, and where it runs',
    script: site => {
      const { intensityMmPerH, minutes } = designStorm(site) ?? STORM
      return {
        seconds: 2 * HOUR_S,
        start: {},
        steps: [
          { atS: 60, rainMmPerH: intensityMmPerH / 3 },
          { atS: 600, rainMmPerH: intensityMmPerH },
          { atS: 600 + minutes * 60, rainMmPerH: intensityMmPerH / 4 },
          { atS: 600 + minutes * 60 + 1200, rainMmPerH: 0 },
        ],
      }
    },
  },
  'power-cut': {
    name: 'Power cut at supper',
    shows: 'which taps still give, for how long, and what runs back',
    wants: site =>
      site.runs.some(run => run.parts.some(({ kind }) => kind === 'pump')) ? undefined : 'There is no pump here.',
    script: site => {
      const startS = 17 * HOUR_S
      const steps: ScriptStep[] = [
        ...fromStart(days(site, dryMonth(site), 1), startS),
        { atS: SUPPER_H * HOUR_S - startS, power: false, to: false },
        { atS: (SUPPER_H + 3) * HOUR_S - startS, power: true, to: true },
      ]
      return { seconds: 6 * HOUR_S, start: { clockS: startS, levels: levelsBetween(site, USUAL_SHARE) }, steps }
    },
  },
  'three-days-without-main': {
    name: 'Three days without the main',
    shows: 'how far the tanks carry, and whether they run back into the street',
    wants: site => (mains(site).length ? undefined : 'There is no main here.'),
    script: site => ({
      seconds: 4 * DAY_S,
      start: { clockS },
      steps: [
        ...days(site, dryMonth(site), 4),
        ...mains(site).flatMap((main): ScriptStep[] => [
          { atS: 6 * HOUR_S, main, to: false },
          { atS: 3 * DAY_S + 6 * HOUR_S, main, to: true },
        ]),
      ],
    }),
  },
  'dry-month': {
    name: 'A dry month',
    shows: 'a month of usual days in the driest season without a drop: what runs out first',
    script: site => ({
      seconds: 31 * DAY_S,
      start: { clockS },
      steps: days(site, dryMonth(site), 31),
    }),
  },
  'winter-switch-over': {
    name: 'Winter switch-over',
    shows: 'roofs by-passed and valves turned as in winter, on a day with frost after rain',
    wants: site => (frostMonths(site).length ? undefined : 'It does not freeze here.'),
    script: site => {
      const month = coldMonths(site)[0] ?? frostMonths(site)[0]!
      const winter = site.modes.find(mode => /winter|frost/i.test(mode.name))
      return {
        seconds: DAY_S,
        start: { clockS, month },
        steps: [
          ...(winter?.positions ?? []).map(({ part, open }): ScriptStep => ({
            atS: 6 * HOUR_S,
            valve: part,
            to: open,
          })),
          ...days(site, month, 1),
          { atS: 14 * HOUR_S, rainMmPerH: 4 },
          { atS: 17 * HOUR_S, rainMmPerH: 0 },
        ],
      }
    },
  },
  'setting-the-switch': {
    name: 'Setting the pressure switch',
    shows: 'cut-in and cut-out with a tap opened and shut again, and the starts of an hour with one left dripping',
    wants: site =>
      site.nodes.some(({ kind }) => kind === 'pressureTank') ? undefined : 'There is no pressure tank here.',
    script: site => {
      const tap = tapBehindVessel(site)
      return {
        seconds: 2 * HOUR_S,
        start: {},
        steps: tap
          ? [
              { atS: 60, tap, to: 1 },
              { atS: 240, tap, to: 0 },
              { atS: 600, tap, to: 1 },
              { atS: 660, tap, to: 0 },
              { atS: 3600, tap, to: 0.1 },
            ]
          : [],
      }
    },
  },
} satisfies Record<string, ScriptRow>
export type ScriptId = keyof typeof SCRIPTS
export const SCRIPT_IDS = Object.keys(SCRIPTS) as ScriptId[]

/** A tap that a pressure tank serves: the first that its lines come to. */
function tapBehindVessel(site: Site): string | undefined {
  const vessel = site.nodes.find(({ kind }) => kind === 'pressureTank')
  const ways = vessel ? [...walk(site, vessel.id, { along: 'down' })] : []
  return ways.find(({ node }) => node.kind === 'tap')?.node.id
}

/** A script of the house on a site, with the seed that its chance came from. */
export function scriptOf(site: Site, id: ScriptId): Script {
  const row: ScriptRow = SCRIPTS[id]
  return { name: row.name, seed: SEED, ...row.script(site) }
}
