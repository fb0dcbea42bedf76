import { onceEach } from './remembered'
import type { Mode, Run, Site } from './schema'

/** A site with its valves as a mode sets them; those that it does not name stand as they are. */
export const inMode = (site: Site, mode: Mode): Site => ({ ...site, runs: turnedBy(site, mode) })

const turnedBy = onceEach((site: Site, mode: Mode): Run[] => {
  const open = new Map(mode.positions.map(position => [position.part, position.open]))
  return site.runs.map(run =>
    run.parts.some(part => open.has(part.id))
      ? {
          ...run,
          parts: run.parts.map(part =>
            part.kind === 'valve' && open.has(part.id) ? { ...part, open: open.get(part.id)! } : part,
          ),
        }
      : run,
  )
})
