import { defineCheck, nodeSubject, type Finding, type Mend } from './finding'
import { boreText, flow, length, say, pipeSize } from '../words'
import { isShutAtSpouts, nodeById, portsByRole, runsFrom, runsTo, tanksOf, type Site, portId } from '../site'
import { moveOf, setField } from '../moves'
import type { Port, Tank } from '../kinds'
import { LINE_BORES_MM, MOSQUITO_MESH_MM } from '../catalog'
import { openingFlow } from '../sums'
import { siphoningInlets, skims } from '../network'
import type { SpillWay } from '../balance'

const setPortField = (tank: Tank, port: Port, field: string, value: unknown) =>
  setField('port', portId(tank.id, port.name), field, value)
const usedFrom = (site: Site, tank: Tank, role: Port['role']) =>
  portsByRole(tank, role).filter(port => runsFrom(site, tank.id, port.name).length)
const usedTo = (site: Site, tank: Tank) =>
  portsByRole(tank, 'inlet').filter(port => runsTo(site, tank.id, port.name).length)

/** The smallest bore on the shelf whose mouth passes a storm; its line is laid as wide. */
function passingOverflow({ tank, port, flow, lineLps, openingLps }: SpillWay, stormLps: number): Mend | undefined {
  const least = lineLps < openingLps && openingLps >= stormLps ? port.boreMm : port.boreMm + 0.5
  const boreMm = LINE_BORES_MM.find(
    candidate => candidate >= least - 0.5 && openingFlow({ ...flow, innerDiameterMm: candidate }).flowLps >= stormLps,
  )
  return boreMm === undefined
    ? undefined
    : {
        label: say`Fit an overflow of ${pipeSize(boreMm)}, its line too`,
        move: moveOf('setPort', { tank: tank.id, port: port.name, boreMm }),
      }
}

export const overflowBelowStorm = defineCheck({
  id: 'overflow-below-storm',
  step: 'store',
  harms: 'loss',
  follows: ['overflow-too-small'],
  costsWater: true,
  needs: ['site', 'pools', 'spills'],
  sound: 'Every overflow passes the design storm',
  find: ({ site, pools, spills }) =>
    pools.flatMap((pool): Finding[] => {
      const way = spills.get(pool.id)
      if (way?.stormLps === undefined || way.passesLps >= way.stormLps) return []
      if (isShutAtSpouts(site, pool.tanks)) return []
      return [
        {
          id: `overflow-below-storm:${way.tank.id}`,
          check: 'overflow-below-storm',
          severity: 'wrong',
          subject: nodeSubject(way.tank),
          sentence: say`Full, ${way.tank.name} runs over its rim in the design storm: its overflow cannot pass what
            comes in.`,
          why:
            way.lineLps < way.openingLps
              ? say`With water up to the rim its line passes ${flow(way.lineLps)}, and its mouth of
                ${pipeSize(way.port.boreMm)} ${flow(way.openingLps)}; the storm brings ${flow(way.stormLps)}.`
              : say`${pipeSize(way.port.boreMm)} with ${length(way.flow.depthMm / 1000)} of water above its invert, up to
                the rim, passes ${flow(way.openingLps)}; the storm brings ${flow(way.stormLps)}.`,
          numbers: { passesLps: way.passesLps, stormLps: way.stormLps },
          sum: { name: 'opening-flow', input: { ...way.flow } },
          mend: passingOverflow(way, way.stormLps),
        },
      ]
    }),
})

export const inletSiphons = defineCheck({
  id: 'inlet-siphons',
  step: 'store',
  harms: 'loss',
  costsWater: true,
  needs: ['site'],
  sound: 'No inlet can siphon its tank empty',
  find: ({ site }) =>
    tanksOf(site).flatMap(tank =>
      siphoningInlets(site, tank).map(({ port }): Finding => ({
        id: `inlet-siphons:${tank.id}:${port.name}`,
        check: 'inlet-siphons',
        severity: 'look',
        subject: nodeSubject(tank),
        sentence: say`The inlet pipe of ${tank.name} ends under water and can siphon the tank back out through the
          flush drain.`,
        why: say`A pipe that ends at the bottom wants a small air hole at its top; none is said to be there.`,
        numbers: { inletHeightM: port.heightM },
        mend: { label: 'Drill the air hole', move: setPortField(tank, port, 'airHole', true) },
      })),
    ),
})

export const overflowSiphons = defineCheck({
  id: 'overflow-siphons',
  step: 'store',
  harms: 'loss',
  needs: ['site'],
  sound: 'No overflow can siphon its tank empty',
  find: ({ site }) =>
    tanksOf(site).flatMap(tank =>
      usedFrom(site, tank, 'overflow')
        .filter(skims)
        .map((port): Finding => ({
          id: `overflow-siphons:${tank.id}`,
          check: 'overflow-siphons',
          severity: 'wrong',
          subject: nodeSubject(tank),
          sentence: say`Once it runs, the skimming overflow of ${tank.name} goes on until the tank is empty down to
            its mouth.`,
          why: say`A pipe that dips below the surface and falls outside siphons. An air hole at its top breaks that.`,
          numbers: { overflowHeightM: port.heightM },
          mend: { label: 'Drill the air hole', move: setPortField(tank, port, 'airHole', true) },
        })),
    ),
})

