import { defineCheck, type Finding, type Mend } from './finding'
import { hoursText, length, say, volume } from '../words'
import { nameOf, type Site } from '../site'
import { moveOf } from '../moves'
import type { NodeOf } from '../kinds'
import { SOIL_IDS, SOILS } from '../catalog'
import { soakingOf, type Soaking } from '../balance'

const SOAK_HOURS = 24
type Pit = NonNullable<NodeOf<'outfall'>['pit']>

const subjectOf = (site: Site, outfall: NodeOf<'outfall'>) => ({
  kind: 'node' as const,
  id: outfall.id,
  name: nameOf(site, outfall.id),
})
const works = ({ pitM3, hasM3, halfEmptyHours }: Soaking) => pitM3 <= hasM3 && halfEmptyHours <= SOAK_HOURS

/** A pit is dug at most this long, and no narrower than a spade and a person need. */
const LONGEST_M = 30
const NARROWEST_M = 0.4

/**
 * As deep as it is, and long enough for the storm; narrower where it would not be half empty within the day, since
 * walls soak and the floor silts up. Each is tried: none may do.
 */
function pitThatWorks(site: Site, outfall: NodeOf<'outfall'>, pit: Pit, areaM2: number): Pit | undefined {
  for (let widthM = pit.widthM; widthM >= NARROWEST_M; widthM = Math.round((widthM - 0.1) * 100) / 100)
    for (let lengthM = Math.ceil(pit.lengthM); lengthM <= LONGEST_M; lengthM++) {
      const tried = { ...pit, lengthM, widthM }
      const soaking = soakingOf(site, { ...outfall, pit: tried }, areaM2)
      if (soaking && works(soaking)) return tried
    }
  return undefined
}

function mendOf(site: Site, outfall: NodeOf<'outfall'>, areaM2: number): Mend {
  const pit = pitThatWorks(site, outfall, outfall.pit!, areaM2)
  return pit
    ? {
        label: say`Dig it ${length(pit.lengthM)} by ${length(pit.widthM)}`,
        move: moveOf('leadTo', { outfall: outfall.id, pit }),
      }
    : { label: 'Lead it to a swale instead', move: moveOf('leadTo', { outfall: outfall.id, to: 'swale' }) }
}

export const soakawayFails = defineCheck({
  id: 'soakaway-fails',
  step: 'store',
  harms: 'season',
  needs: ['site', 'pools', 'spills', 'soakaways'],
  sound: 'Soakaways hold the storm and are half empty within a day',
  find: ({ site, pools, spills, soakaways }) =>
    pools.flatMap((pool): Finding[] => {
      const way = spills.get(pool.id)
      const soak = way?.outfall && soakaways.get(way.outfall.id)
      if (!way?.outfall || !soak || works(soak)) return []
      const { soil } = way.outfall
      const subject = subjectOf(site, way.outfall)
      const small = soak.pitM3 > soak.hasM3
      return [
        {
          id: `soakaway-fails:${way.outfall.id}`,
          check: 'soakaway-fails',
          severity: 'wrong',
          subject,
          sentence: small
            ? say`${subject.name} floods: the pit is too small for the storm off these roofs.`
            : say`${subject.name} is still more than half full a day later, and the next storm floods it.`,
          why: small
            ? say`A storm of ${hoursText(soak.hours)} asks for a pit of ${volume(soak.pitM3 * 1000)} in
              ${SOILS[soil!].name}; this one is ${volume(soak.hasM3 * 1000)}.`
            : say`In ${SOILS[soil!].name} it takes ${hoursText(soak.halfEmptyHours)} to fall by half, through its walls.
              Narrower and longer soaks faster; in tight ground use a ditch or a swale.`,
          numbers: { pitM3: soak.pitM3, hasM3: soak.hasM3, halfEmptyHours: soak.halfEmptyHours },
          sum: { name: 'soakaway', input: { ...soak.input } },
          mend: mendOf(site, way.outfall, way.areaM2),
        },
      ]
    }),
})

export const soakawayUnsaid = defineCheck({
  id: 'soakaway-unsaid',
  step: 'store',
  harms: 'cost',
  needs: ['site', 'pools', 'spills'],
  sound: 'Every soakaway has its pit and its soil',
  find: ({ site, pools, spills }) =>
    pools.flatMap((pool): Finding[] => {
      const outfall = spills.get(pool.id)?.outfall
      if (outfall?.to !== 'soakaway' || (outfall.pit && outfall.soil)) return []
      const subject = subjectOf(site, outfall)
      return [
        {
          id: `soakaway-unsaid:${outfall.id}`,
          check: 'soakaway-unsaid',
          severity: 'look',
          subject,
          sentence: say`Nobody knows whether ${subject.name} takes the storm: its
            ${outfall.pit ? 'soil is not told' : outfall.soil ? 'pit is not told' : 'pit and its soil are not told'}.`,
          why: say`A pit in clay may stand full for weeks where one in sand is empty in an hour. What does a spade find
            there?`,
          numbers: {},
          ...(outfall.soil
            ? {
                mend: {
                  label: 'Dig a pit to begin with',
                  move: moveOf('leadTo', { outfall: outfall.id, soil: outfall.soil }),
                },
              }
            : {
                answers: SOIL_IDS.map(soil => ({
                  label: SOILS[soil].name,
                  move: moveOf('leadTo', { outfall: outfall.id, soil }),
                })),
              }),
        },
      ]
    }),
})
