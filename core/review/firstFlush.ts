import { defineCheck, nodeSubject, type Finding, type Mend } from './finding'
import { boreText, hoursText, percent, rain, say, volume } from '../words'
import { firstFlushVolume } from '../sums'
import {
  chamberAreaM2,
  chamberDrainInput,
  chamberVolumeL,
  OUTLET_WASTE_MOST,
  roofsAbove,
  spoutAreaM2,
  spoutsAbove,
  usualFlushMm,
  wantedFlushMm,
  type Move,
  type Site,
} from '../site'
import type { Reading } from './reading'
import { applyMove, moveOf, orificeFor, setField } from '../moves'
import type { NodeOf } from '../kinds'
import { DRY_HOURS_OF_WET_DAY, EMPTIES_SLOWLY_HOURS } from '../catalog'
import { roofYearOf, type CatchYear, type Compiled } from '../balance'

const chambersOf = (site: Site) => site.nodes.filter(node => node.kind === 'chamber')

export const noFirstFlush = defineCheck({
  id: 'no-first-flush',
  step: 'clean',
  harms: 'people',
  costsWater: true,
  needs: ['site', 'lines'],
  sound: 'Every roof’s first rain is kept out',
  find: ({ site, lines }) =>
    lines
      .filter(({ path, spout }) => !path.chambers.length && spoutAreaM2(site, spout.id) > 0)
      .map(({ spout, tank }) => {
        const input = { planAreaM2: spoutAreaM2(site, spout.id), depthMm: usualFlushMm(site) }
        const { volumeL } = firstFlushVolume(input)
        return {
          id: `no-first-flush:${spout.id}`,
          check: 'no-first-flush',
          severity: 'look' as const,
          subject: { kind: 'node' as const, id: spout.id, name: spout.name },
          sentence: say`The dirtiest water of every rain goes straight into ${tank.name}.`,
          why: say`${spout.name} has no first-flush chamber. Keeping back ${rain(input.depthMm)} takes
            ${volume(volumeL)}; leave it out only where nobody would clean it.`,
          numbers: { volumeL },
          sum: { name: 'first-flush-volume', input },
          mend: { label: 'Fit a first-flush chamber', move: moveOf('fitFirstFlush', { spout: spout.id }) },
        }
      }),
})

export const chamberStaysFull = defineCheck({
  id: 'chamber-stays-full',
  step: 'clean',
  harms: 'loss',
  costsWater: true,
  needs: ['site'],
  sound: 'Every first-flush chamber empties between rains',
  find: ({ site }) =>
    chambersOf(site)
      .filter(chamber => chamber.orificeMm === null && chamber.emptiedEveryDays === null)
      .map(chamber => ({
        id: `chamber-stays-full:${chamber.id}`,
        check: 'chamber-stays-full',
        severity: 'wrong',
        subject: nodeSubject(chamber),
        sentence: say`${chamber.name} stays full after the first rain, so every later rain goes in dirty.`,
        why: say`It has no outlet, and nobody is down to empty it. Foul water standing in it is worse than no chamber.`,
        numbers: {},
        mend: { label: 'Fit a small outlet', move: moveOf('fitChamberOutlet', { chamber: chamber.id }) },
      })),
})

