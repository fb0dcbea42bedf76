import { z } from 'zod'
import { defineMove, freshId, Impossible } from './move'

const day = () => z.iso.date('must be a date, such as 2027-04-18')

/** A drought stage, said once: from a day on some uses are held to a share of what they ask. */
export const restrict = defineMove({
  args: z.object({
    name: z.string().min(1).max(200),
    from: day(),
    until: day().optional(),
    uses: z.array(z.object({ id: z.string(), share: z.number().min(0).max(1) })).max(300),
  }),
  label: ({ name }) => `Restrict: ${name}`,
  apply(site, { name, from, until, uses }) {
    if (!uses.length) throw new Impossible('Say which uses are held back, and to how much.')
    if (until !== undefined && until < from) throw new Impossible('It would end before it begins: look at its days.')
    const stage = { id: freshId(site, 'stage'), name, from, ...(until === undefined ? {} : { until }), uses }
    site.restrictions = [...(site.restrictions ?? []), stage]
  },
})

/** Another share for a use, another name or other days of a stage; nothing ends it where its end is taken away. */
export const changeRestriction = defineMove({
  args: z.object({
    stage: z.string(),
    name: z.string().min(1).max(200).optional(),
    from: day().optional(),
    until: day().nullable().optional(),
    use: z.object({ id: z.string(), share: z.number().min(0).max(1) }).optional(),
  }),
  label: () => 'Change a stage',
  apply(site, { stage: id, name, from, until, use }) {
    const stage = site.restrictions?.find(each => each.id === id)
    if (!stage) throw new Impossible('That stage is no longer here.')
    const [begins, ends] = [from ?? stage.from, until === undefined ? stage.until : (until ?? undefined)]
    if (ends !== undefined && ends < begins) throw new Impossible('It would end before it begins: look at its days.')
    stage.from = begins
    if (ends === undefined) delete stage.until
    else stage.until = ends
    if (name) stage.name = name
    if (use) stage.uses = [...stage.uses.filter(each => each.id !== use.id), use]
  },
})

export const dropRestriction = defineMove({
  args: z.object({ stage: z.string() }),
  label: () => 'Take a stage out',
  apply(site, { stage: id }) {
    const others = site.restrictions?.filter(each => each.id !== id)
    if (others?.length) site.restrictions = others
    else delete site.restrictions
  },
})
