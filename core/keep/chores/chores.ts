import {
  rimM,
  graphOf,
  frostMonths,
  nameOf,
  runName,
  summerMonths,
  tankNominalL,
  type Run,
  type Site,
} from '../../site'
import { chlorineDose } from '../../sums'
import { TREATMENT_MONTHS } from '../../catalog'
import type { Part, SiteNode, Tank } from '../../kinds'

/** When a chore comes round: after so many months, on days of the year, or once a reading asks for it. */
export type Comes =
  | { by: 'months'; months: number }
  | { by: 'season'; days: { month: number; day: number }[] }
  | { by: 'reading'; months: number; words: string; when: Trigger }
  | { by: 'storm'; months: number; words: string }

/** What in a log asks for a chore before its months are over. */
export type Trigger = 'drop' | 'starts' | 'standing'

/** Something that is to be done again and again, as this system's own part brings it. */
export interface Chore {
  id: string
  /** The node, run or roof that it is at. */
  subject: string
  what: string
  why: string
  tools: string[]
  minutes: [least: number, most: number]
  caution?: string
  /** How one knows that it is done; and what comes of leaving it. */
  done: string
  skipping: string
  comes: Comes
}

const LADDER = 'Foot the ladder, tie it, and have somebody hold it.'
const ENTER = 'Nobody climbs into a tank; work from the lid, with somebody beside you.'
const ELECTRIC = 'Switch it off at the breaker first; what is inside is for an electrician.'
const HIGH_M = 2

const months = (count: number): Comes => ({ by: 'months', months: count })

/** All chores of a site, roof by roof and part by part, in the order of the water. */
export function choresOf(site: Site): Chore[] {
  const cold = frostMonths(site)
  return [
    ...site.roofs.flatMap(roof => roofChores(site, roof)),
    ...site.nodes.flatMap(node => nodeChores(site, node, cold)),
    ...site.runs.flatMap(run => run.parts.flatMap(part => partChores(site, run, part))),
  ]
}

/** The middle of the month in which leaves are down, and of the one in which blossom and pollen are. */
function leafDays({ place }: Site): { month: number; day: number }[] {
  // Leaves are down in November, or south of the equator in May; blossom is half a year from it.
  const south = summerMonths(place.latitudeDeg).includes(0)
  const [leaves, blossom] = south ? [6, 11] : [11, 5]
  return [
    { month: leaves, day: 15 },
    { month: blossom, day: 15 },
  ]
}

function roofChores(site: Site, { id, name, spouts }: Site['roofs'][number]): Chore[] {
  const eaveM = Math.max(0, ...spouts.map(({ nodeId }) => heightOf(site, nodeId)))
  const climbs = eaveM > HIGH_M ? { caution: LADDER } : {}
  const guarded = spouts.some(({ gutter }) => gutter && gutter.guard !== 'none')
  return [
    {
      id: `gutter:${id}`,
      subject: id,
      what: `Clear the gutter of ${name}`,
      why: 'Leaves hold water back, and what rots in them colours it.',
      tools: ['ladder', 'scoop', 'bucket', 'hose'],
      minutes: [20, 60],
      ...climbs,
      done: 'A bucket of water runs to the spout without standing.',
      skipping: 'In a hard shower the roof’s water goes over the edge instead of into the tank.',
      comes: { by: 'season', days: leafDays(site) },
    },
    ...(guarded
      ? [
          {
            id: `guard:${id}`,
            subject: id,
            what: `Brush the gutter guard of ${name}`,
            why: 'Fine dirt and pollen close a guard long before leaves do.',
            tools: ['ladder', 'brush'],
            minutes: [15, 40] as [number, number],
            ...climbs,
            done: 'Light shows through it.',
            skipping: 'Rain runs over the guard and off the edge.',
            comes: months(6),
          },
        ]
      : []),
  ]
}
const heightOf = (site: Site, id: string): number => {
  const node = graphOf(site).node(id)
  return node ? node.baseM - node.groundM : 0
}

