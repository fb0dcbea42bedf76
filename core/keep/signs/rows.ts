import { isLightTight, nameOf, runName, tanksOf, type Run, type Site } from '../../site'
import type { Part } from '../../kinds'

/** One cause: how it is tried, what a yes means, what mends it, and where it can be. */
export interface SignRow {
  test: string
  means: string
  mend: string
  /** Places in this system that it can be at; a cause that has none here is left out. Without it, it may be anywhere. */
  where?: (site: Site) => string[]
  /** The beginning of the id of the chore that sees to it. */
  chore?: string
}

const linesWith =
  (...kinds: Part['kind'][]) =>
  (site: Site): string[] =>
    site.runs.filter(run => run.parts.some(({ kind }) => kinds.includes(kind))).map((run: Run) => runName(site, run))
const nodesOf =
  (...kinds: Site['nodes'][number]['kind'][]) =>
  (site: Site): string[] =>
    site.nodes.filter(({ kind }) => kinds.includes(kind)).map(({ id }) => nameOf(site, id))
const lightTanks = (site: Site): string[] =>
  tanksOf(site)
    .filter(tank => !isLightTight(tank))
    .map(({ name }) => name)
const tanks = nodesOf('tank')
const ELECTRIC = 'Switch off at the breaker before anything is opened; an electrician looks inside.'

const PASSING_CHECK: SignRow = {
  test: 'Pump off, all taps shut: does the gauge fall within a quarter of an hour?',
  means: 'Water runs back through a check valve that passes, or out by a leak.',
  mend: 'Shut the valve behind the check: if it stands now, take the check out, clean its seat, or change it.',
  where: linesWith('check'),
  chore: 'check:',
}
const GAS_LOST: SignRow = {
  test: 'Does the gauge leap from cut-in to cut-out within seconds, and sound dull all the way up when knocked?',
  means: 'The pressure tank has lost its gas: it is full of water.',
  mend: 'Pump off, drain it, pump its gas to a little under the cut-in. If water comes out of the gas valve, change it.',
  where: nodesOf('pressureTank'),
  chore: 'gas:',
}
const CLOGGED_CARTRIDGE: SignRow = {
  test: 'By the by-pass, or without its cartridge: is it strong again?',
  means: 'The cartridge is full.',
  mend: 'Change it, and let the first litres run away. Dirty sooner than it should: look for mud at the draw-off.',
  where: linesWith('filter'),
  chore: 'filter:',
}
const AIR_IN_SUCTION: SignRow = {
  test: 'Does it lose its prime over night, or do bubbles come with the water?',
  means: 'The line that sucks draws air at a joint, or the water stands below its mouth.',
  mend: 'Look at the level first. Then wet each joint with soap while it runs: where it is drawn in, make it anew.',
  where: linesWith('pump'),
}
const FLOAT_OPEN: SignRow = {
  test: 'Lift the float by hand: does water still run?',
  means: 'Its seat is worn or has grit in it, or its arm stands too high.',
  mend: 'Rinse the seat, bend or set the arm lower; change the washer. It must shut a hand below the overflow.',
  where: linesWith('float'),
  chore: 'float:',
}
const MUD: SignRow = {
  test: 'Put a white cup to the drain, or a torch through the lid: is there mud at the height of the draw-off?',
  means: 'What lies at the bottom has grown up to the draw-off, or is stirred up by what comes in.',
  mend: 'Drain it off, raise the draw-off or let it float, and bring the inlet down calmed.',
  where: tanks,
  chore: 'sediment:',
}
const FLUSH_FULL: SignRow = {
  test: 'A day after rain: is the chamber still full, or foul?',
  means: 'The first dirt of every rain goes into the tank, since the chamber has no room for it.',
  mend: 'Clear its outlet, rinse it, see that its ball moves.',
  where: nodesOf('chamber'),
  chore: 'chamber',
}

