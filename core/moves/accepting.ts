import { defineMove, Impossible } from './move'
import { acceptedSchema } from '../site'

const MOST = 300

/** Keeps something that was found as it is: its owner wants it so. It is told again once its figures change much. */
export const accept = defineMove({
  args: acceptedSchema,
  label: () => 'Keep what was found as it is',
  apply(site, found) {
    const others = (site.accepted ?? []).filter(({ finding }) => finding !== found.finding)
    if (others.length >= MOST) throw new Impossible(`${MOST} findings are the most that can be kept as they are.`)
    site.accepted = [...others, found]
  },
})

/** Tells of it again. */
export const tellAgain = defineMove({
  args: acceptedSchema.pick({ finding: true }),
  label: () => 'Tell of it again',
  apply(site, { finding: id }) {
    const others = site.accepted?.filter(({ finding }) => finding !== id)
    if (others?.length) site.accepted = others
    else delete site.accepted
  },
})
