import { z } from 'zod'
import { defineMove, freshId, Impossible } from './move'
import type { Mode, Site } from '../site'

const positions = z.array(z.object({ part: z.string(), open: z.boolean() })).max(500)

/** A mode's name may be typed anew; two of one name could not be told apart on the card. */
function free(site: Site, name: string, but?: Mode): string {
  const plain = name.trim()
  if (!plain) throw new Impossible('A way of running it wants a name, such as “well to house”.')
  if (site.modes.some(mode => mode !== but && mode.name.toLowerCase() === plain.toLowerCase()))
    throw new Impossible(`There is a way of running it called “${plain}” already; give this one another name.`)
  return plain
}

function needMode(site: Site, id: string): Mode {
  const mode = site.modes.find(each => each.id === id)
  if (!mode) throw new Impossible('That way of running it is no longer there.')
  return mode
}

/** Names a way of running the site: by the valves it is given, else by all hand valves as they stand now. */
export const keepMode = defineMove({
  args: z.object({ name: z.string().max(200), positions: positions.optional() }),
  label: ({ name }) => `Keep the way of running it “${name.trim()}”`,
  apply(site, { name, positions }) {
    if (site.modes.length >= 50) throw new Impossible('Fifty ways of running it are the most that can be kept.')
    const now = site.runs.flatMap(run =>
      run.parts.flatMap(part => (part.kind === 'valve' ? [{ part: part.id, open: part.open }] : [])),
    )
    site.modes.push({ id: freshId(site, 'mode'), name: free(site, name), positions: positions ?? now })
  },
})

/** Says how valves stand in a mode; one without a position stands there as it is. */
export const setPositions = defineMove({
  args: z.object({
    mode: z.string(),
    positions: z.array(z.object({ part: z.string(), open: z.boolean().optional() })).max(500),
  }),
  label: ({ mode }, site) => `Turn a valve in “${site.modes.find(({ id }) => id === mode)?.name ?? 'a mode'}”`,
  apply(site, { mode: id, positions: said }) {
    const mode = needMode(site, id)
    const others = mode.positions.filter(({ part }) => !said.some(each => each.part === part))
    mode.positions = [...others, ...said.flatMap(({ part, open }) => (open === undefined ? [] : [{ part, open }]))]
  },
})

export const renameMode = defineMove({
  args: z.object({ mode: z.string(), name: z.string().max(200) }),
  label: ({ name }) => `Call a way of running it “${name.trim()}”`,
  apply(site, { mode: id, name }) {
    const mode = needMode(site, id)
    mode.name = free(site, name, mode)
  },
})

export const dropMode = defineMove({
  args: z.object({ mode: z.string() }),
  label: ({ mode }, site) => `Forget “${site.modes.find(({ id }) => id === mode)?.name ?? 'a mode'}”`,
  apply(site, { mode: id }) {
    const mode = needMode(site, id)
    site.modes = site.modes.filter(each => each !== mode)
  },
})

/** Turns the plan's own valves as a mode has them. */
export const turnToMode = defineMove({
  args: z.object({ mode: z.string() }),
  label: ({ mode }, site) => `Turn all valves to “${site.modes.find(({ id }) => id === mode)?.name ?? 'a mode'}”`,
  apply(site, { mode: id }) {
    const open = new Map(needMode(site, id).positions.map(position => [position.part, position.open]))
    for (const run of site.runs)
      for (const part of run.parts) if (part.kind === 'valve') part.open = open.get(part.id) ?? part.open
  },
})
