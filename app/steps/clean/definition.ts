import { chamberVolumeL, lineFrom, nameOf, type Site } from '#core/site'
import { roofLines } from '#core/network'
import type { NodeOf } from '#core/kinds'
import { daysShort, middleOfYears, type StepContext, type StepDefinition, type Subject } from '~/steps/step'

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
    const { site, litres } = context
    const chambers = chambersOf(site)
    return [
      {
        name: 'First flush held',
        value: litres(chambers.reduce((sum, chamber) => sum + chamberVolumeL(chamber), 0)),
        note: chambers.length === 1 ? 'in one chamber' : `in ${chambers.length} chambers`,
      },
      middleOfYears('Flushed a year', context, year => year.flushedL, litres),
      middleOfYears('Reaches the tanks a year', context, year => year.caughtL - year.flushedL, litres),
      daysShort(context),
    ]
  },
  caution:
    'Standing water in a dip breeds mosquitoes: every opening wants a fine mesh. Local code decides what may be drunk.',
}
