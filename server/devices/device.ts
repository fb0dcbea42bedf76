import type { z } from 'zod'
import { type Answer, refuse } from '#core/answers'

/**
 * A piece of the simulated outside world. It keeps its settings and nothing else: what it answers follows from them,
 * from the clock and from the seed, so that the same question gets the same answer.
 */
export interface StandIn<Settings extends object = object> {
  id: string
  name: string
  read: () => Settings
  /** When they were set, ms since 1970 by this machine's clock. */
  setAtMs: () => number
  /** Changes some of the settings; what cannot be is refused, and nothing is changed. */
  change: (json: unknown) => Answer<{ settings: Settings }>
}

/** A device of given settings; each must have a default, which it has until somebody changes it. */
export function defineDevice<Shape extends z.ZodRawShape>(
  id: string,
  name: string,
  schema: z.ZodObject<Shape>,
): StandIn<z.output<z.ZodObject<Shape>>> {
  let settings = schema.parse({})
  let setAtMs = Date.now()
  return {
    id,
    name,
    read: () => settings,
    setAtMs: () => setAtMs,
    change(json) {
      if (typeof json !== 'object' || json === null) return refuse(`The settings of ${name} must be one JSON object.`)
      const read = schema.strict().safeParse({ ...settings, ...json })
      if (read.success) {
        settings = read.data
        setAtMs = Date.now()
        return { ok: true, settings }
      }
      const [issue] = read.error.issues
      if (issue!.code === 'unrecognized_keys')
        return refuse(`${issue!.keys[0]} is no setting of ${name}.`, issue!.keys[0])
      const path = issue!.path.join('.')
      return refuse(`${path} ${issue!.message}.`, path)
    },
  }
}
