import { z } from 'zod'
import { defineMove, Impossible } from './move'
import { lineFrom, thingName, type Site } from '../site'
import { FROST_PROOF_LINES, FROST_PROOF_TANKS } from '../catalog'

const WAYS = {
  indoors: 'stands indoors',
  buried: 'lies below the frost',
  insulated: 'is lagged',
  heated: 'is heated',
  drained: 'stands empty through the frost',
} as const
type Way = keyof typeof WAYS

/**
 * Says what keeps tanks and lines from freezing. A tank that is emptied for some months has its roofs led to ground in
 * them.
 */
export const protectFromFrost = defineMove({
  args: z.object({
    ids: z.array(z.string()).min(1).max(1000),
    by: z.enum(FROST_PROOF_LINES),
    months: z.array(z.number().int().min(1).max(12)).max(12).optional(),
  }),
  label: ({ ids, by }, site) =>
    ids.length === 1 ? `Say that ${thingName(site, ids[0]!)} ${WAYS[by]}` : 'Say what keeps them from freezing',
  apply(site, { ids, by, months }) {
    for (const id of ids) {
      const run = site.runs.find(each => each.id === id)
      if (run) run.frostProof = by
      else protectTank(site, id, by, months)
    }
  },
})

function protectTank(site: Site, id: string, by: Way, months: number[] | undefined): void {
  const tank = site.nodes.find(node => node.id === id)
  if (tank?.kind !== 'tank') throw new Impossible('What was to be kept from freezing is no longer there.')
  if (by !== 'drained') {
    const way = FROST_PROOF_TANKS.find(each => each === by)
    if (!way) throw new Impossible(`${tank.name} is buried by the base it stands on.`)
    tank.frostProof = way
    delete tank.drainedMonths
    return
  }
  if (!months?.length) throw new Impossible('Say in which months it stands empty.')
  const all = (before: number[] | undefined) => [...new Set([...(before ?? []), ...months])].sort((a, b) => a - b)
  tank.drainedMonths = all(tank.drainedMonths)
  for (const spout of site.nodes)
    if (spout.kind === 'spout' && lineFrom(site, spout.id).at(-1)?.to.node === id)
      spout.bypassMonths = all(spout.bypassMonths)
}
