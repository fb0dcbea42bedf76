import { ELECTRIC, months, type Chore, type Comes } from './chore'
import { tankChores } from './tanks'
import { graphOf, nameOf, runName, summerMonths, type Run, type Site } from '../../site'
import type { NodeKind, NodeOf, SiteNode } from '../../kinds'

/** What each kind of node asks for; a kind that is not here asks for nothing. */
const CHORES: { [Kind in NodeKind]?: (site: Site, node: NodeOf<Kind>, cold: readonly number[]) => Chore[] } = {
  tank: (_site, node, cold) => tankChores(node, cold),
  chamber: (_site, node) => [
    {
      id: `chamber:${node.id}`,
      subject: node.id,
      what: `Empty and rinse ${node.name}`,
      why: 'What the first rain washes off stays in it, and turns foul.',
      tools: ['bucket', 'brush', 'gloves'],
      minutes: [10, 25],
      done: 'It is clean to the bottom, and its ball moves.',
      skipping: 'A chamber that nobody cleans is worse than none: the next rain stirs it into the tank.',
      comes: months(node.cleanable ? 2 : 1),
    },
    ...(node.orificeMm === null
      ? []
      : [
          {
            id: `chamber-outlet:${node.id}`,
            subject: node.id,
            what: `See that ${node.name} runs empty`,
            why: 'A clogged outlet leaves it full, so that the next rain goes in dirty.',
            tools: ['wire', 'bucket'],
            minutes: [5, 10] as [number, number],
            done: 'A day after rain it is empty.',
            skipping: 'Every rain after the next goes into the tank unflushed.',
            comes: { by: 'reading', months: 1, words: 'a day after rain', when: 'standing' } as Comes,
          },
        ]),
  ],
  pressureTank: (site, node) => [
    {
      id: `gas:${node.id}`,
      subject: node.id,
      what: `Check the gas of ${nameOf(site, node.id)}`,
      why: 'It loses gas; with less, the pump starts for every glass.',
      tools: ['tyre gauge', 'hand pump'],
      minutes: [15, 30],
      caution: 'The pump is off and the tank drained before its gas is read.',
      done: 'Without water it stands a little under the cut-in.',
      skipping: 'The pump wears itself out by starting.',
      comes: { by: 'reading', months: 6, words: 'sooner when starts creep up', when: 'starts' },
    },
    {
      id: `contacts:${node.id}`,
      subject: node.id,
      what: `Look at the contacts of the pressure switch at ${nameOf(site, node.id)}`,
      why: 'Burnt contacts weld: then the pump never stops.',
      tools: ['screwdriver'],
      minutes: [10, 20],
      caution: ELECTRIC,
      done: 'They are bright and part freely.',
      skipping: 'It fails in the middle of a shower, or runs until something bursts.',
      comes: months(12),
    },
  ],
  well: (site, node) => [
    {
      id: `well:${node.id}`,
      subject: node.id,
      what: `Measure the water of ${node.name} at rest, and its recovery`,
      why: 'A well that recovers more slowly each summer tells so years before it fails.',
      tools: ['tape with a weight', 'watch'],
      minutes: [20, 60],
      done: 'Depth and time stand in the log.',
      skipping: 'The first sign is a pump that runs dry.',
      comes: { by: 'season', days: [{ month: summerMonths(site.place.latitudeDeg).includes(0) ? 2 : 8, day: 15 }] },
    },
  ],
  joint: (site, node) =>
    drainsOf(site, node.id).map(run => ({
      id: `low-drain:${run.id}`,
      subject: run.id,
      what: `Open “${runName(site, run)}”, and let it run clear`,
      why: 'What is washed down settles at the low point of a line that stays full.',
      tools: ['bucket'],
      minutes: [5, 15],
      done: 'What comes out is clear, and it is shut again.',
      skipping: 'Mud closes the line from below, and mosquitoes breed in what stands.',
      comes: months(3),
    })),
  spout: (_site, node) => ((node.bypassMonths ?? []).length ? bypassChores(node) : []),
}

/** What chambers, tanks, pressure tanks, wells and spouts ask for. */
export function nodeChores(site: Site, node: SiteNode, cold: readonly number[]): Chore[] {
  const choresOf = CHORES[node.kind] as ((site: Site, node: SiteNode, cold: readonly number[]) => Chore[]) | undefined
  return choresOf?.(site, node, cold) ?? []
}

/** Drains at the low point of a line: lines from a joint straight to where water may run away. */
const drainsOf = (site: Site, joint: string): Run[] =>
  graphOf(site)
    .outOf(joint)
    .filter(run => graphOf(site).node(run.to.node)?.kind === 'outfall')

/** Turned over at the first of the months in which the roof's water goes to ground, and back at the end. */
function bypassChores({ id, name, bypassMonths = [] }: Extract<SiteNode, { kind: 'spout' }>): Chore[] {
  const inMonths = new Set(bypassMonths)
  const turn = (at: number) => ((at + 11) % 12) + 1
  const begins = bypassMonths.filter(month => !inMonths.has(turn(month - 1)))
  const ends = bypassMonths.filter(month => !inMonths.has(turn(month + 1))).map(month => turn(month + 1))
  const chore = (of: 'out' | 'in', days: number[]): Chore => ({
    id: `bypass-${of}:${id}`,
    subject: id,
    what: of === 'out' ? `Turn ${name} to ground for its season` : `Turn ${name} to the tank again`,
    why: 'What freezes in the line bursts it; what stays turned away fills no tank.',
    tools: [],
    minutes: [5, 10],
    done: of === 'out' ? 'Water from the gutter comes out at the ground.' : 'Water from the gutter comes to the tank.',
    skipping:
      of === 'out' ? 'The first hard frost splits what stands full.' : 'The tank stays as it is through the rains.',
    comes: { by: 'season', days: days.map(month => ({ month, day: 1 })) },
  })
  return [chore('out', begins), chore('in', ends)].filter(each => each.comes.by === 'season' && each.comes.days.length)
}
