import { z } from 'zod'
import { building } from './building'
import { defineMove, Impossible } from './move'
import type { Building } from '../site'

type Length = NonNullable<Building['lengths']>[number]
const pipe = () => z.string().min(1).max(200)
const lengthsM = () => z.array(z.number().positive('must be more than 0').max(1000, 'must be at most 1000')).max(1000)

/** The same lengths of a pipe in one row, none of no pieces. */
function counted(lengths: readonly Length[]): Length[] {
  const rows: Length[] = []
  for (const each of lengths) {
    const same = rows.find(({ id, lengthM }) => id === each.id && Math.abs(lengthM - each.lengthM) < 5e-4)
    if (same) same.count += each.count
    else rows.push({ ...each })
  }
  return rows.filter(({ count }) => count > 0)
}

/**
 * Pieces of a pipe are cut: they leave the cut list, lengths of one's own that they were cut from are gone, and what is
 * left over is kept.
 */
export const cutPieces = defineMove({
  args: z.object({
    pipe: pipe(),
    pieces: z.array(z.string().max(200)).min(1).max(2000),
    usedM: lengthsM(),
    leftM: lengthsM(),
  }),
  label: ({ pieces }) => (pieces.length === 1 ? 'A piece is cut' : `${pieces.length} pieces are cut`),
  apply(site, { pipe: id, pieces, usedM, leftM }) {
    const lengths = counted([
      ...(site.build?.lengths ?? []),
      ...usedM.map(lengthM => ({ id, lengthM, count: -1 })),
      ...leftM.map(lengthM => ({ id, lengthM: Math.round(lengthM * 1000) / 1000, count: 1 })),
    ])
    building(site, 'cut', [...new Set([...(site.build?.cut ?? []), ...pieces])])
    building(site, 'lengths', lengths)
  },
})

/** Pieces that are to be cut after all. */
export const cutAgain = defineMove({
  args: z.object({ pieces: z.array(z.string().max(200)).min(1).max(2000) }),
  label: ({ pieces }) => (pieces.length === 1 ? 'A piece is to be cut again' : 'Pieces are to be cut again'),
  apply(site, { pieces }) {
    building(
      site,
      'cut',
      (site.build?.cut ?? []).filter(id => !pieces.includes(id)),
    )
  },
})

/** How many lengths of a pipe are there: left over, or one's own. */
export const ownLength = defineMove({
  args: z.object({
    pipe: pipe(),
    lengthM: z.number().positive('must be more than 0').max(1000, 'must be at most 1000'),
    count: z.number().int('must be a whole number').min(0, 'must be at least 0').max(1000, 'must be at most 1000'),
  }),
  label: () => 'Lengths of one’s own',
  apply(site, { pipe: id, lengthM, count }) {
    const others = (site.build?.lengths ?? []).filter(
      each => each.id !== id || Math.abs(each.lengthM - lengthM) >= 5e-4,
    )
    if (others.length >= 1000) throw new Impossible('A thousand kinds of lengths are the most that can be kept.')
    building(site, 'lengths', count ? [...others, { id, lengthM, count }] : others)
  },
})

/** Lets something else stand in for a thing on the list, or the thing itself again. */
export const swapItem = defineMove({
  args: z.object({ item: z.string().max(200) }),
  label: ({ item }, site) => (site.build?.swaps?.includes(item) ? 'As the list had it' : 'Let another stand in for it'),
  apply(site, { item }) {
    const swaps = site.build?.swaps ?? []
    building(site, 'swaps', swaps.includes(item) ? swaps.filter(each => each !== item) : [...swaps, item])
  },
})
