import { WHY_SHORT } from './causes'
import { defineCheck, nodeSubject, type Finding } from './finding'
import { length, say, volume } from '../words'
import {
  BRACE_ABOVE_M,
  footingOf,
  MOST_HEIGHT_TO_WIDTH,
  runsTo,
  tanksOf,
  heightHoldingM,
  joinedTanks,
  nameOf,
} from '../site'
import { applyMove, moveOf, setField } from '../moves'
import { NEAR, SOILS } from '../catalog'

const pressure = (value: number) => ({ value, kind: 'pressure' as const })
const mass = (value: number) => ({ value, kind: 'mass' as const })

export const baseOverSoil = defineCheck({
  id: 'base-over-soil',
  step: 'store',
  harms: 'people',
  needs: ['site'],
  sound: 'No tank presses harder than its ground bears',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      const { load, pressureKPa, bearsKPa, massKg, posts } = footingOf(tank)
      const under = posts?.pressureKPa ?? pressureKPa
      if (bearsKPa === undefined || under <= bearsKPa) return []
      const widerM2 = posts ? Math.ceil((posts.postLoadKn / bearsKPa) * 100) / 100 : 0
      return [
        {
          id: `base-over-soil:${tank.id}`,
          check: 'base-over-soil',
          severity: 'wrong',
          subject: nodeSubject(tank),
          sentence: say`${tank.name} sinks: full, it presses harder than ${SOILS[tank.soil!].name} bears.`,
          why: say`${mass(massKg)} press ${pressure(under)} ${posts ? 'under each footing' : 'on the ground'}; such
            ground is taken to bear ${pressure(bearsKPa)}.
            ${posts ? 'Larger footings' : 'A slab wider than the tank'} or better ground; local code and an engineer
            decide.`,
          numbers: { pressureKPa: under, bearsKPa, massKg },
          sum: posts ? { name: 'post-load', input: { ...posts.input } } : { name: 'base-load', input: { ...load } },
          ...(posts
            ? {
                mend: {
                  label: 'Lay larger footings',
                  move: setField('node', tank.id, 'stand.footingAreaM2', widerM2),
                },
              }
            : {}),
        },
      ]
    }),
})

export const standUnsound = defineCheck({
  id: 'stand-unsound',
  step: 'store',
  harms: 'people',
  needs: ['site'],
  sound: 'Every stand has its posts, its footings and its bracing',
  find: ({ site }) =>
    tanksOf(site)
      .filter(tank => tank.base === 'stand')
      .flatMap((tank): Finding[] => {
        const { liftM, massKg } = footingOf(tank)
        const unbraced = tank.stand && !tank.stand.braced && liftM > BRACE_ABOVE_M
        if (tank.stand && !unbraced) return []
        return [
          {
            id: `stand-unsound:${tank.id}`,
            check: 'stand-unsound',
            severity: 'wrong',
            subject: nodeSubject(tank),
            sentence: unbraced
              ? say`The stand of ${tank.name} folds sideways: ${length(liftM)} of posts without bracing.`
              : say`Nothing is said of the posts and footings under ${tank.name}.`,
            why: say`It carries ${mass(massKg)} when full. Posts want diagonals both ways and footings below frost.`,
            numbers: { liftM, massKg },
            mend: unbraced
              ? {
                  label: 'Brace it',
                  move: setField('node', tank.id, 'stand.braced', true),
                }
              : {
                  label: 'Set it on four braced posts',
                  move: moveOf('standOn', { tank: tank.id, base: 'stand', heightM: liftM }),
                },
          },
        ]
      }),
})

const ENGINEER_WORDS = { slender: 'it is tall for its width', tall: 'the stand is tall', heavy: 'it is heavy' }

