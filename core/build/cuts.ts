import { sum } from 'd3-array'

/** Lengths that are cut from one that was bought. */
export interface Stock {
  stockM: number
  piecesM: number[]
  /** What is left of it. */
  wasteM: number
}
export interface CutList {
  stocks: Stock[]
  /** Fewer than this cannot do, however they are cut. */
  leastStocks: number
}

/** Bins in a world without kerfs: a piece carries its own, and so does a stock, whose last cut may not be needed. */
interface Bin {
  roomMm: number
  leftMm: number
  pieces: number[]
}

/** Pieces are told to a tenth of a millimetre; a saw does no better. */
const TENTHS = 10
const EPS = 1e-6
/** So many placings are tried before the best so far is taken. */
const MOST_TRIES = 15_000

/**
 * Lays pieces out on stock lengths: least length bought, then fewest stocks. First-fit and best-fit decreasing and bins
 * filled as full as they go are tried, then a search that ends with its tries; the best of all is taken, so that it is
 * never worse than first-fit decreasing.
 * @param kerfMm what the saw takes with each cut
 * @returns the stocks, and how few there could be; nothing where a piece is longer than every stock
 */
export function cutList(piecesM: readonly number[], stockM: readonly number[], kerfMm: number): CutList | undefined {
  const kerf = Math.round(kerfMm * TENTHS) / TENTHS
  const pieces = piecesM.map(metres => Math.ceil(metres * 1000 * TENTHS - EPS) / TENTHS + kerf).sort((a, b) => b - a)
  const rooms = [...new Set(stockM)].map(metres => metres * 1000 + kerf).sort((a, b) => a - b)
  const longest = rooms.at(-1)
  if (!pieces.length) return { stocks: [], leastStocks: 0 }
  if (longest === undefined || pieces[0]! > longest + EPS) return undefined
  const usable = rooms.filter(room => room >= pieces[0]! - EPS)
  const candidates = [
    ...usable.flatMap(room => [fit(pieces, room, firstFit), fit(pieces, room, bestFit), filled(pieces, [room])]),
    filled(pieces, rooms),
  ].map(bins => shortened(bins, rooms))
  const best = candidates.reduce((one, two) => (isBetter(two, one) ? two : one))
  const leastStocks = leastOf(pieces, longest)
  // Of one length, fewer than the least cannot be found.
  const bins = rooms.length === 1 && best.length === leastStocks ? best : searched(pieces, rooms, best)
  return {
    stocks: bins
      .map(({ roomMm, pieces: cut }): Stock => {
        const lengths = cut.map(piece => (piece - kerf) / 1000)
        // What is left over costs the saw one more cut; where all comes out even, there is none.
        const wasteMm = Math.max(0, roomMm - sum(cut) - kerf)
        return { stockM: (roomMm - kerf) / 1000, piecesM: lengths, wasteM: wasteMm / 1000 }
      })
      .sort((a, b) => b.stockM - a.stockM || a.wasteM - b.wasteM),
    leastStocks,
  }
}

type Choose = (bins: Bin[], piece: number) => Bin | undefined
const firstFit: Choose = (bins, piece) => bins.find(({ leftMm }) => leftMm >= piece - EPS)
const bestFit: Choose = (bins, piece) =>
  bins.reduce<Bin | undefined>(
    (best, bin) => (bin.leftMm >= piece - EPS && (!best || bin.leftMm < best.leftMm) ? bin : best),
    undefined,
  )

function fit(pieces: readonly number[], room: number, choose: Choose): Bin[] {
  const bins: Bin[] = []
  for (const piece of pieces) {
    let bin = choose(bins, piece)
    if (!bin) bins.push((bin = { roomMm: room, leftMm: room, pieces: [] }))
    bin.pieces.push(piece)
    bin.leftMm -= piece
  }
  return bins
}

/** Fills one stock after another about its longest piece as full as it goes, on the length that it leaves least of. */
function filled(pieces: readonly number[], rooms: readonly number[]): Bin[] {
  const left = [...pieces]
  const bins: Bin[] = []
  while (left.length) {
    const [longest] = left as [number]
    let best: { room: number; at: number[]; share: number } | undefined
    for (const room of rooms) {
      if (room < longest - EPS) continue
      const at = fullest(left.slice(1), room - longest)
      const share = (longest + sum(at, index => left[index + 1]!)) / room
      if (!best || share > best.share + 1e-9) best = { room, at, share }
    }
    const taken = [0, ...best!.at.map(index => index + 1)]
    const cut = taken.map(index => left[index]!)
    bins.push({ roomMm: best!.room, leftMm: best!.room - sum(cut), pieces: cut })
    for (const index of taken.toSorted((a, b) => b - a)) left.splice(index, 1)
  }
  return bins
}

