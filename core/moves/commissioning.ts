import { z } from 'zod'
import { defineMove } from './move'

/** Writes down what was found on a line of the commissioning card; nothing wipes it. */
export const noteFound = defineMove({
  args: z.object({ line: z.string().max(200), value: z.number().optional(), well: z.boolean().optional() }),
  label: () => 'Write down what was found',
  apply(site, { line, value, well }) {
    const others = (site.found ?? []).filter(each => each.line !== line)
    const noted = { line, ...(value === undefined ? {} : { value }), ...(well === undefined ? {} : { well }) }
    site.found = value === undefined && well === undefined ? others : [...others, noted]
    if (!site.found.length) delete site.found
  },
})
