import { usualSwitch } from '../catalog'
import { floatShutsM, graphOf, spillM, walk, type Run, type Site } from '../site'
import type { NodeOf, PartOf, Tank } from '../kinds'

/** How a pump is started and stopped, as it stands in its line. */
export type PumpSwitch =
  /** By the pressure of the pressure tank behind it. */
  | { by: 'pressure'; vessel: string; cutInKPa: number; cutOutKPa: number }
  /** By the level of the tank that it fills, metres above its floor. */
  | { by: 'level'; tank: string; startM: number; stopM: number }
  /** By what is drawn: it runs while water flows. */
  | { by: 'flow' }
  /** By hand: it runs while there is power. */
  | { by: 'hand' }

export interface PumpControl {
  run: Run
  pump: PartOf<'pump'>
  /** What it can be switched by: its own switch's. */
  is: PumpSwitch
}

/** Where a tank that a pump fills is filled to, and from where again, as shares of what it holds; unless a rule says. */
const [START_SHARE, STOP_SHARE] = [0.8, 0.97]

/** Every pump of a site with what switches it: as its document says, else as its kind usually is in such a line. */
export function pumpControls(site: Site): PumpControl[] {
  return site.runs.flatMap(run =>
    run.parts.flatMap((pump): PumpControl[] =>
      pump.kind === 'pump' ? [{ run, pump, is: switchOf(site, run, pump) }] : [],
    ),
  )
}

function switchOf(site: Site, run: Run, pump: PartOf<'pump'>): PumpSwitch {
  const behind = [endNode(site, run), ...[...walk(site, run.to.node, { along: 'down' })].map(({ node }) => node)]
  const vessel = behind.find((node): node is NodeOf<'pressureTank'> => node?.kind === 'pressureTank')
  const tank = behind.find((node): node is Tank => node?.kind === 'tank')
  const by =
    pump.switchedBy ??
    (tank && !vessel && pump.pump !== 'on-demand' ? 'level-switch' : usualSwitch(pump.pump, vessel !== undefined))
  switch (by) {
    case 'pressure-switch':
      if (!vessel) return { by: 'flow' }
      // A set that holds a pressure of its own does so with a pressure tank behind it too.
      if (pump.pump === 'variable-speed' && !pump.switchedBy) return { by: 'flow' }
      return { by: 'pressure', vessel: vessel.id, cutInKPa: vessel.cutInKPa, cutOutKPa: vessel.cutOutKPa }
    case 'level-switch':
      return tank ? { by: 'level', tank: tank.id, ...levels(site, run, tank) } : { by: 'hand' }
    case 'flow-switch':
      return { by: 'flow' }
    case 'hand':
      return { by: 'hand' }
  }
}

const endNode = (site: Site, run: Run) => graphOf(site).node(run.to.node)

/** A well's own rule says when its tank is filled; the float in a line, when it is full. */
function levels(site: Site, run: Run, tank: Tank): { startM: number; stopM: number } {
  const source = graphOf(site).node(run.from.node)
  const rule = source?.kind === 'well' ? source.rule : { startShare: START_SHARE, stopShare: STOP_SHARE }
  const fullM = spillM(site, tank) - tank.baseM
  const floats = graphOf(site)
    .into(tank.id)
    .flatMap(into => floatShutsM(site, into) ?? [])
    .map(heightM => heightM - tank.baseM)
  const stopM = Math.min(fullM * Math.min(STOP_SHARE, rule.stopShare), ...floats.map(heightM => heightM - 0.01))
  return { startM: Math.min(stopM - 0.02, fullM * rule.startShare), stopM }
}
