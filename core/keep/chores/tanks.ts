import { ENTER, HIGH_M, LADDER, months, type Chore } from './chore'
import { rimM, tankNominalL } from '../../site'
import { chlorineDose } from '../../sums'
import type { Tank } from '../../kinds'

/** What a tank asks for. */
export function tankChores(tank: Tank, cold: readonly number[]): Chore[] {
  const { id, name, ventMm, ports, gauge, base, inletStyle, cover } = tank
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
      why: 'A full tote weighs as much as a small car, a big tank as much as several: what sinks or rots under it tips it.',
      tools: base === 'stand' ? ['spanners', 'screwdriver to prick the wood'] : ['level'],
      minutes: [10, 30],
      done:
        base === 'stand'
          ? 'No bolt turns, no wood gives, it stands upright.'
          : 'It is level, and nothing is washed out.',
      skipping: 'It leans a little more each winter.',
      comes: months(12),
    }),
    ...(base === 'stand' || cover === 'painted'
      ? chore('paint', {
          what: base === 'stand' ? `Paint the stand under ${name}` : `Look at the paint of ${name}`,
          why:
            base === 'stand'
              ? 'Wood and steel that stand wet under a tank rot and rust unseen.'
              : 'Where it has flaked light comes in, and what stands in the light turns green.',
          tools: ['brush', 'paint', 'scraper'],
          minutes: [60, 240],
          ...tall,
          done: 'No bare wood, rust or light place is left.',
          skipping:
            base === 'stand' ? 'Its posts go at the foot, where nobody looks.' : 'Algae, and water that smells.',
          comes: months(36),
        })
      : []),
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
