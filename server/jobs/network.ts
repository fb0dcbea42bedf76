import { z } from 'zod'
import { rimM, type Site } from '#core/site'
import { steady } from '#core/network'
import { Refused } from '../lib/refused'
import { argsIn } from './asked'
import { siteIn } from './documents'

const figures = (least: number, most: number) =>
  z
    .record(
      z.string(),
      z
        .number({ error: 'must be a number' })
        .min(least, `must be at least ${least}`)
        .max(most, `must be at most ${most}`),
    )
    .optional()
const askedSchema = z.strictObject({
  open: figures(0, 1),
  levels: figures(0, 100),
  pressures: figures(0, 5000),
  running: z.record(z.string(), z.boolean('must be true or false')).optional(),
})
type Asked = z.infer<typeof askedSchema>

/** Flows and pressures of a site at a moment: the document, or `{ site, open, levels, pressures, running }`. */
export function networkJob(json: unknown) {
  const { site } = siteIn(json)
  const wrapped = typeof json === 'object' && json !== null && 'site' in json
  const { site: _site, ...given } = wrapped ? (json as Record<string, unknown>) : { site: json }
  const asked = argsIn(askedSchema, given)
  const strays = straysOf(site, asked)
  if (strays.length) throw new Refused(422, strays)
  return steady(site, asked)
}

/** What is named and is not there, and tanks that would stand over their rims. */
function straysOf(site: Site, { open = {}, levels = {}, pressures = {}, running = {} }: Asked) {
  const nodes = new Map(site.nodes.map(node => [node.id, node]))
  const runs = new Set(site.runs.map(run => run.id))
  const unless = (path: string, holds: boolean, sentence: string) => (holds ? [] : [{ path, sentence }])
  return [
    ...Object.keys(open).flatMap(id =>
      unless(`open.${id}`, nodes.get(id)?.kind === 'tap', `open.${id}: there is no tap “${id}” in this site.`),
    ),
    ...Object.entries(levels).flatMap(([id, levelM]) => {
      const path = `levels.${id}`
      const tank = nodes.get(id)
      if (tank?.kind !== 'tank') return [{ path, sentence: `${path}: there is no tank “${id}” in this site.` }]
      const highM = rimM(tank) - tank.baseM
      return unless(path, levelM <= highM + 1e-9, `${path} must be at most ${highM} m, the tank’s own height.`)
    }),
    ...Object.keys(pressures).flatMap(id => {
      const holds = nodes.get(id)?.kind === 'pressureTank'
      return unless(`pressures.${id}`, holds, `pressures.${id}: there is no pressure tank “${id}” in this site.`)
    }),
    ...Object.keys(running).flatMap(id =>
      unless(`running.${id}`, runs.has(id), `running.${id}: there is no run “${id}” in this site.`),
    ),
  ]
}
