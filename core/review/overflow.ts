import { defineCheck, nodeSubject } from './finding'
import { flow, length, listed, say, pipeSize } from '../words'
import { isShutAtSpouts, portsByRole, rimM, runsFrom, runsTo, tanksOf, type Site } from '../site'
import { moveOf } from '../moves'
import type { Port, Tank } from '../kinds'

/** Inlets that a line ends at; the others are only holes. */
function usedInlets(site: Site, tank: Tank): Port[] {
  return portsByRole(tank, 'inlet').filter(port => runsTo(site, tank.id, port.name).length)
}
function usedOverflows(site: Site, tank: Tank): Port[] {
  return portsByRole(tank, 'overflow').filter(port => runsFrom(site, tank.id, port.name).length)
}

/**
 * A float valve between two tanks shuts before the lower one reaches it; it lies below the overflow because it must.
 */
function filledByFloat(site: Site, tank: Tank, inlet: Port): boolean {
  return runsTo(site, tank.id, inlet.name).every(
    run => run.parts.some(part => part.kind === 'float') && tanksOf(site).some(other => other.id === run.from.node),
  )
}

export const noOverflow = defineCheck({
  id: 'no-overflow',
  step: 'store',
  needs: ['site', 'pools'],
  sound: 'Every tank has an overflow that leads somewhere',
  find: ({ site, pools }) =>
    pools
      .filter(
        pool =>
          !pool.spillsAt.port &&
          !isShutAtSpouts(site, pool.tanks) &&
          pool.tanks.some(tank => usedInlets(site, tank).length) &&
          !pool.tanks.some(tank => usedOverflows(site, tank).length),
      )
      .map(({ spillsAt: { tank } }) => ({
        id: `no-overflow:${tank.id}`,
        check: 'no-overflow',
        severity: 'wrong',
        subject: { kind: 'node', id: tank.id, name: tank.name },
        sentence: say`When ${tank.name} is full it runs over its rim and down its own base.`,
        why: say`It has no overflow below its rim, ${length(rimM(tank))} above the datum, that leads the water away.`,
        numbers: { rimM: rimM(tank) },
        mend: { label: 'Fit an overflow to a swale', move: moveOf('fitOverflow', { tank: tank.id }) },
      })),
})

export const overflowTooSmall = defineCheck({
  id: 'overflow-too-small',
  step: 'store',
  costsWater: true,
  needs: ['site', 'pools', 'spills'],
  sound: 'Every overflow is at least as large as its inlet',
  find: ({ site, pools, spills }) =>
    pools.flatMap(pool => {
      const inlets = pool.tanks.flatMap(tank => usedInlets(site, tank))
      const overflows = pool.tanks.flatMap(tank => usedOverflows(site, tank))
      const { tank, port: name } = pool.spillsAt
      const port = overflows.find(candidate => candidate.name === name && tank.ports.includes(candidate))
      if (!inlets.length || !port || isShutAtSpouts(site, pool.tanks)) return []
      const inletMm = Math.max(...inlets.map(inlet => inlet.boreMm))
      if (port.boreMm >= inletMm - 0.5) return []
      const way = spills.get(pool.id)
      const passes = way?.stormLps !== undefined && way.passesLps >= way.stormLps
      return [
        {
          id: `overflow-too-small:${tank.id}`,
          check: 'overflow-too-small',
          severity: passes ? ('look' as const) : ('wrong' as const),
          subject: { kind: 'node' as const, id: tank.id, name: tank.name },
          sentence: passes
            ? say`The overflow of ${tank.name} is narrower than its inlet: it passes the design storm, but a harder
              one, or a leaf across it, and the tank runs over its rim.`
            : say`In a hard shower ${tank.name} takes in more than its overflow can pass, and runs over the rim.`,
          why: passes
            ? say`The inlet is ${pipeSize(inletMm)}, the overflow only ${pipeSize(port.boreMm)}. Up to the rim that passes
              ${flow(way.passesLps)}; the storm brings ${flow(way.stormLps!)}.`
            : say`The inlet is ${pipeSize(inletMm)}, the overflow only ${pipeSize(port.boreMm)}.`,
          numbers: { inletMm, overflowMm: port.boreMm },
          mend: {
            label: 'Fit an overflow as large as the inlet',
            move: moveOf('setPort', { tank: tank.id, port: port.name, boreMm: inletMm }),
          },
        },
      ]
    }),
})

export const overflowRing = defineCheck({
  id: 'overflow-ring',
  step: 'store',
  needs: ['site', 'pools', 'compiled'],
  sound: 'No tanks spill into each other in a ring',
  find: ({ pools, compiled }) =>
    compiled.spillRings.map(ring => {
      const names = ring.map(index => pools[index]!.name)
      const lowest = ring.map(index => pools[index]!).reduce((low, pool) => (pool.capM < low.capM ? pool : low))
      const { tank, port } = lowest.spillsAt
      return {
        id: `overflow-ring:${lowest.id}`,
        check: 'overflow-ring',
        severity: 'wrong' as const,
        subject: nodeSubject(tank),
        sentence: say`Full, ${listed(names)} spill into each other in a ring, and run over their rims.`,
        why: say`No overflow among them leads away from the tanks. That of ${tank.name} lies lowest, at
          ${length(lowest.capM)}.`,
        numbers: { tanks: ring.length, lowestM: lowest.capM },
        mend: {
          label: `Lead the overflow of ${tank.name} away`,
          move: moveOf('leadOverflow', { tank: tank.id, ...(port ? { port } : {}) }),
        },
      }
    }),
})

export const overflowAboveInlet = defineCheck({
  id: 'overflow-above-inlet',
  step: 'store',
  costsWater: true,
  needs: ['site', 'pools'],
  sound: 'Every overflow lies below its inlet',
  find: ({ site, pools }) =>
    pools.flatMap(pool =>
      pool.tanks.flatMap(tank => {
        const lowest = usedInlets(site, tank)
          .filter(inlet => (tank.inletStyle === 'top' || inlet.heightM > 0.5) && !filledByFloat(site, tank, inlet))
          .sort((a, b) => a.heightM - b.heightM)[0]
        if (!lowest || !usedOverflows(site, tank).length) return []
        const spillHeightM = pool.capM - tank.baseM
        const port = usedOverflows(site, tank).sort((a, b) => a.heightM - b.heightM)[0]!
        if (spillHeightM < lowest.heightM - 0.005) return []
        return [
          {
            id: `overflow-above-inlet:${tank.id}`,
            check: 'overflow-above-inlet',
            severity: 'wrong' as const,
            subject: { kind: 'node' as const, id: tank.id, name: tank.name },
            sentence: say`A full ${tank.name} stands above its own inlet and backs up into the line that fills it.`,
            why: say`It spills at ${length(spillHeightM)} above its floor, and its inlet lies at
              ${length(lowest.heightM)}.`,
            numbers: { spillHeightM, inletHeightM: lowest.heightM },
            mend: {
              label: 'Set the overflow below the inlet',
              move: moveOf('setPort', {
                tank: tank.id,
                port: port.name,
                heightM: Math.max(0.05, lowest.heightM - 0.1),
              }),
            },
          },
        ]
      }),
    ),
})
