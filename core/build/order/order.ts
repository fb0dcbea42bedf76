import { bisectLeft } from 'd3-array'
import { WORK_IDS, type Task } from './task'
import { tasksOf } from './tasks'
import { refuse, type Answer } from '../../answers'
import type { Site } from '../../site'

/** A task in its place: on which day, and what it still waits for. */
export interface Planned extends Task {
  day: number
  done?: { on: string; note?: string }
  /** Tasks that are not done yet, and must be. */
  waitsFor: string[]
}

/** Who works, and for how long a day. */
export interface Crew {
  people: number
  hoursADay: number
}
const CREW: Crew = { people: 2, hoursADay: 6 }

/**
 * Tasks in an order that respects what each waits for: as wanted where somebody said, else kind by kind in the order of
 * work; of those that could be next, always the first.
 */
export function inOrder(tasks: readonly Task[], wanted: readonly string[] = []): Task[] {
  const at = new Map(wanted.map((id, index) => [id, index]))
  const first = (task: Task): [number, number] => [at.get(task.id) ?? Infinity, WORK_IDS.indexOf(task.work)]
  const left = tasks
    .map((task, index) => ({ task, index, key: first(task) }))
    .sort((a, b) => compare(a.key[0], b.key[0]) || a.key[1] - b.key[1] || a.index - b.index)
    .map(({ task }) => task)
  const open = opening(left)
  const order: Task[] = []
  while (order.length < left.length) order.push(left[open.next()!]!)
  return order
}

/** Tasks of which each opens once those are done that it waits for, by their places in a list. */
function opening(tasks: readonly Task[], done: ReadonlySet<string> = new Set()) {
  const known = new Set(tasks.map(({ id }) => id))
  const left = new Set(tasks.keys())
  const waits = tasks.map(({ after }) => new Set(after.filter(id => known.has(id) && !done.has(id))))
  const followers = new Map<string, number[]>()
  for (const [at, ids] of waits.entries())
    for (const id of ids) {
      const known = followers.get(id)
      if (known) known.push(at)
      else followers.set(id, [at])
    }
  /** Those that wait for nothing, the first in the list first. */
  const open = [...tasks.keys()].filter(at => !waits[at]!.size)

  /** Does the first of those that are open, and that will do; nothing where none will. */
  function next(will: (at: number) => boolean = () => true): number | undefined {
    const at = open.find(will)
    if (at !== undefined) return end(at)
    // Tasks that wait for each other are a fault of ours: they come as they stand rather than never.
    return open.length || !left.size ? undefined : end(left.values().next().value!)
  }
  function end(at: number): number {
    left.delete(at)
    if (open.includes(at)) open.splice(open.indexOf(at), 1)
    const { id } = tasks[at]!
    for (const follower of followers.get(id) ?? []) {
      waits[follower]!.delete(id)
      if (!waits[follower]!.size && left.has(follower)) open.splice(bisectLeft(open, follower), 0, follower)
    }
    return at
  }
  return { open, left, next }
}
const compare = (a: number, b: number): number => (a === b ? 0 : a < b ? -1 : 1)

/** True where no task waits for itself by way of others. */
export function hasNoCircle(tasks: readonly Task[]): boolean {
  const order = inOrder(tasks)
  const at = new Map(order.map(({ id }, index) => [id, index]))
  return order.every(({ after }, index) => after.every(id => (at.get(id) ?? -1) < index))
}

/** All tasks of a plan by days: each as soon as a crew has hands for it and what it waits for has cured. */
export function planOf(site: Site, crew: Crew = CREW, month?: number): Planned[] {
  const tasks = tasksOf(site, month)
  const done = new Map(site.build?.done?.map(each => [each.task, each]))
  const known = new Set(tasks.map(({ id }) => id))
  return byDays(inOrder(tasks, site.build?.order), crew, new Set(done.keys())).map(({ task, day }): Planned => {
    const own = done.get(task.id)
    return {
      ...task,
      day,
      ...(own ? { done: { on: own.on, ...(own.note ? { note: own.note } : {}) } } : {}),
      waitsFor: task.after.filter(id => known.has(id) && !done.has(id)),
    }
  })
}

