import { levelTops } from './joined'
import { bestFirst, defineCheck, nodeSubject, subjectOfRun, type Finding } from './finding'
import { flow, length, percent, say, volume, pipeSize } from '../words'
import { gravityFlow } from '../sums'
import {
  drainsLow,
  isShutAtSpouts,
  LOW_DRAIN_M,
  nodeById,
  overflowsOf,
  portHeightM,
  portsByRole,
  runsFrom,
  runsTo,
  tankNominalL,
  tanksOf,
  waitsForNext,
  type Site,
} from '../site'
import { moveOf } from '../moves'
import { LINE_BORES_MM } from '../catalog'

export const linkTooSlow = defineCheck({
  id: 'link-too-slow',
  step: 'store',
  harms: 'loss',
  needs: ['site', 'links'],
  sound: 'Every link keeps up with the storm',
  find: ({ site, links }) =>
    links.flatMap((link): Finding[] => {
      if (link.wantedLps === undefined || link.passesLps >= link.wantedLps) return []
      const widerMm =
        LINE_BORES_MM.find(
          boreMm =>
            boreMm > link.boreMm && gravityFlow({ ...link.flow, innerDiameterMm: boreMm }).flowLps >= link.wantedLps!,
        ) ?? LINE_BORES_MM.at(-1)!
      return [
        {
          id: `link-too-slow:${link.run.id}`,
          check: 'link-too-slow',
          severity: 'look',
          subject: subjectOfRun(site, link.run),
          sentence: say`In a hard shower ${link.a.name} and ${link.b.name} do not rise together: one overflows while
            the other is still half full.`,
          why: say`The ${pipeSize(link.boreMm)} link passes ${flow(link.passesLps)} at that difference. The roof gives
            ${flow(link.stormLps!)}, and ${flow(link.wantedLps)} of it belongs on the other side.`,
          numbers: { passesLps: link.passesLps, stormLps: link.stormLps!, wantedLps: link.wantedLps },
          sum: { name: 'gravity-flow', input: { ...link.flow } },
          ...(widerMm > link.boreMm
            ? {
                mend: {
                  label: say`Lay the link in ${pipeSize(widerMm)}`,
                  move: moveOf('widenLink', { run: link.run.id, boreMm: widerMm }),
                },
              }
            : {}),
        },
      ]
    }),
})

export const sharedOverflow = defineCheck({
  id: 'shared-overflow',
  step: 'store',
  harms: 'loss',
  follows: ['tank-off-its-base', 'rims-differ', 'joins-nothing'],
  needs: ['site', 'pools'],
  sound: 'An overflow that serves several tanks serves all of them',
  find: ({ site, pools }) =>
    pools.flatMap((pool): Finding[] => {
      const led = pool.tanks.filter(tank => overflowsOf(site, tank).length)
      if (pool.spillsAt.port || pool.tanks.length < 2 || !led.length || isShutAtSpouts(site, pool.tanks)) return []
      const { tank } = pool.spillsAt
      return [
        {
          id: `shared-overflow:${tank.id}`,
          check: 'shared-overflow',
          severity: 'wrong',
          subject: nodeSubject(tank),
          sentence: say`${tank.name} runs over its rim before the overflow of ${led[0]!.name} is reached.`,
          why: say`Joined tanks stand at one level. The rim of ${tank.name} lies at ${length(pool.capM)}, below the
            overflow that is meant to serve both.`,
          numbers: { rimM: pool.capM },
          ...bestFirst(
            { label: 'Give it an overflow of its own', move: moveOf('fitOverflow', { tank: tank.id }) },
            ...levelTops(pool.tanks),
          ),
        },
      ]
    }),
})

