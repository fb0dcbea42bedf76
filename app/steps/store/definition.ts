import { graphOf, type Site } from '#core/site'
import { poolsOf } from '#core/balance'
import { autonomyText, lastsWithoutRain } from '~/steps/autonomy'
import { daysShort, middleOfYears, WAITING, type StepContext, type StepDefinition, type Subject } from '~/steps/step'

function subjects({ site, outlook, litres }: StepContext): Subject[] {
  const pools = poolsOf(site)
  const brought = outlook?.years.reduce((sum, year) => sum + year.wellL + year.mainL + year.cartL, 0)
  const sources = site.nodes.filter(node => node.kind === 'well' || node.kind === 'main').map(node => node.id)
  const { at, node } = graphOf(site)
  /** What belongs to some tanks: themselves, the lines at them, and where these spill. */
  const held = (ids: string[]) => [
    ...ids,
    ...ids.flatMap(at).flatMap(run => (node(run.to.node)?.kind === 'outfall' ? [run.id, run.to.node] : [run.id])),
  ]
  return [
    ...pools.map(pool => ({
      id: pool.id,
      name: pool.name,
      figure: litres(pool.capL),
      holds: held(pool.tanks.map(tank => tank.id)),
      node: pool.id,
    })),
    { id: 'another', name: 'Another tank', figure: '+', holds: [] },
    ...(pools.length || sources.length
      ? [
          {
            id: 'outside',
            name: 'Outside water',
            figure: outlook && litres(brought! / outlook.years.length),
            holds: sources,
          },
          { id: 'outages', name: 'When it fails', figure: failing(site), holds: [] },
          { id: 'spell', name: 'Dry spell', figure: autonomyText(outlook), holds: [] },
          ...(site.uses.length ? [{ id: 'many', name: 'Many years', figure: '', holds: [] }] : []),
          { id: 'ways', name: 'Other ways', figure: String(site.options.length || ''), holds: [] },
        ]
      : []),
  ]
}

/** How many things are said to fail. */
function failing(site: Site): string {
  const count = site.nodes.filter(node => 'outage' in node && node.outage).length + (site.power?.outage ? 1 : 0)
  return count ? String(count) : ''
}

export const store: StepDefinition = {
  id: 'store',
  name: 'Store',
  sheet: defineAsyncComponent(() => import('./StoreSheet.vue')),
  started: site => site.nodes.some(({ kind }) => ['tank', 'well', 'main'].includes(kind)),
  subjects,
  figures: context => {
    const { pools, outlook, litres } = context
    const usable = pools?.reduce((sum, pool) => sum + pool.usableL, 0)
    const nominal = pools?.reduce((sum, pool) => sum + pool.nominalL, 0)
    return [
      {
        name: 'Usable when full',
        value: usable === undefined ? WAITING : litres(usable),
        note: nominal === undefined ? '' : nominal ? `of ${litres(nominal)} nominal` : 'there is no tank yet',
        early: true,
      },
      daysShort(context),
      lastsWithoutRain(outlook),
      middleOfYears('Spilled a year', context, year => year.spilledL, litres),
    ]
  },
  caution:
    'Never climb into a tank alone or without air. A full tank weighs more than a car; tall stands and ' +
    'slopes are an engineer’s work.',
}
