import { bestFirst, defineCheck, nodeSubject, type Finding, type Mend } from './finding'
import { length, say } from '../words'
import { highestM, nameOf, nodeById, overflowsOf, pathsFrom, portHeightM, portsByRole, rimM, runsFrom } from '../site'
import { tanksOf, type Path, type Site } from '../site'
import { moveOf, setField } from '../moves'
import { stormIntoLps } from '../network'
import type { NodeOf, Port, SiteNode, Tank } from '../kinds'

/** A rise that is no more than the slack of a measuring tape. */
const SLACK_M = 0.02
/** An outfall is laid this far below what drives it. */
const FALL_M = 0.05

/** A place on a line, the highest one, with what it would take to bring it down. */
function highest(site: Site, path: Path) {
  const topM = highestM(site, path)
  const run = path.runs.find(each => portHeightM(site, each.to) === topM)!
  return { topM, node: nodeById(site, run.to.node) }
}

const lowerTo = (node: { id: string; baseM: number }, byM: number): Mend => ({
  label: say`Lower it by ${length(byM)}`,
  move: moveOf('setHeight', { node: node.id, baseM: Math.round((node.baseM - byM) * 100) / 100 }),
})

/** True where lowering it would bring it into the ground, where nothing runs away. */
const liesTooDeep = (node: SiteNode, byM: number) =>
  node.kind === 'outfall' && AT_THE_SURFACE.includes(node.to) && node.baseM - byM < node.groundM - BURIED_M

/** A sump's pump takes the design storm; where no storm is known, what a usual one lifts. */
const USUAL_PUMP_LPS = 2
const sumpMend = (site: Site, tank: Tank, port: Port): Mend => ({
  label: 'Put a sump and a pump there',
  move: moveOf('fitSumpPump', {
    tank: tank.id,
    port: port.name,
    flowLps: Math.max(0.1, Math.ceil((stormIntoLps(site, tank.id) || USUAL_PUMP_LPS) * 10) / 10),
  }),
})

/** An overflow with a line that cannot run before its tank runs over the rim, and why. */
function stuck(site: Site, tank: Tank, port: Port): Finding {
  const common = {
    id: `overflow-cannot-run:${tank.id}:${port.name}`,
    check: 'overflow-cannot-run',
    severity: 'wrong' as const,
    subject: nodeSubject(tank),
    sentence: say`Full, ${tank.name} runs over its rim: its overflow cannot run.`,
  }
  const openingM = tank.baseM + port.heightM
  const [path] = pathsFrom(site, tank.id, name => name === port.name)
  if (path) {
    const { topM, node } = highest(site, path)
    return {
      ...common,
      why: say`Its line goes up to ${length(topM)}, to ${nameOf(site, node.id)}, and the rim stands at
        ${length(rimM(tank))}. Lower that, lead it elsewhere, or put a sump and a pump there.`,
      numbers: { topM, openingM, rimM: rimM(tank) },
      ...bestFirst(
        liesTooDeep(node, topM - openingM + FALL_M) ? undefined : lowerTo(node, topM - openingM + FALL_M),
        sumpMend(site, tank, port),
      ),
    }
  }
  const valve = runsFrom(site, tank.id, port.name)
    .flatMap(run => run.parts)
    .find(part => part.kind === 'valve' && !part.open)
  return {
    ...common,
    why: valve ? say`A valve in its line is shut.` : say`Its line leads nowhere.`,
    numbers: { openingM },
    ...(valve ? { mend: { label: 'Open the valve', move: setField('part', valve.id, 'open', true) } } : {}),
  }
}

export const overflowCannotRun = defineCheck({
  id: 'overflow-cannot-run',
  step: 'store',
  harms: 'loss',
  follows: ['overflow-ring', 'tank-off-its-base'],
  needs: ['site'],
  sound: 'Every overflow runs before its tank runs over the rim',
  find: ({ site }) =>
    tanksOf(site).flatMap(tank =>
      portsByRole(tank, 'overflow').flatMap((port): Finding[] => {
        if (!runsFrom(site, tank.id, port.name).length || tank.baseM + port.heightM > rimM(tank)) return []
        const way = overflowsOf(site, tank).find(each => each.port === port)
        if (!way) return [stuck(site, tank, port)]
        const openingM = tank.baseM + port.heightM
        const overM = way.runsAtM - openingM
        if (overM <= SLACK_M) return []
        const { node } = highest(site, way.path)
        return [
          {
            id: `overflow-cannot-run:${tank.id}:${port.name}`,
            check: 'overflow-cannot-run',
            severity: 'look',
            subject: nodeSubject(tank),
            sentence: say`The overflow of ${tank.name} runs only once water stands ${length(overM)} above its mouth.`,
            why: say`Its line goes up to ${length(way.runsAtM)}, to ${nameOf(site, node.id)}; the mouth lies at
              ${length(openingM)}.`,
            numbers: { overM, openingM, runsAtM: way.runsAtM },
            ...bestFirst(lowerTo(node, overM + FALL_M), sumpMend(site, tank, port)),
          },
        ]
      }),
    ),
})

/** Where water runs out at the surface; a soakaway and a drain take it below. */
const AT_THE_SURFACE: readonly NodeOf<'outfall'>['to'][] = ['swale', 'ditch', 'rain-garden', 'ground']

/** Where overflows come out, each place once. */
const overflowEnds = (site: Site): NodeOf<'outfall'>[] => [
  ...new Set(
    tanksOf(site)
      .flatMap(tank => overflowsOf(site, tank))
      .flatMap(({ path }) => (path.end.kind === 'outfall' ? [path.end] : [])),
  ),
]

export const outfallInTheGround = defineCheck({
  id: 'outfall-in-the-ground',
  step: 'store',
  harms: 'people',
  follows: ['tank-off-its-base'],
  needs: ['site'],
  sound: 'No outfall lies below the ground it runs out on',
  find: ({ site }) =>
    overflowEnds(site).flatMap((node): Finding[] => {
      if (!AT_THE_SURFACE.includes(node.to)) return []
      const belowM = node.groundM - node.baseM
      if (belowM <= BURIED_M) return []
      return [
        {
          id: `outfall-in-the-ground:${node.id}`,
          check: 'outfall-in-the-ground',
          severity: 'wrong',
          subject: { kind: 'node', id: node.id, name: nameOf(site, node.id) },
          sentence: say`${nameOf(site, node.id)} lies below the ground: what should run away there comes back.`,
          why: say`It lies ${length(belowM)} under the ground around it. A tank that stands lower than the ground it
            spills to floods the pit or the cellar it stands in: raise it, lead it to a drain or a soakaway that lies
            deeper, or put a sump and a pump there.`,
          numbers: { belowM },
          answers: [
            {
              label: 'The ground falls away there',
              move: setField('node', node.id, 'groundM', Math.round(node.baseM * 100) / 100),
            },
            { label: 'It is a soakaway', move: moveOf('leadTo', { outfall: node.id, to: 'soakaway' }) },
            { label: 'It is a drain', move: moveOf('leadTo', { outfall: node.id, to: 'drain' }) },
            ...sumpFor(site, node),
          ],
        },
      ]
    }),
})
const BURIED_M = 0.3

/** The sump and pump of the overflow that ends there, where one does and has none. */
function sumpFor(site: Site, outfall: NodeOf<'outfall'>): Mend[] {
  for (const tank of tanksOf(site))
    for (const { port, path } of overflowsOf(site, tank))
      if (path.end.id === outfall.id && path.runs.length === 1 && path.pumpLps === undefined)
        return [sumpMend(site, tank, port)]
  return []
}
