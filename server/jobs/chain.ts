import { chains, readEnd, WEIGHINGS } from '#core/build'
import type { End } from '#core/catalog'
import { Refused } from '../lib/refused'

/** Ways from one end to another, the cheapest first: `{ from, to }`, each `{ family, size, sex }`. */
export function chainJob(json: unknown) {
  const { from, to } = (typeof json === 'object' && json !== null ? json : {}) as Record<string, unknown>
  const read = { from: readEnd(from), to: readEnd(to) }
  const problems = (['from', 'to'] as const).flatMap(side => {
    const end = read[side]
    if (end.ok) return []
    const path = [side, end.path].filter(Boolean).join('.')
    return [{ path, sentence: `${path} ${end.why}.` }]
  })
  if (problems.length) throw new Refused(422, problems)
  const ends = read as Record<'from' | 'to', { ok: true; value: End }>
  return {
    chains: chains(ends.from.value, ends.to.value, WEIGHINGS.cheapest).map(({ steps, joints, cost, price, holds }) => ({
      steps: steps.map(({ adapter, price: own }) => ({ adapter: adapter.name, id: adapter.id, price: own })),
      joints: joints.length,
      joined: joints,
      price: Math.round(100 * price) / 100,
      cost: Math.round(1000 * cost) / 1000,
      holds,
    })),
  }
}