export const noSpare = defineCheck({
  id: 'no-spare',
  step: 'store',
  harms: 'cost',
  follows: ['joins-nothing'],
  needs: ['site', 'pools', 'lines'],
  sound: 'A capped valve waits for the next tank',
  find: ({ site, pools, lines }) =>
    pools.flatMap((pool): Finding[] => {
      const tank = pool.tanks.at(-1)!
      if (!lines.some(line => pool.tanks.includes(line.tank)) || waitsForNext(site, tank)) return []
      return [
        {
          id: `no-spare:${pool.tanks[0]!.id}`,
          check: 'no-spare',
          severity: 'look',
          subject: nodeSubject(tank, pool.name),
          sentence: say`Nothing is left on ${pool.name} to join the next tank to.`,
          why: say`Fitting it later means emptying ${volume(pool.capL)} first. A capped valve costs little while the
            tank is empty.`,
          numbers: { capL: pool.capL },
          mend: { label: 'Leave a capped valve', move: moveOf('fitSpare', { tank: tank.id }) },
        },
      ]
    }),
})

/** Lines that run down from one tank's outlet into another tank. */
function feeds(site: Site) {
  return site.runs.flatMap(run => {
    const [from, to] = [nodeById(site, run.from.node), nodeById(site, run.to.node)]
    if (from.kind !== 'tank' || to.kind !== 'tank') return []
    const roles = [
      from.ports.find(port => port.name === run.from.port)!.role,
      to.ports.find(port => port.name === run.to.port)!.role,
    ]
    return roles[0] !== 'overflow' && roles[1] === 'inlet'
      ? [{ run, from, to, outM: portHeightM(site, run.from), inM: portHeightM(site, run.to) }]
      : []
  })
}

export const floatMissing = defineCheck({
  id: 'float-missing',
  step: 'store',
  harms: 'loss',
  needs: ['site'],
  sound: 'Every tank that another fills can stop it',
  find: ({ site }) => [
    ...mainsUnstopped(site),
    ...feeds(site).flatMap(({ run, from, to, outM, inM }): Finding[] => {
      if (run.parts.some(part => part.kind === 'float' || part.kind === 'pump') || inM > outM + 1) return []
      return [
        {
          id: `float-missing:${run.id}`,
          check: 'float-missing',
          severity: 'wrong',
          subject: subjectOfRun(site, run),
          sentence: say`${from.name} runs out through ${to.name}: nothing stops the water once the lower tank is full.`,
          why: say`It lies at ${length(inM)}, its feeder draws from ${length(outM)}, and the line has no float valve.`,
          numbers: { inM, outM },
          mend: { label: `Fit a float valve in ${to.name}`, move: moveOf('fitFloat', { run: run.id }) },
        },
      ]
    }),
  ],
})

/** Lines of a main that run into a tank, and that nothing stops once it is full. */
const mainsUnstopped = (site: Site): Finding[] =>
  site.runs.flatMap((run): Finding[] => {
    const [from, to] = [nodeById(site, run.from.node), nodeById(site, run.to.node)]
    const isShut = run.parts.some(part => part.kind === 'float' || (part.kind === 'valve' && !part.open))
    if (from.kind !== 'main' || to.kind !== 'tank' || isShut) return []
    return [
      {
        id: `float-missing:${run.id}`,
        check: 'float-missing',
        severity: 'wrong',
        subject: subjectOfRun(site, run),
        sentence: say`${from.name} runs on once ${to.name} is full: paid water goes out by its overflow.`,
        why: say`Nothing in the line stops it. A float valve at its end shuts once the tank is full.`,
        numbers: { pressureKPa: from.pressureKPa },
        mend: { label: `Fit a float valve in ${to.name}`, move: moveOf('fitFloat', { run: run.id }) },
      },
    ]
  })

const MOST_OUT_OF_REACH = 0.5