export const overflowOpen = defineCheck({
  id: 'overflow-open',
  step: 'store',
  harms: 'season',
  needs: ['site'],
  sound: 'Every overflow is screened or trapped',
  find: ({ site }) =>
    tanksOf(site).flatMap(tank =>
      usedFrom(site, tank, 'overflow')
        .filter(port => port.ending === 'plain')
        .map((port): Finding => ({
          id: `overflow-open:${tank.id}`,
          check: 'overflow-open',
          severity: 'look',
          subject: nodeSubject(tank),
          sentence: say`Mosquitoes and mice find their way into ${tank.name} through its overflow.`,
          why: say`Its mouth of ${pipeSize(port.boreMm)} is open to the air outside; a mesh of ${boreText(MOSQUITO_MESH_MM)}
            or a water trap shuts them out and lets the water by.`,
          numbers: { boreMm: port.boreMm },
          mend: { label: 'Screen it', move: setPortField(tank, port, 'ending', 'screened') },
        })),
    ),
})

const SEDIMENT_M = 0.04

export const drawnFromFloor = defineCheck({
  id: 'drawn-from-floor',
  step: 'store',
  harms: 'season',
  costsWater: true,
  needs: ['site'],
  sound: 'No water is drawn from a tank’s floor',
  find: ({ site }) =>
    tanksOf(site).flatMap(tank =>
      usedFrom(site, tank, 'outlet')
        .filter(port => port.name !== 'fire' && !port.floating && port.heightM < SEDIMENT_M)
        .map((port): Finding => ({
          id: `drawn-from-floor:${tank.id}:${port.name}`,
          check: 'drawn-from-floor',
          severity: 'look',
          subject: nodeSubject(tank),
          sentence: say`${tank.name} is drawn from its floor, where the sediment lies.`,
          why: say`The draw-off sits ${length(port.heightM)} above the floor. ${length(0.1)} keep it out of what
            settles; a float takes the clearest water of all.`,
          numbers: { heightM: port.heightM },
          mend: { label: 'Set it above the sediment', move: moveOf('raiseDrawOff', { tank: tank.id, heightM: 0.1 }) },
        })),
    ),
})

/**
 * How far a floating intake may swing in a tank: its hose keeps to its own half where a float valve hangs on the
 * other side.
 */
function floatIntakeReachM({ shape }: Tank): { acrossM: number; clearM: number } {
  const acrossM =
    shape.shape === 'box'
      ? Math.max(shape.lengthM, shape.widthM)
      : shape.shape === 'lying-cylinder'
        ? shape.lengthM
        : shape.diameterM
  return { acrossM, clearM: Math.round(acrossM * 0.6 * 100) / 100 }
}

export const intakeFouls = defineCheck({
  id: 'intake-fouls',
  step: 'store',
  harms: 'season',
  costsWater: true,
  needs: ['site'],
  sound: 'Floating intakes stay off the floor and clear of float valves',
  find: ({ site }) =>
    tanksOf(site).flatMap(tank =>
      tank.ports
        .filter(port => port.floating)
        .flatMap((port): Finding[] => {
          const { hoseM, stopM } = port.floating!
          const reach = floatIntakeReachM(tank)
          const floats = runsTo(site, tank.id).some(
            run => run.parts.some(part => part.kind === 'float') && nodeById(site, run.to.node) === tank,
          )
          const fouls = floats && hoseM > reach.clearM
          if (stopM >= SEDIMENT_M && !fouls) return []
          return [
            {
              id: `intake-fouls:${tank.id}:${port.name}`,
              check: 'intake-fouls',
              severity: 'look',
              subject: nodeSubject(tank),
              sentence: fouls
                ? say`The floating intake of ${tank.name} can drift into the float valve and hold it open.`
                : say`The floating intake of ${tank.name} lies on the floor once the tank is low, and draws mud.`,
              why: fouls
                ? say`Its hose is ${length(hoseM)} long in a tank ${length(reach.acrossM)} across;
                  ${length(reach.clearM)} keep it on its own side.`
                : say`Its stop holds it ${length(stopM)} above the floor; ${length(0.15)} is enough.`,
              numbers: { hoseM, stopM, acrossM: reach.acrossM },
              mend: {
                label: fouls ? 'Shorten the tether' : 'Set the stop higher',
                move: moveOf('floatDrawOff', {
                  tank: tank.id,
                  port: port.name,
                  hoseM: fouls ? reach.clearM : hoseM,
                  stopM: Math.max(0.15, stopM),
                }),
              },
            },
          ]
        }),
    ),
})

export const ventTooSmall = defineCheck({
  id: 'vent-too-small',
  step: 'store',
  harms: 'season',
  needs: ['site'],
  sound: 'Every vent is as large as what fills or draws',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      if (!tank.lid || tank.ventMm === 0) return []
      const largest = [...usedTo(site, tank), ...usedFrom(site, tank, 'outlet')].sort((a, b) => b.boreMm - a.boreMm)[0]
      if (!largest || tank.ventMm >= largest.boreMm - 0.5) return []
      return [
        {
          id: `vent-too-small:${tank.id}`,
          check: 'vent-too-small',
          severity: 'look',
          subject: nodeSubject(tank),
          sentence: say`The vent of ${tank.name} is smaller than its
            ${largest.role === 'inlet' ? 'inlet' : 'draw-off'}: a hard draw or a hard shower strains the walls.`,
          why: say`Air must come and go as fast as the water: ${pipeSize(largest.boreMm)} against a vent of
            ${pipeSize(tank.ventMm)}.`,
          numbers: { ventMm: tank.ventMm, largestMm: largest.boreMm },
          mend: {
            label: say`Fit a screened vent of ${pipeSize(largest.boreMm)}`,
            move: setField('node', tank.id, 'ventMm', largest.boreMm),
          },
        },
      ]
    }),
})
