import { ADAPTERS, joinOf, mates, type Adapter, type End, type JoinId } from '../catalog'

/** An adapter as it stands in a chain: which of its ends comes first. */
export interface ChainStep {
  adapter: Adapter
  turned: boolean
  price: number
}

/** A way from one end to another: its adapters in order, how each joint is made, and what it comes to. */
export interface Chain {
  steps: ChainStep[]
  joints: JoinId[]
  price: number
  cost: number
  holds: Adapter['holds']
}

/** What a chain is weighed by: what is spent, how hard each part is to find, and each joint, since every joint leaks. */
export interface ChainCost {
  price: number
  perTrouble: number
  perJoint: number
  /** What it is worth to have nothing in it that holds only for now. */
  forNow: number
}
export const WEIGHINGS = {
  cheapest: { price: 1, perTrouble: 0.5, perJoint: 1, forNow: 25 },
  fewest: { price: 0.1, perTrouble: 0.1, perJoint: 50, forNow: 200 },
  easiest: { price: 0.1, perTrouble: 20, perJoint: 1, forNow: 200 },
} as const satisfies Record<string, ChainCost>
export type WeighingId = keyof typeof WEIGHINGS
export const WEIGHING_IDS = Object.keys(WEIGHINGS) as WeighingId[]

/** What an adapter costs, where a person has noted it; else the catalog's guess. */
export type Prices = ReadonlyMap<string, number>

const first = ({ adapter, turned }: Pick<ChainStep, 'adapter' | 'turned'>): End => (turned ? adapter.b : adapter.a)
const last = ({ adapter, turned }: Pick<ChainStep, 'adapter' | 'turned'>): End => (turned ? adapter.a : adapter.b)
const keyOf = ({ family, size, sex }: End): string => `${family} ${size} ${sex}`

/** An adapter the one way round or the other: the end it is put on by, and the end it leaves, with that end's key. */
interface Face {
  adapter: Adapter
  turned: boolean
  on: End
  leaves: End
  leavesKey: string
}
const faceOf = (adapter: Adapter, turned: boolean): Face => {
  const leaves = last({ adapter, turned })
  return { adapter, turned, on: first({ adapter, turned }), leaves, leavesKey: keyOf(leaves) }
}
/** Every adapter each way round, made once; both ways round a nipple is the same nipple. */
let faces: Face[] | undefined
const allFaces = (): Face[] =>
  (faces ??= ADAPTERS.flatMap(adapter =>
    keyOf(adapter.a) === keyOf(adapter.b) ? [faceOf(adapter, false)] : [faceOf(adapter, false), faceOf(adapter, true)],
  ))

/** The adapters that go onto an end, looked for once an end. */
const joining = new Map<string, Face[]>()
function ontoEnd(end: End, key: string): Face[] {
  let found = joining.get(key)
  if (!found) joining.set(key, (found = allFaces().filter(({ on }) => mates(end, on))))
  return found
}

/** A way that is being gone: the end it has come to, and by what. */
interface Reached {
  end: End
  key: string
  cost: number
  by?: { step: ChainStep; before: Reached }
}
function stepsTo(reached: Reached): ChainStep[] {
  const steps: ChainStep[] = []
  for (let { by } = reached; by; { by } = by.before) steps.push(by.step)
  return steps.reverse()
}

/**
 * Ways from one end to another, the best first: least cost by Dijkstra, and the next ones that use other adapters, found
 * by forbidding one of the best's at a time. Two ends that mate need none.
 * @returns up to `count` chains; none where no adapters meet
 */
export function chains(from: End, to: End, weighing: ChainCost, count = 3, prices: Prices = new Map()): Chain[] {
  const seen = new Map<string, Chain>()
  const best = cheapest(from, to, weighing, prices, new Set())
  if (!best) return []
  const found = [best]
  const tried = new Set<string>()
  const setOf = (chain: Chain) => chain.steps.map(({ adapter }) => adapter.id).join(' ')
  const used = new Set([setOf(best)])
  const bans = new Map<Chain, Set<string>>([[best, new Set()]])
  while (found.length < count) {
    for (const chain of found)
      for (const { adapter } of chain.steps) {
        const banned = new Set([...bans.get(chain)!, adapter.id])
        const key = [...banned].sort().join(' ')
        if (tried.has(key)) continue
        tried.add(key)
        const other = cheapest(from, to, weighing, prices, banned)
        if (!other || used.has(setOf(other)) || seen.has(setOf(other))) continue
        seen.set(setOf(other), other)
        bans.set(other, banned)
      }
    const next = [...seen.values()].sort((a, b) => a.cost - b.cost)[0]
    if (!next) break
    seen.delete(setOf(next))
    used.add(setOf(next))
    found.push(next)
  }
  return found
}

function cheapest(
  from: End,
  to: End,
  weighing: ChainCost,
  prices: Prices,
  banned: ReadonlySet<string>,
): Chain | undefined {
  const { price: perPrice, perTrouble, perJoint, forNow } = weighing
  const known = new Map<string, number>([[keyOf(from), 0]])
  const open: Reached[] = [{ end: from, key: keyOf(from), cost: 0 }]
  let done: Reached | undefined
  while (open.length) {
    let at = 0
    for (let each = 1; each < open.length; each++) if (open[each]!.cost < open[at]!.cost) at = each
    const [now] = open.splice(at, 1) as [Reached]
    if (done && now.cost + perJoint >= done.cost) break
    if (known.get(now.key)! < now.cost) continue
    if (mates(now.end, to)) {
      done = { ...now, cost: now.cost + perJoint }
      continue
    }
    for (const { adapter, turned, leaves, leavesKey } of ontoEnd(now.end, now.key)) {
      if (banned.has(adapter.id)) continue
      const price = prices.get(adapter.id) ?? adapter.price
      const own =
        perPrice * price + perTrouble * (adapter.found - 1) + perJoint + (adapter.holds === 'now' ? forNow : 0)
      const cost = now.cost + own
      if (cost >= (known.get(leavesKey) ?? Infinity)) continue
      known.set(leavesKey, cost)
      open.push({ end: leaves, key: leavesKey, cost, by: { step: { adapter, turned, price }, before: now } })
    }
  }
  return done && chainOf(from, to, stepsTo(done), done.cost)
}

function chainOf(from: End, to: End, steps: ChainStep[], cost: number): Chain {
  const ends: [End, End][] = []
  let now = from
  for (const step of steps) {
    ends.push([now, first(step)])
    now = last(step)
  }
  ends.push([now, to])
  return {
    steps,
    joints: ends.map(([one, two]) => joinOf(one, two)),
    price: steps.reduce((sum, { price }) => sum + price, 0),
    cost,
    holds: steps.some(({ adapter }) => adapter.holds === 'now') ? 'now' : 'good',
  }
}

/** The two ends of a step, as a chain meets them. */
export const endsOfStep = (step: Pick<ChainStep, 'adapter' | 'turned'>): [End, End] => [first(step), last(step)]