export const feederTooLow = defineCheck({
  id: 'feeder-too-low',
  step: 'store',
  harms: 'loss',
  follows: ['tank-off-its-base'],
  needs: ['site', 'pools', 'compiled'],
  sound: 'Tanks that fill others stand high enough to do so',
  find: ({ site, pools, compiled }) =>
    compiled.transfers.flatMap((line): Finding[] => {
      const [from, to] = [pools[line.from]!, pools[line.to]!]
      if (line.pumped || line.keepL <= MOST_OUT_OF_REACH * from.capL) return []
      const feed = feeds(site).find(each => from.tanks.includes(each.from) && to.tanks.includes(each.to))
      if (!feed) return []
      const small = feed.to
      const port = small.ports.find(candidate => candidate.name === feed.run.to.port)!
      const baseM = Math.round((feed.outM - port.heightM + 0.02) * 100) / 100
      return [
        {
          id: `feeder-too-low:${feed.run.id}`,
          check: 'feeder-too-low',
          severity: line.keepL >= from.capL - 1 ? 'wrong' : 'look',
          subject: nodeSubject(small),
          sentence:
            line.keepL >= from.capL - 1
              ? say`${from.name} can never fill ${small.name}: even full, it stands lower.`
              : say`${percent(line.keepL / from.capL)} of ${from.name} can never reach ${small.name}.`,
          why: say`Water comes in at ${length(feed.inM)}, and ${from.name} fills it only while it stands higher, at
            ${length(from.capM)} when full. ${volume(line.keepL)} stay behind.`,
          numbers: { inM: feed.inM, fullM: from.capM, keptL: line.keepL },
          ...(baseM < small.baseM
            ? { mend: { label: `Set ${small.name} lower`, move: moveOf('setHeight', { node: small.id, baseM }) } }
            : {}),
        },
      ]
    }),
})

export const drainMissing = defineCheck({
  id: 'drain-missing',
  step: 'store',
  harms: 'cost',
  needs: ['site'],
  sound: 'Every tank can be drained',
  find: ({ site }) =>
    tanksOf(site).flatMap((tank): Finding[] => {
      if (!runsTo(site, tank.id).length || drainsLow(site, tank)) return []
      return [
        {
          id: `drain-missing:${tank.id}`,
          check: 'drain-missing',
          severity: 'look',
          subject: nodeSubject(tank),
          sentence: say`Nothing lies low enough to drain ${tank.name}: its mud stays, and frost or a crack finds it full.`,
          why: say`No drain, draw-off or valve lies within ${length(LOW_DRAIN_M)} of its floor. Fitted now it costs a
            hole; fitted later, ${volume(tankNominalL(tank))} are let out first, by a pump or a siphon.`,
          numbers: { lowM: LOW_DRAIN_M },
          mend: { label: 'Leave a capped valve low in its wall', move: moveOf('fitSpare', { tank: tank.id }) },
        },
      ]
    }),
})

export const supplyUnfitted = defineCheck({
  id: 'supply-unfitted',
  step: 'store',
  harms: 'cost',
  needs: ['site', 'lines'],
  sound: 'Every outlet has its valve before the first rain',
  find: ({ site, lines }) =>
    site.nodes.flatMap((tank): Finding[] => {
      if (tank.kind !== 'tank' || !(lines.some(line => line.tank === tank) || runsTo(site, tank.id).length)) return []
      const outlets = portsByRole(tank, 'outlet')
      // Behind a hole above the water, where a pump stands in the tank, nothing runs out when the line is opened.
      const bare = outlets
        .filter(({ intakeM }) => intakeM === undefined)
        .flatMap(port => runsFrom(site, tank.id, port.name))
        .filter(run => run.parts[0]?.kind !== 'valve')
      if (outlets.length && !bare.length) return []
      return [
        {
          id: `supply-unfitted:${tank.id}`,
          check: 'supply-unfitted',
          severity: 'look',
          subject: bare[0] ? subjectOfRun(site, bare[0]) : nodeSubject(tank),
          sentence: outlets.length
            ? say`Not yet: the supply outlet of ${tank.name} has no valve.`
            : say`Not yet: ${tank.name} has no supply outlet.`,
          why: say`Once the first rain is in, every fitting below the water means emptying the tank. A valve goes
            right at its wall.`,
          numbers: { outlets: outlets.length, bare: bare.length },
          mend: { label: 'Fit it while the tank is empty', move: moveOf('fitSupplyValve', { tank: tank.id }) },
        },
      ]
    }),
})
