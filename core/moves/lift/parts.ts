import { highHoleM } from './sizing'
import { freshPort } from '../joins'
import { union, valve } from '../move'
import { groupSpillM, type FeedSource, type Site } from '../../site'
import type { NewPart, Port, Tank } from '../../kinds'
import { liftRow, SCREENS, type LiftId } from '../../catalog'

const check = (boreMm: number): NewPart => ({ kind: 'check', boreMm })
const hose = (lengthM: number, innerDiameterMm: number): NewPart => ({ kind: 'flexible', lengthM, innerDiameterMm })
const pipeUp = (lengthM: number, innerDiameterMm: number): NewPart => ({
  kind: 'pipe',
  lengthM,
  innerDiameterMm,
  roughnessMm: 0.0015,
  guessed: true,
})
const strainer: NewPart = { kind: 'screen', meshMm: SCREENS.line.meshMm, type: 'line' }

/**
 * What stands between where the water is and its line to the taps, in the order in which water meets it: each pump
 * with the valve that holds its water, the soft link that lets a tank swell, and unions where it comes apart.
 */
export function headOf(source: FeedSource, lift: LiftId, pump: NewPart | undefined, boreMm: number): NewPart[] {
  const { kind } = source
  const toPump = kind === 'well' ? Math.max(1, Math.ceil(source.stillWaterDepthM + 3)) : 0
  if (!pump) {
    return kind === 'main'
      ? [valve(boreMm), check(boreMm), { kind: 'meter', boreMm }]
      : kind === 'well'
        ? [check(boreMm), valve(boreMm)]
        : [valve(boreMm)]
  }
  if (kind === 'well')
    return lift === 'jet'
      ? // A foot valve keeps the suction line full; the pump stands at the top.
        [check(boreMm), pipeUp(toPump, boreMm), union(boreMm), pump, union(boreMm), valve(boreMm)]
      : [pump, check(boreMm), pipeUp(toPump, boreMm), union(boreMm), valve(boreMm)]
  if (standsTo(source, lift) === 'above')
    return [
      check(boreMm),
      hose(1.2, boreMm),
      ...(lift.startsWith('on-demand') ? [strainer] : []),
      pump,
      check(boreMm),
      union(boreMm),
      valve(boreMm),
    ]
  switch (lift) {
    case 'submersible':
    case 'solar':
      // Pump at the foot, its line looped up to a union under the lid.
      return [pump, check(boreMm), hose(1, boreMm), union(boreMm), valve(boreMm)]
    case 'on-demand':
    case 'on-demand-above':
      return [valve(boreMm), strainer, hose(0.5, boreMm), union(boreMm), pump, check(boreMm), union(boreMm)]
    case 'gravity':
    case 'jet':
    case 'variable-speed':
      // Rigid pipe between tank and pump cracks as the tank swells.
      return [valve(boreMm), hose(0.5, boreMm), union(boreMm), pump, check(boreMm), union(boreMm)]
  }
}

/** Where a pump stands to its water; beside a buried tank there is only soil, and it stands above. */
function standsTo(source: FeedSource, lift: LiftId): 'beside' | 'above' | 'within' | undefined {
  const { stands } = liftRow(lift)
  return stands === 'beside' && source.kind === 'tank' && source.base === 'buried' ? 'above' : stands
}

/** True where the pump's line leaves its tank through a hole above the water, and draws at its foot. */
export const leavesHigh = (source: FeedSource, lift: LiftId): boolean =>
  source.kind === 'tank' && ['above', 'within'].includes(standsTo(source, lift) ?? '')

/**
 * A hole above the water whose intake lies where a draw-off did, with a cord through it where the pump is in the water:
 * the draw-off itself, unless other lines draw by it; then one more.
 */
export function raiseHole(site: Site, tank: Tank, port: Port, lift: LiftId, others: boolean): string {
  const heightM = highHoleM(tank, groupSpillM(site, tank) - tank.baseM)
  const raised = {
    heightM,
    intakeM: port.floating?.stopM ?? port.heightM,
    ...(standsTo(tank, lift) === 'within' ? { cordAtM: heightM } : {}),
  }
  if (!others) {
    delete port.floating
    Object.assign(port, raised)
    return port.name
  }
  const name = freshPort(tank, 'pump')
  tank.ports.push({ name, role: 'outlet', boreMm: port.boreMm, ...raised })
  return name
}
