import { counted } from '../words'
import { tanksOf, type Move, type Run, type Site, nameOf } from '../site'
import { review } from '../review'
import { replay, type LeftMove } from '../moves'
import type { SiteNode } from '../kinds'
import type { DailySeries } from '../climate'
import { compile, outlook, overYears, poolPrice, usableL } from '../balance'

/** What a plan comes to, in the figures by which plans are chosen. */
export interface Weighed {
  nominalL: number
  usableL: number
  /** In the middle of all years of the same weather. */
  shortDays: number
  metShare: number
  spilledL: number
  broughtL: number
  autonomyDays: number | undefined
  /** What its tanks cost, by prices said or guessed; and what its outside water costs a year. */
  price: number
  yearlyCost: number
  findings: { wrong: number; look: number; checks: string[] }
}

/** Weighs a plan over a series. */
export function weigh(site: Site, series: DailySeries): Weighed {
  const compiled = compile(site)
  const told = outlook(site, series)
  const { years, autonomy } = told
  const middle = (of: (year: (typeof years)[number]) => number) => overYears(told, of).middle
  const mean = (of: (year: (typeof years)[number]) => number) =>
    years.reduce((sum, year) => sum + of(year), 0) / years.length
  const { findings } = review(site)
  const asked = mean(year => year.askedL)
  return {
    nominalL: compiled.pools.reduce((sum, pool) => sum + pool.nominalL, 0),
    usableL: usableL(compiled),
    shortDays: middle(year => year.shortDays),
    metShare: asked > 0 ? mean(year => year.metL) / asked : 1,
    spilledL: middle(year => year.spilledL),
    broughtL: middle(year => year.wellL + year.mainL + year.cartL),
    autonomyDays: autonomy && !autonomy.beyond ? autonomy.days : undefined,
    price: compiled.pools.reduce((sum, pool) => sum + poolPrice(pool), 0),
    yearlyCost: middle(year => outsideCost(site, year)),
    findings: {
      wrong: findings.filter(finding => finding.severity === 'wrong').length,
      look: findings.filter(finding => finding.severity === 'look').length,
      checks: [...new Set(findings.map(finding => finding.check))],
    },
  }
}

/**
 * What a year's water from wells, mains and carts costs, by the prices said; a source whose price nobody said costs
 * nothing here.
 */
export function outsideCost(site: Site, year: { wellL: number; mainL: number; loads: number }): number {
  const mean = (prices: number[]) => (prices.length ? prices.reduce((sum, price) => sum + price, 0) / prices.length : 0)
  const said = (kind: 'well' | 'main') =>
    mean(site.nodes.flatMap(node => (node.kind === kind && node.pricePerM3 !== undefined ? [node.pricePerM3] : [])))
  const load = mean(
    tanksOf(site).flatMap(tank => (tank.carted?.pricePerLoad !== undefined ? [tank.carted.pricePerLoad] : [])),
  )
  return (year.wellL / 1000) * said('well') + (year.mainL / 1000) * said('main') + year.loads * load
}

export interface Option {
  name: string
  moves: Move[]
}
/** An option on today's site: what it comes to, where it differs, and which of its moves no longer fit. */
export interface Weighing {
  weighed: Weighed
  differs: string[]
  differing: string[]
  left: LeftMove[]
}

export function weighOption(site: Site, moves: Move[], series: DailySeries): Weighing {
  const { site: made, left } = replay(site, moves, '')
  return { weighed: weigh(made, series), ...differences(site, made), left }
}

/**
 * Where two sites differ in the Section: what came, what went, what stands elsewhere or holds something else, in
 * words; and what to mark in the second.
 */
export function differences(before: Site, after: Site): { differs: string[]; differing: string[] } {
  const was = new Map([
    ...before.nodes.map(node => [node.id, nodeWords(node)] as const),
    ...before.runs.map(run => [run.id, runWords(run)] as const),
  ])
  const [added, changed] = [
    after.nodes.filter(node => !was.has(node.id)),
    after.nodes.filter(node => was.has(node.id) && was.get(node.id) !== nodeWords(node)),
  ]
  const gone = before.nodes.filter(node => !after.nodes.some(other => other.id === node.id))
  const rerouted = after.runs.filter(run => was.has(run.id) && was.get(run.id) !== runWords(run))
  return {
    differs: [
      ...added.map(node => `${nameOf(after, node.id)} added`),
      ...gone.map(node => `${nameOf(before, node.id)} gone`),
      ...changed.map(node => `${nameOf(after, node.id)} changed`),
      ...(rerouted.length ? [`${counted(rerouted.length, 'line')} laid otherwise`] : []),
    ],
    differing: [...added, ...changed, ...rerouted, ...after.runs.filter(run => !was.has(run.id))].map(({ id }) => id),
  }
}

/** What makes two things of one id differ: everything but their names. */
const nodeWords = (node: SiteNode) => JSON.stringify({ ...node, name: '' })
const runWords = ({ from, to, parts }: Run) => JSON.stringify([from, to, parts.map(part => ({ ...part, id: '' }))])
