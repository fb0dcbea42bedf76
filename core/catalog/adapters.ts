import { endFamily, endSize, sizeWords, type End, type EndFamilyId, type Sex } from './ends'

/** A fitting with two ends that brings one kind of end to another. */
export interface Adapter {
  id: string
  name: string
  a: End
  b: End
  /** A starting guess of what it costs, in whatever is spent; and how easily it is found, 1 in any shop to 5 hardly. */
  price: number
  found: 1 | 2 | 3 | 4 | 5
  /** Whether it holds for good, or only until something better is there. */
  holds: 'good' | 'now'
}

type Found = Adapter['found']
interface Kind {
  name: string
  a: [EndFamilyId, Sex]
  b: [EndFamilyId, Sex]
  /** What one of 27 mm costs; wider ones cost more than in proportion. */
  price: number
  found: Found
  holds?: 'now'
  /** Sizes of its two ends, or of both at once. */
  sizes: (string | [a: string, b: string])[]
}

const all = (family: EndFamilyId): string[] => endFamily(family).sizes.map(({ size }) => size)
/** Each size with the next smaller, and the one below that. */
const down = (family: EndFamilyId): [string, string][] => {
  const sizes = all(family)
  return sizes.flatMap((size, at) =>
    [1, 2].flatMap(by => (at >= by ? [[size, sizes[at - by]!] as [string, string]] : [])),
  )
}
const upTo = (family: EndFamilyId, last: string): string[] => all(family).slice(0, all(family).indexOf(last) + 1)

const PE_TO_THREAD: [string, string][] = [
  ['20', '1/2'],
  ['25', '3/4'],
  ['32', '1'],
  ['40', '1 1/4'],
  ['50', '1 1/2'],
  ['63', '2'],
]
const GLUED_TO_THREAD: [string, string][] = PE_TO_THREAD
const COPPER_TO_THREAD: [string, string][] = [
  ['15', '1/2'],
  ['22', '3/4'],
  ['28', '1'],
  ['35', '1 1/4'],
  ['42', '1 1/2'],
  ['54', '2'],
]
const BARB_TO_THREAD: [string, string][] = [
  ['13', '1/2'],
  ['16', '1/2'],
  ['19', '3/4'],
  ['25', '1'],
  ['32', '1 1/4'],
  ['38', '1 1/2'],
  ['50', '2'],
]
const HOLE_TO_THREAD: [string, string][] = [
  ['32', '1/2'],
  ['38', '3/4'],
  ['44', '1'],
  ['57', '1 1/4'],
  ['64', '1 1/2'],
  ['76', '2'],
  ['102', '3'],
]

