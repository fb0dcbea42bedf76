import { DAY_MS } from '../units'
import { laterSteps, type LaterWork } from './later'
import { planOf, type Planned } from './order/order'
import { fillL } from '../network'
import {
  drainsLow,
  graphOf,
  isShutAtSpouts,
  joinedTanks,
  nameOf,
  roofMonthL,
  runName,
  tanksOf,
  waitsForNext,
  type Run,
  type Site,
} from '../site'
import type { Tank } from '../kinds'
import { NEAR } from '../catalog'

/** What must be there before the first rain, or before water is let in by hand. */
export interface GateItem {
  id: string
  before: 'rain' | 'water'
  what: string
  at: string
  /** Why it is open; nothing where it is shut. */
  open?: string
  /** What forgetting it comes to: litres to let out, and days of rain at this season to fill again. */
  costsLater: { litres: number; days?: number }
  /** What is done then, in order. */
  later: string[]
}

const DAYS = 30.4

/**
 * The gate of a site in a month: each thing that a full tank makes dear, open while it is not in the plan or its task is
 * not done. With the day that it is, a base counts once it has cured.
 */
export function gateOf(site: Site, month: number, today?: string): GateItem[] {
  const plan = new Map(planOf(site).map(task => [task.id, task]))
  return [
    ...tanksOf(site).flatMap(tank => tankGate(site, tank, plan, month, today)),
    ...site.runs.flatMap(run => arrowGate(site, run, plan)),
  ]
}

/** Why a task is still open: it is not done, and what it waits for. */
function undone(plan: ReadonlyMap<string, Planned>, id: string): string | undefined {
  const task = plan.get(id)
  if (!task || task.done) return undefined
  return task.waitsFor.length ? `not yet: ${lowered(plan.get(task.waitsFor[0]!)!.what)} comes first` : 'not done yet'
}
/** Why what was done still waits: it cures until a day that has not come. */
function uncured(task: Planned | undefined, today: string | undefined): string | undefined {
  if (!task?.done || !task.curesH || today === undefined) return undefined
  const leftDays = Math.ceil((Date.parse(task.done.on) - Date.parse(today)) / DAY_MS + task.curesH / 24)
  return leftDays > 0 ? `it cures for ${leftDays === 1 ? 'one more day' : `${leftDays} more days`}` : undefined
}
const lowered = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1)

function tankGate(
  site: Site,
  tank: Tank,
  plan: ReadonlyMap<string, Planned>,
  month: number,
  today?: string,
): GateItem[] {
  const { id, name } = tank
  const graph = graphOf(site)
  const fullL = fillL(site, id)
  const rainL = roofMonthL(site, month) / Math.max(1, tanksOf(site).length) / DAYS
  const costsLater = {
    litres: Math.round(fullL),
    ...(rainL > 0.5 ? { days: Math.max(1, Math.ceil(fullL / rainL)) } : {}),
  }
  const at = (port: string): Run[] =>
    graph.at(id).filter(run => [run.from, run.to].some(end => end.node === id && end.port === port))
  const byRole = (role: string) => tank.ports.filter(port => port.role === role)
  const item = (of: LaterWork, before: GateItem['before'], what: string, open: string | undefined): GateItem[] => [
    {
      id: `${of}:${id}`,
      before,
      what,
      at: id,
      ...(open ? { open } : {}),
      costsLater,
      later: laterSteps(site, tank, of, costsLater.days),
    },
  ]
  const wall = undone(plan, `wall:${id}`)
  // A tank that is joined at the bottom is drawn from, and drained, by the others.
  const joined = byRole('link').filter(port => at(port.name).length)
  const outlets = [...byRole('outlet'), ...byRole('fire')].filter(port => at(port.name).length)
  const drawn = [...outlets, ...joined]
  const bare = drawn.find(port => !at(port.name).some(run => run.parts.some(({ kind }) => kind === 'valve')))
  const next = waitsForNext(site, tank)
  const drains = drainsLow(site, tank)
  const overflow = byRole('overflow').find(port => at(port.name).length)
  const runsTo = overflow && graph.node(at(overflow.name)[0]!.to.node)
  const near =
    runsTo?.kind === 'outfall' && runsTo.near && NEAR[runsTo.near].harm
      ? `it runs towards ${NEAR[runsTo.near].name}`
      : undefined
  const base =
    tank.base === 'bare-soil'
      ? 'it stands on bare soil'
      : (undone(plan, `base:${id}`) ?? uncured(plan.get(`base:${id}`), today))
  return [
    ...item(
      'supply',
      'rain',
      `${name}: its supply outlet, with a valve`,
      !drawn.length
        ? 'nothing draws from it yet, and there is no outlet'
        : bare
          ? 'the supply outlet has no valve'
          : wall,
    ),
    ...item(
      'next',
      'rain',
      `${name}: a valve or a cap for the next tank`,
      next ? wall : 'nothing is left for the next tank',
    ),
    ...item('drain', 'rain', `${name}: a way to drain it`, drains ? wall : 'no hole lies low enough to drain it'),
    ...item(
      'overflow',
      'rain',
      `${name}: its overflow, and where that runs`,
      !overflow
        ? isShutAtSpouts(site, joinedTanks(site, tank))
          ? undefined
          : 'it has no overflow with a line'
        : (near ?? undone(plan, `make:${at(overflow.name)[0]!.id}`)),
    ),
    ...item(
      'air',
      'rain',
      `${name}: vent and meshes`,
      tank.lid && !tank.ventMm ? 'it has no vent' : undone(plan, `inside:${id}`),
    ),
    ...item('tight', 'water', `${name}: every fitting tight from inside`, wall),
    ...item('base', 'water', `${name}: its base, cured`, base),
  ]
}

function arrowGate(site: Site, run: Run, plan: ReadonlyMap<string, Planned>): GateItem[] {
  if (!run.parts.some(({ kind }) => kind === 'check')) return []
  const open = undone(plan, `make:${run.id}`)
  return [
    {
      id: `arrow:${run.id}`,
      before: 'water',
      what: `“${runName(site, run)}”: the check valve’s arrow towards ${nameOf(site, run.to.node)}`,
      at: run.id,
      ...(open ? { open } : {}),
      costsLater: { litres: 0 },
      later: ['Shut the valves to both sides of it.', 'Open its unions, and turn it round.', 'Let water in, and look.'],
    },
  ]
}
