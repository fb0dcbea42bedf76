import { defineCheck } from './finding'
import { say } from '../words'
import { baseLoad } from '../sums'
import { contactAreaM2, isLightTight, tankNominalL, tanksOf } from '../site'
import { moveOf, setField } from '../moves'
import type { Tank } from '../kinds'
import { BASES } from '../catalog'

const setTank = (tank: Tank, field: keyof Tank, value: unknown) => setField('node', tank.id, field, value)

export const noVent = defineCheck({
  id: 'no-vent',
  step: 'store',
  harms: 'season',
  needs: ['site'],
  sound: 'Every closed tank can breathe',
  find: ({ site }) =>
    tanksOf(site)
      .filter(tank => tank.lid && tank.ventMm === 0)
      .map(tank => ({
        id: `no-vent:${tank.id}`,
        check: 'no-vent',
        severity: 'wrong',
        subject: { kind: 'node', id: tank.id, name: tank.name },
        sentence: say`${tank.name} is shut tight: a pump that draws from it can buckle it, and a hard shower can
          lift its lid.`,
        why: say`It has a lid and no vent. A screened vent as large as the inlet lets the air follow the water.`,
        numbers: { ventMm: 0 },
        mend: {
          label: 'Fit a screened vent',
          move: setTank(
            tank,
            'ventMm',
            Math.max(50, ...tank.ports.filter(port => port.role === 'inlet').map(port => port.boreMm)),
          ),
        },
      })),
})

export const lightInSun = defineCheck({
  id: 'light-in-sun',
  step: 'store',
  harms: 'cost',
  needs: ['site'],
  sound: 'No tank lets light in',
  find: ({ site }) =>
    tanksOf(site)
      .filter(tank => !isLightTight(tank) && tank.sunlit)
      .map(tank => ({
        id: `light-in-sun:${tank.id}`,
        check: 'light-in-sun',
        severity: 'look',
        subject: { kind: 'node', id: tank.id, name: tank.name },
        sentence: say`${tank.name} will grow algae: it stands in the sun and lets light through.`,
        why: tank.lid
          ? say`Green water clogs filters and drippers. Paint, a wrap or boards stop it at once.`
          : say`It is open above, and green water clogs filters and drippers. A lid stops that, and keeps out leaves,
            mosquitoes and whoever might drown in it.`,
        numbers: {},
        mend: tank.lid
          ? { label: 'Cover or paint it', move: setTank(tank, 'cover', 'painted') }
          : { label: 'Put a lid on it', move: setTank(tank, 'lid', true) },
      })),
})

export const bareSoil = defineCheck({
  id: 'bare-soil',
  step: 'store',
  harms: 'people',
  needs: ['site'],
  sound: 'Every tank has a base',
  find: ({ site }) =>
    tanksOf(site)
      .filter(tank => tank.base === 'bare-soil')
      .map(tank => {
        const input = { volumeL: tankNominalL(tank), emptyMassKg: tank.emptyMassKg, contactAreaM2: contactAreaM2(tank) }
        const { massKg, pressureKPa } = baseLoad(input)
        return {
          id: `bare-soil:${tank.id}`,
          check: 'bare-soil',
          severity: 'wrong' as const,
          subject: { kind: 'node' as const, id: tank.id, name: tank.name },
          sentence: say`${tank.name} stands on bare soil: full, it sinks where the ground is soft and leans over its
            fittings.`,
          why: say`It weighs ${{ value: massKg, kind: 'mass' }} full and presses
            ${{ value: pressureKPa, kind: 'pressure' }} on the ground. Compacted ${BASES.gravel.name} spreads that
            and drains.`,
          numbers: { massKg, pressureKPa },
          sum: { name: 'base-load', input },
          mend: { label: 'Put it on gravel in a curb', move: moveOf('standOn', { tank: tank.id, base: 'gravel' }) },
        }
      }),
})

export const baseRagged = defineCheck({
  id: 'base-ragged',
  step: 'store',
  harms: 'people',
  needs: ['site'],
  sound: 'No ragged base cuts into a tank',
  find: ({ site }) =>
    tanksOf(site)
      .filter(tank => tank.baseRagged && !tank.mat)
      .map(tank => ({
        id: `base-ragged:${tank.id}`,
        check: 'base-ragged',
        severity: 'look' as const,
        subject: { kind: 'node' as const, id: tank.id, name: tank.name },
        sentence: say`The ragged base of ${tank.name} can puncture it as it settles.`,
        why: say`A full tank works on every edge under it. A mat between evens that out; a cracked slab moves on.`,
        numbers: {},
        mend: { label: 'Lay a mat under it', move: setTank(tank, 'mat', true) },
      })),
})