const KINDS: Kind[] = [
  // Tapered threads, and what they come from.
  kind('nipple', ['tapered', 'male'], ['tapered', 'male'], 1.1, 1, all('tapered')),
  kind('socket', ['tapered', 'female'], ['tapered', 'female'], 1.2, 1, all('tapered')),
  kind('reducing bush', ['tapered', 'male'], ['tapered', 'female'], 1.3, 1, down('tapered')),
  kind('male adapter', ['tapered', 'male'], ['solvent-inch', 'female'], 0.9, 1, all('tapered')),
  kind('female adapter', ['tapered', 'female'], ['solvent-inch', 'female'], 1, 1, all('tapered')),
  kind('threaded spigot', ['tapered', 'female'], ['solvent-inch', 'male'], 1.2, 2, upTo('tapered', '2')),
  // Parallel threads.
  kind('parallel nipple', ['parallel', 'male'], ['parallel', 'male'], 1.4, 1, all('parallel')),
  kind('parallel socket', ['parallel', 'female'], ['parallel', 'female'], 1.5, 1, all('parallel')),
  kind('parallel reducing bush', ['parallel', 'male'], ['parallel', 'female'], 1.6, 1, down('parallel')),
  kind('threaded adapter', ['parallel', 'male'], ['solvent-metric', 'female'], 1.3, 1, swap(GLUED_TO_THREAD)),
  kind('threaded socket', ['parallel', 'female'], ['solvent-metric', 'female'], 1.4, 1, swap(GLUED_TO_THREAD)),
  kind('thread changer', ['tapered', 'male'], ['parallel', 'female'], 3.2, 3, upTo('parallel', '2')),
  kind('thread changer', ['parallel', 'male'], ['tapered', 'female'], 3.2, 3, upTo('parallel', '2')),
  // Totes.
  kind('cap adapter', ['buttress-6', 'female'], ['tapered', 'male'], 1.7, 2, [
    ['60', '2'],
    ['60', '1 1/2'],
    ['60', '1'],
    ['60', '3/4'],
    ['75', '2'],
  ]),
  kind('cap adapter', ['buttress-6', 'female'], ['parallel', 'male'], 1.6, 2, [
    ['60', '2'],
    ['60', '1'],
    ['60', '3/4'],
    ['75', '2'],
  ]),
  kind('cap with inside thread', ['buttress-6', 'female'], ['tapered', 'female'], 1.8, 3, [['60', '2']]),
  kind('cap with hose tail', ['buttress-6', 'female'], ['barb', 'male'], 1.5, 2, [
    ['60', '19'],
    ['60', '25'],
    ['60', '32'],
    ['60', '50'],
  ]),
  kind('cap with hose thread', ['buttress-6', 'female'], ['hose-thread', 'male'], 1.4, 1, [['60', '3/4']]),
  kind('cap with cam plug', ['buttress-6', 'female'], ['cam', 'male'], 2.6, 3, [
    ['60', '2'],
    ['75', '2'],
  ]),
  kind('cap with solvent socket', ['buttress-6', 'female'], ['solvent-metric', 'female'], 1.8, 3, [
    ['60', '50'],
    ['60', '63'],
  ]),
  kind('step-down cap', ['buttress-8', 'female'], ['buttress-6', 'male'], 2.8, 4, [['100', '60']]),
  kind('wide cap adapter', ['buttress-8', 'female'], ['tapered', 'male'], 2.6, 4, [
    ['100', '3'],
    ['100', '2'],
  ]),
  kind('wide cap with cam plug', ['buttress-8', 'female'], ['cam', 'male'], 3, 4, [['100', '3']]),
  // Cam and groove.
  kind('cam plug, outside thread', ['cam', 'male'], ['tapered', 'male'], 2.4, 3, all('cam')),
  kind('cam plug, inside thread', ['cam', 'male'], ['tapered', 'female'], 2.3, 3, all('cam')),
  kind('cam coupler, outside thread', ['cam', 'female'], ['tapered', 'male'], 3.4, 3, all('cam')),
  kind('cam coupler, inside thread', ['cam', 'female'], ['tapered', 'female'], 3.3, 3, all('cam')),
  kind('cam coupler, hose tail', ['cam', 'female'], ['barb', 'male'], 3.1, 3, [
    ['3/4', '19'],
    ['1', '25'],
    ['1 1/4', '32'],
    ['1 1/2', '38'],
    ['2', '50'],
  ]),
  // Drums.
  kind('drilled bung', ['bung-fine', 'male'], ['tapered', 'female'], 2.2, 3, [
    ['2', '3/4'],
    ['3/4', '1/2'],
  ]),
  kind('drum adapter', ['bung-fine', 'male'], ['parallel', 'male'], 2.6, 4, [
    ['2', '2'],
    ['3/4', '3/4'],
  ]),
  kind('coarse bung, drilled', ['bung-coarse', 'male'], ['tapered', 'female'], 1.8, 3, [
    ['56', '3/4'],
    ['70', '3/4'],
  ]),
  kind('bung changer', ['bung-coarse', 'male'], ['bung-fine', 'female'], 2.4, 4, [
    ['56', '2'],
    ['70', '2'],
  ]),
  // Pipes.
  kind('coupling', ['solvent-inch', 'female'], ['solvent-inch', 'female'], 0.6, 1, all('solvent-inch')),
  kind('reducing bush', ['solvent-inch', 'male'], ['solvent-inch', 'female'], 0.9, 1, down('solvent-inch')),
  kind('coupling', ['solvent-metric', 'female'], ['solvent-metric', 'female'], 0.7, 1, all('solvent-metric')),
  kind('reducing bush', ['solvent-metric', 'male'], ['solvent-metric', 'female'], 1, 1, down('solvent-metric')),
  kind('inch to metric coupling', ['solvent-inch', 'female'], ['solvent-metric', 'female'], 2.4, 4, [
    ['1/2', '20'],
    ['3/4', '25'],
    ['1', '32'],
    ['1 1/4', '40'],
    ['1 1/2', '50'],
    ['2', '63'],
  ]),
  kind('compression coupling', ['compression', 'female'], ['compression', 'female'], 3.2, 1, all('compression')),
  kind('compression reducer', ['compression', 'female'], ['compression', 'female'], 3.6, 2, down('compression')),
  kind('compression, outside thread', ['compression', 'female'], ['parallel', 'male'], 2.4, 1, PE_TO_THREAD),
  kind('compression, inside thread', ['compression', 'female'], ['parallel', 'female'], 2.5, 1, PE_TO_THREAD),
  kind('compression, tapered thread', ['compression', 'female'], ['tapered', 'male'], 2.6, 2, PE_TO_THREAD),
  kind('compression, inside taper', ['compression', 'female'], ['tapered', 'female'], 2.7, 2, PE_TO_THREAD),
  kind('tube coupling', ['copper', 'female'], ['copper', 'female'], 1.8, 1, all('copper')),
  kind('tube reducer', ['copper', 'male'], ['copper', 'female'], 2, 1, down('copper')),
  kind('tube to outside thread', ['copper', 'female'], ['parallel', 'male'], 3, 1, COPPER_TO_THREAD),
  kind('tube to inside thread', ['copper', 'female'], ['parallel', 'female'], 3.1, 1, COPPER_TO_THREAD),
  kind('tube to tapered thread', ['copper', 'female'], ['tapered', 'male'], 3.2, 2, COPPER_TO_THREAD),
  kind('drain coupling', ['push-fit', 'female'], ['push-fit', 'female'], 0.9, 1, all('push-fit')),
  kind('drain reducer', ['push-fit', 'male'], ['push-fit', 'female'], 1.1, 1, down('push-fit')),
  kind('drain to solvent socket', ['push-fit', 'male'], ['solvent-metric', 'female'], 1.6, 2, [
    ['50', '50'],
    ['75', '75'],
    ['110', '110'],
  ]),
  // Hoses.
  kind('hose tail, tapered', ['barb', 'male'], ['tapered', 'male'], 1.2, 1, BARB_TO_THREAD),
  kind('hose tail, parallel', ['barb', 'male'], ['parallel', 'male'], 1.3, 1, BARB_TO_THREAD),
  kind('hose joiner', ['barb', 'male'], ['barb', 'male'], 0.7, 1, all('barb')),
  kind('length of hose with clips', ['barb', 'female'], ['barb', 'female'], 3, 1, all('barb')),
  kind('hose tail with swivel nut', ['barb', 'male'], ['hose-thread', 'female'], 1.3, 1, [
    ['13', '3/4'],
    ['19', '3/4'],
  ]),
  kind('hose thread adapter', ['hose-thread', 'female'], ['tapered', 'male'], 1.8, 1, [
    ['3/4', '3/4'],
    ['3/4', '1/2'],
  ]),
  kind('hose thread adapter', ['hose-thread', 'male'], ['tapered', 'male'], 1.7, 1, [['3/4', '3/4']]),
  kind('hose thread adapter', ['hose-thread', 'male'], ['parallel', 'female'], 1.9, 2, [['3/4', '3/4']]),
  kind('tap connector', ['hose-thread', 'female'], ['quick', 'male'], 1, 1, [
    ['3/4', '1/2'],
    ['3/4', '3/4'],
  ]),
  kind('tap connector', ['parallel', 'female'], ['quick', 'male'], 1.1, 1, [
    ['1/2', '1/2'],
    ['3/4', '1/2'],
    ['1', '3/4'],
  ]),
  kind('snap-on hose end', ['quick', 'female'], ['barb', 'male'], 1.2, 1, [
    ['1/2', '13'],
    ['3/4', '19'],
  ]),
  // Walls and flanges.
  kind('bulkhead fitting', ['bulkhead', 'male'], ['tapered', 'female'], 4.6, 2, HOLE_TO_THREAD),
  kind('bulkhead fitting, parallel', ['bulkhead', 'male'], ['parallel', 'female'], 4.4, 2, HOLE_TO_THREAD),
  kind(
    'flange, inside thread',
    ['flange', 'male'],
    ['tapered', 'female'],
    3,
    3,
    upTo('flange', '3').map(s => [s, s]),
  ),
  kind('flange, solvent socket', ['flange', 'male'], ['solvent-inch', 'female'], 2.8, 3, all('flange')),
  // In need.
  { ...kind('rubber sleeve', ['sleeve', 'female'], ['sleeve', 'female'], 2.2, 2, all('sleeve')), holds: 'now' },
  { ...kind('rubber step sleeve', ['sleeve', 'female'], ['sleeve', 'female'], 2.6, 3, down('sleeve')), holds: 'now' },
]