const lastsH = ({ minutes: [least, most] }: Task): number => (least + most) / 120

/**
 * Tasks through a crew's hours, one after another: always the first that is ready and fits into what is left of the day.
 * What cures does so by night too; while it does, other work goes on. What is done already stands on no day.
 */
function byDays(order: readonly Task[], { hoursADay }: Crew, done: ReadonlySet<string>): { task: Task; day: number }[] {
  const known = new Set(order.map(({ id }) => id))
  const planned = order.filter(({ id }) => done.has(id)).map(task => ({ task, day: 0 }))
  const tasks = order.filter(({ id }) => !done.has(id))
  const open = opening(tasks, done)
  /** Hours from the first morning, nights and all, at which each may be built upon. */
  const readyH = new Map<string, number>([...done].map(id => [id, 0]))
  const freeH = ({ after }: Task): number =>
    Math.max(0, ...after.map(id => (known.has(id) ? (readyH.get(id) ?? Infinity) : 0)))
  let [day, spentH] = [0, 0]
  while (open.left.size) {
    const nowH = 24 * day + spentH
    const at = open.next(each => {
      const task = tasks[each]!
      return freeH(task) <= nowH + 1e-9 && (spentH === 0 || spentH + lastsH(task) <= hoursADay + 1e-9)
    })
    if (at === undefined) {
      const soonestH = Math.min(...open.open.map(each => freeH(tasks[each]!)))
      const laterToday = soonestH > nowH && soonestH < 24 * day + hoursADay
      if (laterToday) spentH = soonestH - 24 * day
      else [day, spentH] = [Math.max(day + 1, Math.floor(soonestH / 24)), 0]
      continue
    }
    const task = tasks[at]!
    planned.push({ task, day: day + 1 })
    readyH.set(task.id, nowH + lastsH(task) + (task.curesH ?? 0))
    spentH += lastsH(task)
    while (spentH >= hoursADay) [day, spentH] = [day + 1, Math.max(0, spentH - hoursADay)]
  }
  return planned
}

/** Puts a task before another, or last; or says what it waits for, or what waits for it. */
export function moveTask(site: Site, id: string, before: string | undefined): Answer<{ order: string[] }> {
  const tasks = planOf(site)
  const order = tasks.map(task => task.id)
  const task = tasks.find(each => each.id === id)
  if (!task || (before !== undefined && !order.includes(before))) return refuse('That task is no longer in the plan.')
  const others = order.filter(each => each !== id)
  const at = before === undefined ? others.length : others.indexOf(before)
  const moved = [...others.slice(0, at), id, ...others.slice(at)]
  const nameOf = (of: string) => tasks.find(each => each.id === of)!.what
  const late = task.after.find(each => moved.indexOf(each) > at)
  if (late) return refuse(`“${task.what}” waits for “${nameOf(late)}”.`)
  const early = tasks.find(each => each.after.includes(id) && moved.indexOf(each.id) < at)
  if (early) return refuse(`“${early.what}” waits for “${task.what}”, and cannot come before it.`)
  return { ok: true, order: moved }
}

/** What a crew can do of it in so many hours: tasks in order, as far as they fit, none that waits or needs more hands. */
export function fitsInto(plan: readonly Planned[], { people, hoursADay }: Crew): Planned[] {
  const picked: Planned[] = []
  const made = new Set(plan.flatMap(task => (task.done ? [task.id] : [])))
  let leftH = hoursADay
  for (const task of plan) {
    if (task.done || task.people > people) continue
    const ready = task.waitsFor.every(id => made.has(id))
    if (!ready || lastsH(task) > leftH) continue
    picked.push(task)
    leftH -= lastsH(task)
    // What must cure is not built upon the same day.
    if (!task.curesH) made.add(task.id)
  }
  return picked
}
