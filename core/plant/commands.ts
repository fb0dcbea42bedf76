import { z } from 'zod'
import { FAULT_IDS } from './faults'

const id = z.string().min(1).max(200)
const open = z.union([z.boolean().transform(yes => (yes ? 1 : 0)), z.number().min(0).max(1)])
const yes = z.union([
  z.boolean(),
  z
    .number()
    .min(0)
    .max(1)
    .transform(share => share > 0),
])
const share = z.number().min(0).max(1)

/** What can be done to a plant that runs, each told by the field that it has. */
export const COMMANDS = {
  /** A tap, by its id, opened to a share. */
  tap: z.object({ tap: id, to: open }),
  /** A valve, by its part's id. */
  valve: z.object({ valve: id, to: yes }),
  power: z.object({ power: z.unknown(), to: yes }),
  /** A main, by its id; one that is off gives nothing, and takes what runs back. */
  main: z.object({ main: id, to: yes }),
  /** A pump switched by hand, by its run's id. */
  pump: z.object({ pump: id, to: yes }),
  rainMmPerH: z.object({ rainMmPerH: z.number().min(0).max(1000) }),
  /** The sun on the panels, as a share of full. */
  sun: z.object({ sun: share }),
  /** So many litres drawn at a tap, as it gives them. */
  draw: z.object({ draw: id, litres: z.number().positive().max(1e6) }),
  /** What breaks, where, and by how much. */
  fault: z.object({ fault: z.enum(FAULT_IDS), at: id, to: z.number().min(-1e4).max(1e4) }),
} as const
export type CommandKind = keyof typeof COMMANDS
export type Command = { [Kind in CommandKind]: z.infer<(typeof COMMANDS)[Kind]> }[CommandKind]
export type ScriptStep = Command & { atS: number }

/** What a doing is, by the field that tells it; undefined where it tells none. */
export const kindOf = (doing: object): CommandKind | undefined =>
  (Object.keys(COMMANDS) as CommandKind[]).find(kind => kind in doing)

/**
 * Reads one step of a script as people write it: `{ atS, tap: id, to: 1 }`, `{ atS, power: false }` or `{ atS, power:
 * true, to: false }`, `{ atS, rainMmPerH: 30 }` or `{ atS, rainMmPerH: 0, to: 30 }`.
 * @returns the step, or why it cannot be read: the field, and what it must be
 */
export function readStep(json: unknown): { ok: true; step: ScriptStep } | { ok: false; path: string; why: string } {
  if (typeof json !== 'object' || json === null) return { ok: false, path: '', why: 'must tell what is done' }
  const given: Record<string, unknown> = { ...json }
  const kind = kindOf(given)
  if (!kind) return { ok: false, path: '', why: `must tell what is done: one of ${Object.keys(COMMANDS).join(', ')}` }
  const { atS } = given
  if (typeof atS !== 'number' || !Number.isFinite(atS) || atS < 0)
    return { ok: false, path: 'atS', why: 'must be a number of seconds, 0 or more' }
  if (kind === 'rainMmPerH' || kind === 'sun') given[kind] = given.to ?? given[kind]
  if (kind === 'power') given.to ??= given.power
  if (kind === 'fault') given.to ??= 1
  const read = COMMANDS[kind].safeParse(given)
  if (read.success) return { ok: true, step: { ...(read.data as Command), atS } }
  const [issue] = read.error.issues
  const path = issue!.path.join('.') || kind
  return { ok: false, path, why: WHY[path] ?? 'is not what can be done there' }
}
const WHY: Record<string, string> = {
  tap: 'must be the id of a tap',
  valve: 'must be the id of a valve',
  main: 'must be the id of a main',
  pump: 'must be the id of a run with a pump',
  draw: 'must be the id of a tap',
  to: 'must be true or false; of a tap, a share from 0 to 1',
  litres: 'must be litres, more than 0',
  rainMmPerH: 'must be millimetres an hour, from 0 to 1000',
  sun: 'must be a share from 0 to 1',
  fault: `must be one of ${FAULT_IDS.join(', ')}`,
  at: 'must be the id of what breaks',
}
