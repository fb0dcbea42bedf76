import { z } from 'zod'
import { defineMove, freshId, Impossible } from './move'
import type { Building, Site } from '../site'

/** What is noted of the building, made where there is none yet; an empty list is none. */
export function building<Field extends keyof Building>(site: Site, field: Field, list: Building[Field]): void {
  const { [field]: _before, ...others } = site.build ?? {}
  const build = (list?.length ? { ...others, [field]: list } : others) as Building
  if (Object.keys(build).length) site.build = build
  else delete site.build
}

/** Ticks a thing off the list, or back onto it. */
export const tickBought = defineMove({
  args: z.object({ item: z.string().max(200) }),
  label: ({ item }, site) => (site.build?.bought?.includes(item) ? 'Back onto the list' : 'Tick it off the list'),
  apply(site, { item }) {
    const bought = site.build?.bought ?? []
    building(site, 'bought', bought.includes(item) ? bought.filter(each => each !== item) : [...bought, item])
  },
})

/** How many of a thing are there already. */
export const own = defineMove({
  args: z.object({ item: z.string().max(200), count: z.number().min(0, 'must be at least 0').max(1e6) }),
  label: () => 'Own stock',
  apply(site, { item, count }) {
    const others = (site.build?.owned ?? []).filter(({ id }) => id !== item)
    building(site, 'owned', count > 0 ? [...others, { id: item, count }] : others)
  },
})

/** What a piece was measured as in its place, m; nothing goes back to what the plan says. */
export const measurePiece = defineMove({
  args: z.object({
    piece: z.string().max(200),
    lengthM: z.number().positive('must be more than 0').max(1000, 'must be at most 1000').optional(),
  }),
  label: () => 'Measure a piece',
  apply(site, { piece, lengthM }) {
    const others = (site.build?.measured ?? []).filter(each => each.piece !== piece)
    building(site, 'measured', lengthM === undefined ? others : [...others, { piece, lengthM }])
  },
})

/** Done on a day, with a note; without a day it is not done. */
export const tickTask = defineMove({
  args: z.object({
    task: z.string().max(200),
    on: z.iso.date('must be a date, such as 2027-04-18').optional(),
    note: z.string().max(1000).optional(),
  }),
  label: ({ on }) => (on ? 'Tick a task as done' : 'A task is not done after all'),
  apply(site, { task, on, note }) {
    const others = (site.build?.done ?? []).filter(each => each.task !== task)
    building(site, 'done', on ? [...others, { task, on, ...(note ? { note } : {}) }] : others)
  },
})

/** The order in which somebody wants to work, as far as it may be. */
export const orderTasks = defineMove({
  args: z.object({ order: z.array(z.string().max(200)).max(5000) }),
  label: () => 'Put tasks in another order',
  apply(site, { order }) {
    building(site, 'order', order)
  },
})

/** A further stage; the first holds everything until something is put off. */
export const addStage = defineMove({
  args: z.object({ name: z.string().max(200) }),
  label: ({ name }) => `Add the stage “${name.trim()}”`,
  apply(site, { name }) {
    if (!name.trim()) throw new Impossible('A stage wants a name, such as “next spring”.')
    const stages = site.build?.stages ?? []
    if (stages.length >= 20) throw new Impossible('Twenty stages are the most that can be kept.')
    const first = stages.length ? stages : [{ id: freshId(site, 'stage'), name: 'Now', holds: [] }]
    const draft = { ...site, build: { ...site.build, stages: first } }
    building(site, 'stages', [...first, { id: freshId(draft, 'stage'), name: name.trim(), holds: [] }])
  },
})

function needStage(site: Site, id: string): NonNullable<Building['stages']>[number] {
  const stage = site.build?.stages?.find(each => each.id === id)
  if (!stage) throw new Impossible('That stage is no longer there.')
  return stage
}

export const renameStage = defineMove({
  args: z.object({ stage: z.string(), name: z.string().max(200) }),
  label: ({ name }) => `Call a stage “${name.trim()}”`,
  apply(site, { stage, name }) {
    if (!name.trim()) throw new Impossible('A stage wants a name, such as “next spring”.')
    needStage(site, stage).name = name.trim()
  },
})

/** Takes a stage out; what it held comes with the first again. */
export const dropStage = defineMove({
  args: z.object({ stage: z.string() }),
  label: () => 'Take a stage out',
  apply(site, { stage }) {
    needStage(site, stage)
    const left = site.build!.stages!.filter(({ id }) => id !== stage)
    building(site, 'stages', left.length > 1 ? left : [])
  },
})

/** Puts a tank, a line, a roof or a use into a stage; without one, into the first. */
export const putInStage = defineMove({
  args: z.object({ ids: z.array(z.string()).min(1).max(3000), stage: z.string() }),
  label: ({ stage }, site) => `Put it into “${site.build?.stages?.find(({ id }) => id === stage)?.name ?? 'a stage'}”`,
  apply(site, { ids, stage }) {
    needStage(site, stage)
    const stages = site.build!.stages!.map(each => {
      const others = each.holds.filter(id => !ids.includes(id))
      return { ...each, holds: each.id === stage ? [...others, ...ids] : others }
    })
    building(site, 'stages', stages)
  },
})