export const standForEngineer = defineCheck({
  id: 'stand-for-engineer',
  step: 'store',
  harms: 'people',
  follows: ['tank-off-its-base'],
  needs: ['site'],
  sound: 'No tank stands so tall that an engineer is wanted',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      const { engineer, heightToWidth, liftM, massKg } = footingOf(tank)
      if (!engineer.length) return []
      return [
        {
          id: `stand-for-engineer:${tank.id}`,
          check: 'stand-for-engineer',
          severity: 'look',
          subject: nodeSubject(tank),
          sentence: say`An engineer should look at how ${tank.name} stands:
            ${engineer.map(reason => ENGINEER_WORDS[reason]).join(', and ')}.`,
          why: say`Its floor is ${length(liftM)} above ground, it weighs ${mass(massKg)} full, and it reaches
            ${heightToWidth.toFixed(1)} times as high as its base is wide; up to ${MOST_HEIGHT_TO_WIDTH} is usual
            without one. Wind and an empty tank count too.`,
          numbers: { heightToWidth, liftM, massKg },
        },
      ]
    }),
})

export const overflowHarms = defineCheck({
  id: 'overflow-harms',
  step: 'store',
  harms: 'people',
  needs: ['site'],
  sound: 'No overflow runs towards what it can harm',
  find: ({ site }) =>
    site.nodes.flatMap((outfall): Finding[] => {
      if (outfall.kind !== 'outfall' || !outfall.near || outfall.near === 'nothing' || !runsTo(site, outfall.id).length)
        return []
      const name = nameOf(site, outfall.id)
      return [
        {
          id: `overflow-harms:${outfall.id}`,
          check: 'overflow-harms',
          severity: 'wrong',
          subject: { kind: 'node', id: outfall.id, name },
          sentence: say`${name} runs towards ${NEAR[outfall.near].name}, and the water
            ${NEAR[outfall.near].harm}.`,
          why: say`A full tank passes on every litre of a storm, and an emptied one all it holds. Lead it to a
            ditch, a swale or a soakaway clear of it.`,
          numbers: {},
          mend: { label: 'Lead it clear', move: moveOf('leadTo', { outfall: outfall.id, near: 'nothing' }) },
        },
      ]
    }),
})

export const reserveNotKept = defineCheck({
  id: 'reserve-not-kept',
  step: 'store',
  harms: 'people',
  follows: WHY_SHORT,
  costsWater: true,
  needs: ['site', 'compiled'],
  sound: 'What is kept for fire cannot be drawn by anything else',
  find: ({ site, compiled }) =>
    tanksOf(site)
      .filter(tank => (tank.reserveL ?? 0) >= 1)
      .flatMap((tank): Finding[] => {
        const pool = compiled.pools.findIndex(({ tanks }) => tanks.includes(tank))
        const keeps = compiled.demands.flatMap(demand =>
          demand.sources
            .filter(source => source.kind === 'pool' && source.index === pool)
            .map(source => ({ name: demand.name, keepL: source.keepL })),
        )
        const low = keeps.filter(keep => keep.keepL < tank.reserveL! * 0.98).sort((a, b) => a.keepL - b.keepL)[0]
        if (!low) return []
        const keptM = heightHoldingM(joinedTanks(site, tank), tank.reserveL!)
        const above = moveOf('keepReserve', { tank: tank.id, litres: tank.reserveL! })
        return [
          {
            id: `reserve-not-kept:${tank.id}`,
            check: 'reserve-not-kept',
            severity: 'wrong',
            subject: nodeSubject(tank),
            sentence: say`${low.name} can draw the fire reserve of ${tank.name} down to ${volume(low.keepL)}.`,
            why: say`${volume(tank.reserveL!)} are to be kept, which stand up to ${length(keptM)}; a draw-off lies
              below that.`,
            numbers: { reserveL: tank.reserveL!, keptL: low.keepL },
            // More than the tanks hold up to their spill cannot be kept by any draw-off.
            ...(applyMove(site, above).ok ? { mend: { label: 'Set every draw-off above it', move: above } } : {}),
          },
        ]
      }),
})