export const chamberTooSmall = defineCheck({
  id: 'chamber-too-small',
  step: 'clean',
  harms: 'cost',
  costsWater: true,
  needs: ['site'],
  sound: 'Every first-flush chamber holds the rain it is meant to',
  find: ({ site }) =>
    chambersOf(site).flatMap((chamber): Finding[] => {
      const planAreaM2 = chamberAreaM2(site, chamber.id)
      const wantedMm = wantedFlushMm(
        chamber.wantedMm,
        roofsAbove(
          site,
          [...spoutsAbove(site, chamber.id)].map(spout => spout.id),
        ),
      )
      if (!(planAreaM2 > 0) || wantedMm === undefined) return []
      const hasMm = chamberVolumeL(chamber) / planAreaM2
      if (hasMm >= wantedMm * 0.95) return []
      const input = { planAreaM2: Math.round(planAreaM2 * 10) / 10, depthMm: wantedMm }
      return [
        {
          id: `chamber-too-small:${chamber.id}`,
          check: 'chamber-too-small',
          severity: 'look',
          subject: nodeSubject(chamber),
          sentence: say`${chamber.name} lets part of the dirty water by: it holds the first ${rain(hasMm)}, and
            ${rain(wantedMm)} was wanted.`,
          why: say`Off this roof that takes ${volume(firstFlushVolume(input).volumeL)}; it holds
            ${volume(chamberVolumeL(chamber))}.`,
          numbers: { hasMm, wantedMm, hasL: chamberVolumeL(chamber), wantedL: firstFlushVolume(input).volumeL },
          sum: { name: 'first-flush-volume', input },
          mend: { label: 'Size it anew', move: moveOf('sizeChamber', { chamber: chamber.id, depthMm: wantedMm }) },
        },
      ]
    }),
})

const drainInput = (chamber: NodeOf<'chamber'>) => ({ ...chamberDrainInput(chamber, chamber.orificeMm!) })
const drainHours = (compiled: Compiled, chamber: NodeOf<'chamber'>) =>
  compiled.chambers.find(entry => entry.id === chamber.id)!.drainHours

export const outletTooSlow = defineCheck({
  id: 'outlet-too-slow',
  step: 'clean',
  harms: 'cost',
  costsWater: true,
  needs: ['site', 'compiled'],
  sound: 'Every chamber’s outlet empties it within a day',
  find: ({ site, compiled }) =>
    chambersOf(site).flatMap((chamber): Finding[] => {
      const takes = drainHours(compiled, chamber)
      if (chamber.orificeMm === null || takes <= EMPTIES_SLOWLY_HOURS) return []
      // A day with rain again leaves it the hours in which it does not rain.
      const leftShare = Math.max(0, 1 - DRY_HOURS_OF_WET_DAY / takes) ** 2
      const leftL = chamberVolumeL(chamber) * leftShare
      return [
        {
          id: `outlet-too-slow:${chamber.id}`,
          check: 'outlet-too-slow',
          severity: 'look',
          subject: nodeSubject(chamber),
          sentence: say`When it rains again the next day, ${chamber.name} still holds ${volume(leftL)}, and as much of
            that rain’s dirt goes by.`,
          why: say`Its outlet of ${boreText(chamber.orificeMm)} takes ${hoursText(takes)} to empty it, slower as it falls:
            after ${hoursText(DRY_HOURS_OF_WET_DAY)} of drying out it is ${percent(leftShare)} full. Aim for a day.`,
          numbers: { hours: takes, orificeMm: chamber.orificeMm, leftShare, leftL },
          sum: { name: 'chamber-drain-time', input: drainInput(chamber) },
          mend: { label: 'Fit an outlet that takes a day', move: moveOf('fitChamberOutlet', { chamber: chamber.id }) },
        },
      ]
    }),
})

/** What reaches a chamber in a mean year: its roofs' runoff less what spilled, was by-passed and screened off. */
function arrivesL(year: CatchYear, compiled: Compiled, chamberId: string): number {
  const above = new Set(
    compiled.caught
      .filter(({ chambers }) => chambers.some(at => compiled.chambers[at]!.id === chamberId))
      .map(entry => entry.spoutId),
  )
  return year.catches
    .filter(entry => above.has(entry.spoutId))
    .reduce((sum, entry) => sum + entry.runoffL - entry.overGutterL - entry.bypassedL - entry.screenedL, 0)
}
const outletL = (year: CatchYear, chamberId: string) => year.chambers.find(entry => entry.id === chamberId)!.outletL
function wasteShare(year: CatchYear, compiled: Compiled, chamberId: string): number {
  const comesL = arrivesL(year, compiled, chamberId)
  return comesL > 0 ? outletL(year, chamberId) / comesL : 0
}

