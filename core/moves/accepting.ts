import { defineMove, Impossible } from './move'
import { acceptedSchema, type Accepted } from '../site'

const about = (check: string, { kind, id }: Accepted['subject']) => `${check} ${kind} ${id}`

/** Keeps something that was found as it is: its owner wants it so. It is told again once its figures change much. */
export const accept = defineMove({
  args: acceptedSchema,
  label: () => 'Keep what was found as it is',
  apply(site, found) {
    const others = (site.accepted ?? []).filter(
      each => about(each.check, each.subject) !== about(found.check, found.subject),
    )
    if (others.length >= 300) throw new Impossible('Three hundred findings are the most that can be kept as they are.')
    site.accepted = [...others, found]
  },
})

/** Tells of it again. */
export const tellAgain = defineMove({
  args: acceptedSchema.pick({ check: true, subject: true }),
  label: () => 'Tell of it again',
  apply(site, { check, subject }) {
    const others = site.accepted?.filter(each => about(each.check, each.subject) !== about(check, subject))
    if (others?.length) site.accepted = others
    else delete site.accepted
  },
})