/** What is seen or heard, and what may be behind it. */
export const SIGNS = {
  runs: {
    words: 'The pump runs all the time',
    rows: [
      {
        test: 'Is a tap open, a cistern running, a hose left on?',
        means: 'It does what it is asked.',
        mend: 'Shut it. A cistern that runs wants a new washer.',
      },
      {
        test: 'Does the gauge stay below the cut-out, however long it runs?',
        means: 'It cannot reach the pressure that it is set to: worn, clogged, drawing air, or set too high.',
        mend: 'Set the switch lower for now. Look at strainer and level; time a bucket and hold it against its curve.',
        where: linesWith('pump'),
        chore: 'pump:',
      },
      PASSING_CHECK,
      {
        test: 'Over the cut-out on the gauge, and still running?',
        means: 'The switch’s contacts are welded.',
        mend: `Off at once. ${ELECTRIC}`,
        where: nodesOf('pressureTank'),
        chore: 'contacts:',
      },
    ],
  },
  starts: {
    words: 'The pump starts every few litres',
    rows: [
      GAS_LOST,
      PASSING_CHECK,
      {
        test: 'Listen at each cistern and outdoor tap at night: does one hiss?',
        means: 'A small leak empties the pressure again and again.',
        mend: 'Change its washer; a drip of a litre an hour is 24 starts a day with a tank that has lost its gas.',
      },
    ],
  },
  none: {
    words: 'No water comes',
    rows: [
      {
        test: 'Is there power at the outlet, and has its residual-current device tripped?',
        means: 'Nothing drives the pump.',
        mend: `Set it once; if it trips again, leave it. ${ELECTRIC}`,
        where: linesWith('pump'),
      },
      {
        test: 'Does the tank stand above its draw-off?',
        means: 'There is nothing to draw.',
        mend: 'See the log: how it fell, and when it should have been filled.',
        where: tanks,
      },
      {
        test: 'Are all valves on the way along the pipe?',
        means: 'A valve was left shut.',
        mend: 'Open it; the card for the wall says which stand open.',
        where: linesWith('valve'),
      },
      AIR_IN_SUCTION,
      CLOGGED_CARTRIDGE,
    ],
  },
  weak: {
    words: 'Water comes weakly',
    rows: [
      {
        test: 'At all taps, or at one?',
        means: 'At one alone: its own strainer or valve.',
        mend: 'Unscrew its strainer and rinse it.',
      },
      CLOGGED_CARTRIDGE,
      {
        test: 'Less in a bucket than last year, the gauge lower while it runs?',
        means: 'The pump is worn, or its strainer clogged.',
        mend: 'Clean the strainer; hold litres a minute against its curve at Lift.',
        where: linesWith('pump'),
        chore: 'pump:',
      },
      {
        test: 'Does the water stand low in the tank?',
        means: 'By gravity a metre less of water is ten kilopascals less at the tap.',
        mend: 'It comes back with the level; a wider pipe helps more than a taller stand.',
        where: tanks,
      },
    ],
  },
  air: {
    words: 'It spits air',
    rows: [
      AIR_IN_SUCTION,
      {
        test: 'Does the draw-off lie near the surface, or is a whirl to be seen above it?',
        means: 'Air is drawn in with the water.',
        mend: 'Stop at a higher level, or lower the intake.',
        where: tanks,
      },
      {
        test: 'After the line was opened, and less each day?',
        means: 'Air that was let in is on its way out.',
        mend: 'Open the highest tap until it runs without a break.',
      },
    ],
  },
  dirty: { words: 'The water is dirty', rows: [FLUSH_FULL, MUD, CLOGGED_CARTRIDGE] },
  green: {
    words: 'The water is green',
    rows: [
      {
        test: 'Does light come through the wall or the lid at noon?',
        means: 'Algae grow where light is.',
        mend: 'Paint it, clad it or cover it dark; then let it be used up, or dose it after it is emptied.',
        where: lightTanks,
      },
      {
        test: 'Is the lid loose, the vent without its mesh?',
        means: 'Light and dust come in.',
        mend: 'Shut it, with a mesh over every opening.',
        where: tanks,
        chore: 'meshes:',
      },
    ],
  },
  smells: {
    words: 'The water smells',
    rows: [
      FLUSH_FULL,
      MUD,
      {
        test: 'Of rotten eggs, and from the tank itself?',
        means: 'It stands without air over rotting leaves, or something fell in.',
        mend: 'Do not drink it. Empty it, clean it from the lid, disinfect it, and mesh every opening.',
        where: tanks,
        chore: 'sediment:',
      },
    ],
  },
  falls: {
    words: 'The level falls with nothing open',
    rows: [
      PASSING_CHECK,
      {
        test: 'Shut the valve at the tank over night: does it still fall?',
        means: 'It still falls: the tank, its fittings or its drain. It stands: the line behind the valve.',
        mend: 'Look under each fitting with a dry paper; then along the line for a green stripe.',
        where: tanks,
      },
      {
        test: 'Does a pipe end under water that leads to a lower place?',
        means: 'It siphons the tank out once it has begun.',
        mend: 'A small air hole at its highest point, above the water.',
        where: tanks,
      },
    ],
  },
  over: {
    words: 'It overflows though the float is shut',
    rows: [
      FLOAT_OPEN,
      {
        test: 'Shut the valve at the tank’s outlet: does it stop?',
        means:
          'The main or another tank pushes in backwards through the outlet: its check valve passes, or there is none.',
        mend:
          'Leave it shut, and fit or change the check valve. Back into a public main it must not run: tell the ' +
          'water company.',
      },
      {
        test: 'Only in rain?',
        means: 'A roof fills it, and no float stops that.',
        mend: 'That is what its overflow is for: see where it runs.',
        where: nodesOf('spout'),
      },
    ],
  },
  sucked: {
    words: 'The tank is sucked in',
    rows: [
      {
        test: 'Is the vent shut by a nest, paint or ice?',
        means: 'Water was drawn faster than air came in.',
        mend: 'Stop the pump, open the lid, clear the vent; as wide as the widest outlet, with a mesh.',
        where: tanks,
        chore: 'meshes:',
      },
    ],
  },
} as const satisfies Record<string, { words: string; rows: readonly SignRow[] }>
export type SignId = keyof typeof SIGNS
export const SIGN_IDS = Object.keys(SIGNS) as SignId[]
