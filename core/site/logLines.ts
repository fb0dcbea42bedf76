import { freeId } from './ids'
import type { LogReading } from '../kinds'

/** When, and of what: a line's figure may be corrected, and it is the same line still. */
const whatItIs = ({ at, kind, subject = '' }: LogReading): string => `${at}\n${kind}\n${subject}`
/** When, what and how much: a line that says the same is the same one, whichever machine wrote it. */
const whatItSays = (line: LogReading): string =>
  `${whatItIs(line)}\n${line.value ?? ''}\n${line.source ?? ''}\n${line.note ?? ''}`

/** What a log holds, by id and by what it says. */
interface Held {
  log: readonly LogReading[]
  byId: Map<string, LogReading>
  said: Set<string>
}
let held: Held = { log: [], byId: new Map(), said: new Set() }
/** What a log holds: of one that goes on from the one asked about last, what came to it is looked at alone. */
function heldIn(log: readonly LogReading[]): Held {
  const { log: before } = held
  const goesOn = before.length <= log.length && before.every((line, at) => line === log[at])
  const { byId, said } = goesOn ? held : { byId: new Map<string, LogReading>(), said: new Set<string>() }
  for (let at = goesOn ? before.length : 0; at < log.length; at++) {
    byId.set(log[at]!.id, log[at]!)
    said.add(whatItSays(log[at]!))
  }
  return (held = { log: [...log], byId, said })
}

/**
 * Of lines that a table, a device or another machine brings, those that a log does not hold yet, each with an id that is
 * free there. Of one id it is the same line, corrected here or there, where it is of one thing: what stands here stays.
 */
export function newLines(log: readonly LogReading[], brought: readonly LogReading[]): LogReading[] {
  const { byId, said } = heldIn(log)
  const [ids, words] = [new Set<string>(), new Set<string>()]
  const isTaken = { has: (id: string) => byId.has(id) || ids.has(id) }
  const fresh: LogReading[] = []
  for (const line of brought) {
    const says = whatItSays(line)
    const same = byId.get(line.id)
    if (said.has(says) || words.has(says) || (same && whatItIs(same) === whatItIs(line))) continue
    const id = isTaken.has(line.id) ? freeId(isTaken, line.id) : line.id
    ids.add(id)
    words.add(says)
    fresh.push(id === line.id ? line : { ...line, id })
  }
  return fresh
}
