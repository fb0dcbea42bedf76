import { z } from 'zod'
import { defineMove, Impossible } from './move'
import type { Site } from '../site'

const nameOf = (site: Site, id: string) => site.options.find(option => option.id === id)?.name ?? 'an option'
const moveSchema = z.object({ name: z.string(), args: z.record(z.string(), z.unknown()) })

/** Keeps moves on this site as an option beside the plan. */
export const keepOption = defineMove({
  args: z.object({ id: z.string(), name: z.string().min(1), moves: z.array(moveSchema).min(1) }),
  label: ({ name }) => `Keep “${name}” as an option`,
  apply(site, option) {
    if (site.options.some(other => other.id === option.id))
      throw new Impossible('There is an option of that name already.')
    site.options.push(option)
  },
})

export const dropOption = defineMove({
  args: z.object({ id: z.string() }),
  label: ({ id }, site) => `Drop the option “${nameOf(site, id)}”`,
  apply(site, { id }) {
    if (!site.options.some(option => option.id === id)) throw new Impossible('That option is no longer there.')
    site.options = site.options.filter(option => option.id !== id)
  },
})