function kind(name: string, a: Kind['a'], b: Kind['b'], price: number, found: Found, sizes: Kind['sizes']): Kind {
  return { name, a, b, price, found, sizes }
}
function swap(pairs: [string, string][]): [string, string][] {
  return pairs.map(([one, two]) => [two, one])
}

/** Larger fittings cost more than in proportion, and are harder to find. */
const priceOf = (price: number, outerMm: number): number => Math.round(20 * price * (outerMm / 27) ** 1.25) / 20
const WIDE_MM = 70

const slug = (words: string): string => words.replaceAll('/', '-').replaceAll(/[ ,]+/g, '-')

/** Every adapter that is reckoned with. Prices are starting guesses; people note their own. */
export const ADAPTERS: Adapter[] = KINDS.flatMap(({ name, a, b, price, found, holds, sizes }) =>
  sizes.map((said): Adapter => {
    const [one, two] = typeof said === 'string' ? [said, said] : said
    const ends = { a: { family: a[0], size: one, sex: a[1] }, b: { family: b[0], size: two, sex: b[1] } } as const
    const widestMm = Math.max(endSize(ends.a)!.outerMm, endSize(ends.b)!.outerMm)
    const harder = widestMm > WIDE_MM ? 1 : 0
    return {
      id: slug(`${name} ${a[0]} ${a[1]} ${one} ${b[0]} ${b[1]} ${two}`),
      name: one === two ? `${sizeWords(ends.a)} ${name}` : `${name}, ${sizeWords(ends.a)} to ${sizeWords(ends.b)}`,
      ...ends,
      price: priceOf(price, widestMm),
      found: Math.min(5, found + harder) as Found,
      holds: holds ?? 'good',
    }
  }),
)