/** So many pieces are weighed against each other for one stock: from more, a room is filled no better. */
const MOST_WEIGHED = 100
/** And in so many steps of its length: to the millimetre in a length of pipe, to a finger's breadth in a long coil. */
const MOST_STEPS = 8000

/** Places of the pieces that go into a room: of those alike no more than have room together, of many every so many-th. */
function weighed(steps: readonly number[], room: number): number[] {
  const together = new Map<number, number>()
  const fit: number[] = []
  for (const [at, length] of steps.entries()) {
    const all = (together.get(length) ?? 0) + length
    if (all > room) continue
    together.set(length, all)
    fit.push(at)
  }
  const every = Math.max(1, fit.length / MOST_WEIGHED)
  return Array.from({ length: Math.min(fit.length, MOST_WEIGHED) }, (_, nth) => fit[Math.floor(nth * every)]!)
}

/** Which of some pieces fill a room most, by what sums of them there are, each a step up. */
export function fullest(pieces: readonly number[], roomMm: number): number[] {
  const stepMm = Math.max(1, Math.ceil(roomMm / MOST_STEPS))
  const room = Math.floor((roomMm + EPS) / stepMm)
  if (room <= 0) return []
  const steps = pieces.map(piece => Math.ceil((piece - EPS) / stepMm))
  const by = new Int32Array(room + 1).fill(-1)
  by[0] = -2
  let most = 0
  for (const at of weighed(steps, room)) {
    const length = steps[at]!
    for (let to = Math.min(room, most + length); to >= length; to--)
      if (by[to] === -1 && by[to - length] !== -1 && by[to - length] !== at) {
        by[to] = at
        if (to > most) most = to
      }
    if (most === room) break
  }
  const taken: number[] = []
  for (let at = most; at > 0; at -= steps[by[at]!]!) taken.push(by[at]!)
  return taken
}

/** Each stock as short as what is cut from it allows. */
const shortened = (bins: readonly Bin[], rooms: readonly number[]): Bin[] =>
  bins.map(({ pieces }) => {
    const used = sum(pieces)
    const room = rooms.find(each => each >= used - EPS)!
    return { roomMm: room, leftMm: room - used, pieces }
  })

const bought = (bins: readonly Bin[]): number => sum(bins, ({ roomMm }) => roomMm)
function isBetter(one: readonly Bin[], two: readonly Bin[]): boolean {
  const [a, b] = [bought(one), bought(two)]
  return a < b - EPS || (a < b + EPS && one.length < two.length)
}

/** Looks through placings, longest piece first, for a better one than the best that is known. */
function searched(pieces: readonly number[], rooms: readonly number[], known: Bin[]): Bin[] {
  let best = known
  const after = pieces.map((_, at) => sum(pieces.slice(at)))
  const bins: Bin[] = []
  let tries = 0
  const place = (at: number, spentMm: number): void => {
    if (tries++ > MOST_TRIES) return
    const most = bought(best)
    if (at === pieces.length) {
      const made = shortened(bins, rooms)
      if (isBetter(made, best)) best = made.map(bin => ({ ...bin, pieces: [...bin.pieces] }))
      return
    }
    const free = sum(bins, ({ leftMm }) => leftMm)
    if (spentMm + Math.max(0, after[at]! - free) > most + EPS) return
    const piece = pieces[at]!
    const seen = new Set<number>()
    for (const bin of bins) {
      const left = Math.round(bin.leftMm * TENTHS)
      if (bin.leftMm < piece - EPS || seen.has(left)) continue
      seen.add(left)
      bin.leftMm -= piece
      bin.pieces.push(piece)
      place(at + 1, spentMm)
      bin.pieces.pop()
      bin.leftMm += piece
    }
    for (const room of rooms) {
      if (room < piece - EPS || spentMm + room > most + EPS) continue
      bins.push({ roomMm: room, leftMm: room - piece, pieces: [piece] })
      place(at + 1, spentMm + room)
      bins.pop()
    }
  }
  place(0, 0)
  return best
}

/** The bound of Martello and Toth: pieces of which no two share a stock, and what the smaller ones still ask for. */
function leastOf(pieces: readonly number[], room: number): number {
  let least = Math.ceil(sum(pieces) / room - EPS)
  for (const limit of new Set(pieces.filter(piece => piece <= room / 2 + EPS))) {
    const alone = pieces.filter(piece => piece > room - limit + EPS)
    const half = pieces.filter(piece => piece <= room - limit + EPS && piece > room / 2 + EPS)
    const small = pieces.filter(piece => piece <= room / 2 + EPS && piece >= limit - EPS)
    const over = sum(small) - (half.length * room - sum(half))
    least = Math.max(least, alone.length + half.length + Math.max(0, Math.ceil(over / room - EPS)))
  }
  return Math.max(least, pieces.filter(piece => piece > room / 2 + EPS).length)
}
