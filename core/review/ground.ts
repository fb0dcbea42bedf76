import { defineCheck, nodeSubject, subjectOfRun, type Finding } from './finding'
import { length, percent, say, volume } from '../words'
import { rimM, runName, tankNominalL, tanksOf, portHeightM } from '../site'
import { moveOf, setField } from '../moves'
import { lengthOfPart, type Tank } from '../kinds'
import { tankHeight } from '../sums'
import { BASES, TANK_KINDS, type BaseId } from '../catalog'

/** How far above the ground what lies on it can lift a floor; posts lift as far as they are built. */
const LIFTS_M: Record<BaseId, number> = {
  'bare-soil': 0.2,
  gravel: 0.6,
  slab: 0.6,
  blocks: 1,
  stand: Infinity,
  buried: -0.3,
}
const IN_A_PIT_M = 0.3

const lies = (tank: Tank) => tank.baseM - tank.groundM
const onGround = (tank: Tank) =>
  moveOf('setHeight', { node: tank.id, baseM: round(tank.groundM + BASES[tank.base].heightM) })
const round = (metres: number) => Math.round(metres * 100) / 100
const groundAt = (tank: Tank, metres: number) => setField('node', tank.id, 'groundM', round(metres))

/** A tank whose floor is not where its base would have it. */
function offItsBase(tank: Tank): Pick<Finding, 'sentence' | 'why' | 'answers'> | undefined {
  const liftM = lies(tank)
  const { name } = BASES[tank.base]
  if (tank.base === 'buried')
    return liftM > LIFTS_M.buried || rimM(tank) - tank.groundM > tankHeight(tank.shape) / 2
      ? {
          sentence: say`${tank.name} is called buried and stands ${length(rimM(tank) - tank.groundM)} out of the ground.`,
          why: say`Its floor lies at ${length(tank.baseM)} and the ground at ${length(tank.groundM)}.`,
          answers: [
            { label: 'Bury it', move: moveOf('standOn', { tank: tank.id, base: 'buried' }) },
            { label: 'It stands on gravel', move: moveOf('standOn', { tank: tank.id, base: 'gravel' }) },
            { label: 'The ground lies higher', move: groundAt(tank, rimM(tank) + 0.1) },
          ],
        }
      : undefined
  if (liftM < -IN_A_PIT_M)
    return {
      sentence: say`${tank.name} stands ${length(-liftM)} below the ground, on ${name}: in a pit that nobody has told
        of.`,
      why: say`Its floor lies at ${length(tank.baseM)} and the ground at ${length(tank.groundM)}. Earth presses on a
        wall that was not made for it, and what spills stays there.`,
      answers: [
        {
          label: 'It is buried there',
          move: moveOf('standOn', { tank: tank.id, base: 'buried', heightM: round(liftM) }),
        },
        { label: 'The ground lies lower there, or it is a cellar', move: groundAt(tank, tank.baseM) },
        { label: 'It stands on the ground', move: onGround(tank) },
      ],
    }
  if (liftM > LIFTS_M[tank.base])
    return {
      sentence: say`${tank.name} hangs in the air: its floor is ${length(liftM)} above the ground, on ${name}.`,
      why: say`${name.charAt(0).toUpperCase() + name.slice(1)} lifts a floor by ${length(BASES[tank.base].heightM)} or so;
        the ground lies at ${length(tank.groundM)}.`,
      answers: [
        {
          label: 'It stands on posts',
          move: moveOf('standOn', { tank: tank.id, base: 'stand', heightM: round(liftM) }),
        },
        { label: 'The ground lies higher there', move: groundAt(tank, tank.baseM - BASES[tank.base].heightM) },
        { label: 'It stands on the ground', move: onGround(tank) },
      ],
    }
  return undefined
}

export const tankOffItsBase = defineCheck({
  id: 'tank-off-its-base',
  step: 'store',
  harms: 'people',
  needs: ['site'],
  sound: 'Every tank stands where its base would have it',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      const off = offItsBase(tank)
      if (!off) return []
      return [
        {
          id: `tank-off-its-base:${tank.id}`,
          check: 'tank-off-its-base',
          severity: 'look',
          subject: nodeSubject(tank),
          numbers: { liftM: lies(tank), baseM: tank.baseM, groundM: tank.groundM },
          ...off,
        },
      ]
    }),
})

