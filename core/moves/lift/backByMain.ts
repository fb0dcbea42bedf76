import { z } from 'zod'
import { addTap } from './branch'
import { branchOf, needFeed } from './liftBy'
import { addSource, keepFromComingBack, topUpFrom } from '../sources'
import { splitRun } from '../parts'
import { keepFitToDrink } from '../treatment'
import { addRun, defineMove, guessedLengthM, Impossible, required, pipe, union, valve } from '../move'
import { feedsOf, nameOf, nodeById, pathsFrom, runsFrom, type Site } from '../../site'
import type { NodeOf } from '../../kinds'

const MAIN_MM = 20.93

/**
 * A tank on the main: the main tops it up through its float, the pump serves the house from it, the main goes straight
 * to the house too, each behind a check valve so that neither pushes into the other; and a tap by gravity for when the
 * power is out.
 */
export const backByMain = defineMove({
  args: z.object({ run: z.string(), main: z.string().optional() }),
  label: ({ run }, site) => {
    const feed = feedsOf(site).find(({ trunk }) => trunk[0]!.id === run)
    return `Back what ${feed ? nameOf(site, feed.source.id) : 'a tank'} serves by the main`
  },
  apply(site, { run: id, main: mainId }) {
    const { source } = needFeed(site, id)
    if (source.kind !== 'tank') throw new Impossible('The main backs what a tank serves; choose the line of a tank.')
    const main = mainId === undefined ? mainFor(site, source.id) : required(site, mainId, 'main')
    if (!pathsFrom(site, main.id).some(path => path.end.id === source.id))
      topUpFrom.apply(site, { source: main.id, tank: source.id })
    const joint = branchOf(site, needFeed(site, id))
    if (pathsFrom(site, main.id).some(path => path.runs.some(run => run.to.node === joint.id)))
      throw new Impossible(`${main.name} goes straight to that line already.`)
    // The main would fill the tank through its outlet.
    keepFromComingBack(site, joint)
    const ends = [
      { node: streetTee(site, main.id), port: 'out' },
      { node: joint.id, port: 'in' },
    ] as const
    addRun(site, ends[0], ends[1], [
      valve(MAIN_MM),
      { kind: 'check', boreMm: MAIN_MM },
      union(MAIN_MM),
      pipe(guessedLengthM(site, ends[0], ends[1], 10), MAIN_MM),
    ])
    for (const tap of needFeed(site, id).taps) keepFitToDrink(site, tap)
    // Public mains ask for it where own water meets theirs.
    main.backflow ??= 'device'
    const falls = feedsOf(site).some(
      feed => feed.source.id === source.id && feed.lift === 'gravity' && feed.trunk[0]!.id !== id,
    )
    if (!falls) addTap.apply(site, { fixture: 'hose', tank: source.id, name: 'Tap for power cuts' })
  },
})

/** Where one line from the street parts to the tank and to the house: its tee, put in where there is none. */
function streetTee(site: Site, main: string): string {
  const street = runsFrom(site, main)[0]!
  if (nodeById(site, street.to.node).kind !== 'joint') splitRun.apply(site, { run: street.id, by: 'tee' })
  return street.to.node
}

/** The main of a site, or a new one that tops the tank up. */
function mainFor(site: Site, tank: string): NodeOf<'main'> {
  const main = site.nodes.find(node => node.kind === 'main')
  if (main) return main
  addSource.apply(site, { kind: 'main', tank })
  return site.nodes.find(node => node.kind === 'main')!
}