function nodeChores(site: Site, node: SiteNode, cold: readonly number[]): Chore[] {
  switch (node.kind) {
    case 'tank':
      return tankChores(node, cold)
    case 'chamber':
      return [
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
      ]
    case 'pressureTank':
      return [
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
      ]
    case 'well':
      return [
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
      ]
    case 'spout':
      return (node.bypassMonths ?? []).length ? bypassChores(node) : []
    default:
      return []
  }
}

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

function tankChores(tank: Tank, cold: readonly number[]): Chore[] {
  const { id, name, ventMm, ports, gauge, base, inletStyle } = tank
  const litres = tankNominalL(tank)
  const bleachMl =
    Math.round(chlorineDose({ volumeL: litres, doseMgPerL: 5, availableShare: 0.05 }).productMl / 10) * 10
  const floats = ports.some(({ floating }) => floating)
  const tall = rimM(tank) - tank.groundM > HIGH_M ? { caution: LADDER } : {}
  const chore = (of: string, told: Omit<Chore, 'id' | 'subject'>): Chore[] => [
    { id: `${of}:${id}`, subject: id, ...told },
  ]
  return [
    ...chore('meshes', {
      what: `Look at the lid and every mesh of ${name}`,
      why: 'A mesh with one hole breeds mosquitoes; a loose lid lets in light and what falls.',
      tools: ['torch', 'brush'],
      minutes: [10, 20],
      ...tall,
      done: 'Lid, vent and overflow are shut to everything but air and water.',
      skipping: 'Larvae within two weeks, algae within a month.',
      comes: months(6),
    }),
    ...chore('sediment', {
      what: `Look at the bottom of ${name}, and drain what lies there`,
      why: 'Mud reaches the draw-off sooner or later, and feeds what makes water smell.',
      tools: ['torch', 'siphon hose'],
      minutes: [30, 120],
      caution: ENTER,
      done:
        'Less than a finger’s breadth lies there. After work inside: ' +
        `${bleachMl} ml of household bleach at 5 % for a full tank, stirred in, and let stand.`,
      skipping: inletStyle === 'calmed' ? 'Filters clog, and water smells.' : 'Every rain stirs it up into the taps.',
      comes: months(24),
    }),
    ...chore('base', {
      what:
        base === 'stand'
          ? `Draw up the bolts of the stand under ${name}, and look at its posts`
          : `Look at the base of ${name}`,
      why: 'A full tank weighs a tonne for each cubic metre: what sinks or rots under it tips it.',
      tools: base === 'stand' ? ['spanners', 'screwdriver to prick the wood'] : ['level'],
      minutes: [10, 30],
      done:
        base === 'stand'
          ? 'No bolt turns, no wood gives, it stands upright.'
          : 'It is level, and nothing is washed out.',
      skipping: 'It leans a little more each winter.',
      comes: months(12),
    }),
    ...(floats
      ? chore('intake', {
          what: `Pull up the floating intake of ${name}`,
          why: 'Its tether frays, its screen clogs, and on the bottom it draws mud.',
          tools: ['hook', 'brush'],
          minutes: [15, 30],
          caution: ENTER,
          done: 'It floats, and its hose has no kink.',
          skipping: 'The pump draws mud, or nothing.',
          comes: months(12),
        })
      : []),
    ...(gauge === 'sight-tube'
      ? chore('sight-tube', {
          what: `Drain the sight tube of ${name}`,
          why: 'What stands in the light turns green, and freezes.',
          tools: [],
          minutes: [2, 5],
          done: 'It is empty and its valve shut.',
          skipping: 'It cannot be read any more, or splits in the frost.',
          comes: months(1),
        })
      : []),
    ...(ventMm > 0 && cold.length && tank.base !== 'buried' && !tank.frostProof
      ? chore('frost', {
          what: `Make ${name} ready for the frost: open lines drained, what stands full lagged`,
          why: 'Water that freezes in a line splits it, and lets the tank run out in the thaw.',
          tools: ['lagging', 'spanner'],
          minutes: [30, 90],
          done: 'No line above ground holds water that cannot move.',
          skipping: 'A split line empties the tank at the first thaw.',
          comes: { by: 'season', days: [{ month: firstOf(cold) === 1 ? 12 : firstOf(cold) - 1, day: 15 }] },
        })
      : []),
  ]
}
/** The month in which a season that may go over the year's end begins. */
const firstOf = (list: readonly number[]): number =>
  list.find(month => !list.includes(month === 1 ? 12 : month - 1)) ?? list[0]!

