import { z } from 'zod'
import type { Site } from '#core/site'
import { steady } from '#core/network'
import { Refused } from '../lib/refused'
import { argsIn } from './asked'
import { siteIn } from './documents'
import { straysOfState, unless } from './strays'

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

/** What is named and is not there. */
function straysOf(site: Site, { open = {}, running = {}, ...state }: Asked) {
  const taps = new Set(site.nodes.flatMap(node => (node.kind === 'tap' ? [node.id] : [])))
  const runs = new Set(site.runs.map(run => run.id))
  return [
    ...Object.keys(open).flatMap(id =>
      unless(`open.${id}`, taps.has(id), `open.${id}: there is no tap “${id}” in this site.`),
    ),
    ...straysOfState(site, state),
    ...Object.keys(running).flatMap(id =>
      unless(`running.${id}`, runs.has(id), `running.${id}: there is no run “${id}” in this site.`),
    ),
  ]
}