export const wallNotForEarth = defineCheck({
  id: 'wall-not-for-earth',
  step: 'store',
  harms: 'people',
  costsWater: true,
  needs: ['site'],
  sound: 'No tank made for the open is buried',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      const { forEarth, name } = TANK_KINDS[tank.tankKind]
      const coverM = tank.groundM - tank.baseM
      if (tank.base !== 'buried' || forEarth) return []
      return [
        {
          id: `wall-not-for-earth:${tank.id}`,
          check: 'wall-not-for-earth',
          severity: 'wrong',
          subject: nodeSubject(tank),
          sentence: say`Emptied, ${tank.name} caves in: it is a ${name}, and ${length(coverM)} of earth press on a wall made
            to hold water, not ground.`,
          why: say`Water presses out, earth presses in, and harder when it is wet. Only a tank that its maker allows in
            the ground, bedded as he says, stays round; around any other stands a vault that an engineer has reckoned.`,
          numbers: { coverM },
          mend: {
            label: 'Take one made for burying',
            move: moveOf('setKind', { tank: tank.id, kind: 'buried', volumeL: tankNominalL(tank) }),
          },
          answers: [
            { label: 'It stands in the open, on gravel', move: moveOf('standOn', { tank: tank.id, base: 'gravel' }) },
          ],
        },
      ]
    }),
})

/** A cubic metre of ground water lifts a tonne; what lies on a tank and clings to its wall is left out. */
const KG_A_LITRE = 1

export const tankFloats = defineCheck({
  id: 'tank-floats',
  step: 'store',
  harms: 'loss',
  needs: ['site'],
  sound: 'No buried tank floats when it is empty',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      const deepM = -lies(tank)
      if (tank.base !== 'buried' || deepM <= IN_A_PIT_M || tank.heldDown) return []
      const waterDepthM = tank.wetGroundDepthM
      const wetM = deepM - (waterDepthM ?? 0)
      if (wetM <= 0) return []
      const upL = tankNominalL(tank) * Math.min(1, wetM / tankHeight(tank.shape))
      const upKg = upL * KG_A_LITRE
      if (upKg <= tank.emptyMassKg) return []
      const common = {
        id: `tank-floats:${tank.id}`,
        check: 'tank-floats',
        subject: nodeSubject(tank),
        numbers: { upKg, emptyMassKg: tank.emptyMassKg, wetM },
      }
      const mass = (value: number) => ({ value, kind: 'mass' as const })
      const heldDown = { label: 'It is held down', move: setField('node', tank.id, 'heldDown', true) }
      if (waterDepthM === undefined)
        return [
          {
            ...common,
            severity: 'look',
            sentence: say`Empty, ${tank.name} would float out of wet ground; nobody has said how wet it is.`,
            why: say`Its floor lies ${length(deepM)} down. Water up to the surface would lift ${mass(upKg)}, and empty it
              weighs ${mass(tank.emptyMassKg)}. Earth on it helps; dig a hole and look in the wettest month.`,
            answers: [
              {
                label: 'The ground stays dry that deep',
                move: setField('node', tank.id, 'wetGroundDepthM', Math.min(100, round(deepM))),
              },
              heldDown,
            ],
          },
        ]
      return [
        {
          ...common,
          severity: 'wrong',
          sentence: say`Empty, ${tank.name} floats out of the ground when it is wettest.`,
          why: say`Ground water stands ${length(wetM)} above its floor and lifts ${mass(upKg)}; empty it weighs
            ${mass(tank.emptyMassKg)}. A slab with straps holds it, or water left in it: ${percent(
              Math.min(1, (upKg - tank.emptyMassKg) / tankNominalL(tank)),
            )} of ${volume(tankNominalL(tank))}.`,
          answers: [heldDown],
        },
      ]
    }),
})

const SLACK_M = 0.05

export const lineTooShort = defineCheck({
  id: 'line-too-short',
  step: 'store',
  harms: 'cost',
  needs: ['site'],
  sound: 'Every line is as long as its fall at least',
  find: ({ site }) =>
    site.runs.flatMap((run): Finding[] => {
      const pipe = run.parts.find(part => part.kind === 'pipe')
      const fallM = Math.abs(portHeightM(site, run.from) - portHeightM(site, run.to))
      const lengthM = run.parts.reduce((sum, part) => sum + lengthOfPart(part), 0)
      if (!pipe || lengthM >= fallM - SLACK_M) return []
      const enoughM = Math.ceil((fallM - (lengthM - pipe.lengthM) + 1) * 10) / 10
      return [
        {
          id: `line-too-short:${run.id}`,
          check: 'line-too-short',
          severity: 'look',
          subject: subjectOfRun(site, run),
          sentence: say`“${runName(site, run)}” cannot be: ${length(lengthM)} of pipe between ends that lie
            ${length(fallM)} apart in height.`,
          why: say`Straight down it would take ${length(fallM)}. Measure it again, or one of the heights.`,
          numbers: { lengthM, fallM },
          mend: {
            label: say`Take it for ${length(enoughM)}`,
            move: setField('part', pipe.id, 'lengthM', enoughM),
          },
        },
      ]
    }),
})