export const outletWasteful = defineCheck({
  id: 'outlet-wasteful',
  step: 'clean',
  harms: 'loss',
  needs: ['site', 'roofYear', 'compiled'],
  sound: 'No chamber’s outlet wastes the year’s rain',
  find: reading =>
    chambersOf(reading.site).flatMap((chamber): Finding[] => {
      const { roofYear: year, compiled } = reading
      const share = wasteShare(year, compiled, chamber.id)
      if (chamber.orificeMm === null || share <= OUTLET_WASTE_MOST) return []
      const [wastedL, comesL] = [outletL(year, chamber.id), arrivesL(year, compiled, chamber.id)]
      return [
        {
          id: `outlet-wasteful:${chamber.id}`,
          check: 'outlet-wasteful',
          severity: 'look',
          subject: nodeSubject(chamber),
          sentence: say`The outlet of ${chamber.name} runs all through every rain and wastes ${percent(share)} of
            what comes to it.`,
          why: say`In a mean year ${volume(wastedL)} of ${volume(comesL)} run out through ${boreText(chamber.orificeMm)}
            while it rains, on top of what the chamber keeps back. It empties in
            ${hoursText(drainHours(compiled, chamber))}.`,
          numbers: { wastedL, comesL, share },
          sum: { name: 'chamber-drain-time', input: drainInput(chamber) },
          mend: lessWaste(reading, chamber, share),
        },
      ]
    }),
})

/**
 * A finer outlet where that is enough; else the deepest flush, at most what it keeps now, whose outlet wastes little
 * enough; else no chamber, where nobody drinks the water.
 * Each is tried on the site's own weather: what one outlet wastes does not follow from what another does.
 */
function lessWaste(
  reading: Pick<Reading, 'site' | 'compiled'>,
  chamber: NodeOf<'chamber'>,
  share: number,
): Mend | undefined {
  const { site } = reading
  const enough = (move: Move) => {
    const tried = applyMove(site, move)
    return tried.ok && wasteShare(roofYearOf(tried.site), reading.compiled, chamber.id) <= OUTLET_WASTE_MOST
  }
  const finer = moveOf('fitChamberOutlet', { chamber: chamber.id })
  if (orificeFor(chamber) < chamber.orificeMm! - 0.05 && enough(finer))
    return { label: 'Fit the finest outlet that empties it in a day', move: finer }
  const keptMm = chamberVolumeL(chamber) / chamberAreaM2(site, chamber.id)
  for (
    let tenths = Math.floor(keptMm * Math.min(1, (2 * OUTLET_WASTE_MOST) / share) * 10);
    tenths >= LEAST_TENTHS;
    tenths--
  ) {
    const smaller = moveOf('sizeChamber', { chamber: chamber.id, depthMm: tenths / 10 })
    if (enough(smaller)) return { label: say`Keep back only the first ${rain(tenths / 10)}`, move: smaller }
  }
  // What is drunk keeps its first flush, though it costs water.
  return site.uses.some(({ quality }) => quality === 'drinking')
    ? undefined
    : { label: 'Take the chamber out', move: moveOf('takeOutChamber', { chamber: chamber.id }) }
}
const LEAST_TENTHS = 2

export const chamberShutForGood = defineCheck({
  id: 'chamber-not-cleanable',
  step: 'clean',
  harms: 'season',
  needs: ['site'],
  sound: 'Every chamber opens for cleaning',
  find: ({ site }) =>
    site.nodes.flatMap((chamber): Finding[] =>
      chamber.kind !== 'chamber' || chamber.cleanable
        ? []
        : [
            {
              id: `chamber-not-cleanable:${chamber.id}`,
              check: 'chamber-not-cleanable',
              severity: 'wrong',
              subject: nodeSubject(chamber),
              sentence: say`${chamber.name} cannot be cleaned, and will turn foul.`,
              why: say`${volume(chamberVolumeL(chamber))} of the roof’s dirt go through it every rain and nothing
                opens. A clean-out cap at its foot cures that; a chamber that nobody cleans is worse than none.`,
              numbers: { volumeL: chamberVolumeL(chamber) },
              mend: {
                label: 'Fit a clean-out cap',
                move: setField('node', chamber.id, 'cleanable', true),
              },
            },
          ],
    ),
})
