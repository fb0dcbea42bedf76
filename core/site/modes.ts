import { onceEach } from './once'
import type { Mode, Site } from './schema'

/** A site with its valves as a mode sets them; those that it does not name stand as they are. */
export const inMode = onceEach((site: Site, mode: Mode): Site => {
  const open = new Map(mode.positions.map(position => [position.part, position.open]))
  const turned = site.runs.map(run =>
    run.parts.some(part => open.has(part.id))
      ? {
          ...run,
          parts: run.parts.map(part =>
            part.kind === 'valve' && open.has(part.id) ? { ...part, open: open.get(part.id)! } : part,
          ),
        }
      : run,
  )
  return { ...site, runs: turned }
})
