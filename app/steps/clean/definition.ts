import { chamberVolumeL, lineFrom, nameOf, type Site } from '#core/site'
import { roofLines } from '#core/network'
import type { NodeOf } from '#core/kinds'
import { daysShort, WAITING, type StepContext, type StepDefinition, type Subject } from '~/steps/step'

const spoutsOf = (site: Site): NodeOf<'spout'>[] => site.nodes.filter(node => node.kind === 'spout')
const chambersOf = (site: Site): NodeOf<'chamber'>[] => site.nodes.filter(node => node.kind === 'chamber')

function subjects({ site }: StepContext): Subject[] {
  const lines = new Map(roofLines(site).map(line => [line.spout.id, line]))
  const told = new Set<string>()
  return spoutsOf(site).map(spout => {
    const line = lines.get(spout.id)
    const along = lineFrom(site, spout.id).flatMap(run => [run.id, run.to.node])
    // What several spouts share is told with the first of them.
    const own = along.filter(id => !told.has(id) && id !== line?.tankId)
    for (const id of own) told.add(id)
    return {
      id: spout.id,
      name: nameOf(site, spout.id),
      figure: line ? (line.wet ? 'wet' : 'dry') : 'nowhere',
      holds: [spout.id, ...own],
      node: spout.id,
    }
  })
}

export const clean: StepDefinition = {
  id: 'clean',
  name: 'Clean',
  sheet: defineAsyncComponent(() => import('./CleanSheet.vue')),
  started: site => chambersOf(site).length > 0,
  subjects,
  storm: true,
  figures: context => {
    const { site, year, which, litres } = context
    const chambers = chambersOf(site)
    return [
      {
        name: 'First flush held',
        value: litres(chambers.reduce((sum, chamber) => sum + chamberVolumeL(chamber), 0)),
        note: chambers.length === 1 ? 'in one chamber' : `in ${chambers.length} chambers`,
      },
      {
        name: `Flushed, ${which}`,
        value: year ? litres(year.flushedL) : WAITING,
        note: year?.caughtL ? `${Math.round((100 * year.flushedL) / year.caughtL)} % of what was caught` : '',
      },
      {
        name: `Kept, ${which}`,
        value: year ? litres(year.caughtL - year.flushedL) : WAITING,
        note: 'roof water that reached the tanks',
      },
      daysShort(context),
    ]
  },
  caution:
    'Standing water in a dip breeds mosquitoes: every opening wants a fine mesh. Local code decides what may be drunk.',
}
