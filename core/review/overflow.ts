import { bestFirst, defineCheck, nodeSubject } from './finding'
import { flow, length, listed, say, pipeSize } from '../words'
import { isShutAtSpouts, nameOf, portsByRole, rimM, runsFrom, runsTo, tanksOf, type Site } from '../site'
import { moveOf } from '../moves'
import type { Port, Tank } from '../kinds'
import type { Pool } from '../balance'

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
  harms: 'loss',
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
  harms: 'loss',
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
  harms: 'loss',
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

/** An inlet lies at least so far above where its tank spills. */
const [CLEAR_M, TOP_M] = [0.05, 0.02]
/** Lowering the overflow by more than this share of a tank gives away water; the inlet goes up first. */
const SMALL_SHARE = 0.05

/** What brings an inlet above the overflow: the one set higher, or the other lower, whichever costs less water. */
function apart(site: Site, pool: Pool, tank: Tank, { inlet, overflow }: { inlet: Port; overflow: Port }) {
  const toMillimetre = (metres: number) => Math.round(metres * 1000) / 1000
  const setAt = (port: Port, heightM: number) =>
    moveOf('setPort', { tank: tank.id, port: port.name, heightM: toMillimetre(heightM) })
  const spillHeightM = pool.capM - tank.baseM
  const [raisedM, loweredM] = [spillHeightM + CLEAR_M, Math.max(0.05, inlet.heightM - 0.1)]
  const raised =
    raisedM <= rimM(tank) - tank.baseM - TOP_M
      ? { label: say`Set the inlet at ${length(raisedM)}`, move: setAt(inlet, raisedM) }
      : undefined
  const lowered = {
    label: say`Set the overflow at ${length(loweredM)}, below the inlet`,
    move: setAt(overflow, loweredM),
  }
  const lostM = overflow.heightM - loweredM
  const costsLittle = lostM <= SMALL_SHARE * (rimM(tank) - tank.baseM)
  // Where two tanks spill into each other neither helps: the lower one's water has to leave.
  const away = {
    label: `Lead the overflow of ${nameOf(site, tank.id)} away`,
    move: moveOf('leadOverflow', { tank: tank.id, port: overflow.name }),
  }
  return costsLittle ? bestFirst(lowered, raised, away) : bestFirst(raised, lowered, away)
}

export const overflowAboveInlet = defineCheck({
  id: 'overflow-above-inlet',
  step: 'store',
  harms: 'loss',
  follows: ['overflow-cannot-run', 'overflow-ring'],
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
            ...apart(site, pool, tank, { inlet: lowest, overflow: port }),
          },
        ]
      }),
    ),
})