function partChores(site: Site, run: Run, part: Part): Chore[] {
  const line = `“${runName(site, run)}”`
  const chore = (told: Omit<Chore, 'id' | 'subject'>): Chore[] => [
    { id: `${part.kind}:${part.id}`, subject: run.id, ...told },
  ]
  switch (part.kind) {
    case 'screen':
      return chore({
        what: `Clean the screen in ${line}`,
        why: 'A screen that is shut by leaves sends the rain past the tank.',
        tools: ['brush'],
        minutes: [5, 10],
        done: 'Water runs through it and not over it.',
        skipping: 'A wet month goes to ground.',
        comes: { by: 'storm', months: 1, words: 'and after a storm' },
      })
    case 'filter':
      return chore({
        what: `Change the cartridge in ${line}`,
        why: 'What it holds back closes it; carbon that is spent lets taste and more through.',
        tools: ['filter spanner', 'cartridge'],
        minutes: [15, 30],
        done: 'Pressure behind it is back, and the first litres have run away.',
        skipping: 'Taps grow weak, and what it held comes through in one go.',
        comes: {
          by: 'reading',
          months: TREATMENT_MONTHS[part.medium],
          words: 'sooner by its drop of pressure',
          when: 'drop',
        },
      })
    case 'lamp':
      return chore({
        what: `Change the lamp in ${line}, and wipe its sleeve of quartz`,
        why: 'It shines long after it has stopped killing what it should.',
        tools: ['lamp', 'gloves', 'vinegar'],
        minutes: [20, 40],
        caution: 'Off at the plug, and never look into it. Gloves: fingers leave marks that it burns in.',
        done: 'Its counter is set back, its sleeve clear.',
        skipping: 'The water is as it was before the lamp, and nobody sees it.',
        comes: months(TREATMENT_MONTHS.lamp),
      })
    case 'float':
      return chore({
        what: `Lift the float valve of ${line}, and see it shut`,
        why: 'One that does not shut overflows the tank through the night.',
        tools: [],
        minutes: [5, 10],
        done: 'Lifted, nothing runs; let go, it runs.',
        skipping: 'The main’s or the pump’s water goes out of the overflow.',
        comes: months(6),
      })
    case 'check':
      return chore({
        what: `Try the check valve in ${line}`,
        why: 'One that passes lets water run back the wrong way.',
        tools: ['gauge'],
        minutes: [10, 20],
        done: 'With the pump off and taps shut, pressure stands for a quarter of an hour.',
        skipping: 'The tank empties into the well, or the main fills the tank.',
        comes: months(12),
      })
    case 'relief':
      return chore({
        what: `Lift the relief valve in ${line}`,
        why: 'One that is stuck is no relief.',
        tools: ['bucket'],
        minutes: [5, 10],
        done: 'It runs, and shuts tight again.',
        skipping: 'A switch that fails bursts the weakest part.',
        comes: months(12),
      })
    case 'pump':
      return chore({
        what: `Listen to the pump in ${line}: time a bucket, look at its cord and strainer`,
        why: 'A worn pump gives less for years before it stops.',
        tools: ['bucket', 'watch'],
        minutes: [10, 30],
        caution: ELECTRIC,
        done: 'Its litres a minute stand in the log.',
        skipping: 'It stops on the hottest day.',
        comes: months(12),
      })
    default:
      return []
  }
}
