import { z } from 'zod'
import { climateSchema, type Site } from '../schema'
import { defineMove, Refusal, takeOut } from './move'

const FIXED = new Set(['format', 'version', 'id'])
const words = (field: string) => field.replace(/(M|Mm|M2|L|C|Deg)$/, '').replace(/([A-Z])/g, ' $1').toLowerCase()

/** Sets one field. The document's schema decides afterwards whether the value can stand. */
export const change = defineMove({
  args: z.object({ path: z.array(z.union([z.string(), z.number()])).min(1), value: z.unknown() }),
  label: ({ path }, site) => `Change ${nameAlong(site, path)}${words(String(path.findLast(key => typeof key === 'string')))}`,
  apply(site, { path, value }) {
    const last = path.at(-1)!
    if (FIXED.has(String(last)) || path.some(key => key === '__proto__' || key === 'constructor' || key === 'prototype')) throw new Refusal(`${String(last)} cannot be changed.`)
    let here = site as unknown as Record<string | number, unknown>
    for (const key of path.slice(0, -1)) {
      here = here[key] as Record<string | number, unknown>
      if (typeof here !== 'object' || here === null) throw new Refusal('What you were changing is no longer there.')
    }
    if (value === undefined) Reflect.deleteProperty(here, last)
    else here[last] = value
  },
})

function nameAlong(site: Site, path: (string | number)[]): string {
  let here: unknown = site
  let name = ''
  for (const key of path.slice(0, -1)) {
    here = (here as Record<string | number, unknown> | undefined)?.[key]
    const found = (here as { name?: unknown } | undefined)?.name
    if (typeof found === 'string') name = found
  }
  return name ? `${name}: ` : ''
}

/** Puts the base of anything that stands at a height above the datum. */
export const setHeight = defineMove({
  args: z.object({ node: z.string(), baseM: z.number().min(-500).max(5000) }),
  label: ({ node }, site) => `Move ${site.nodes.find(candidate => candidate.id === node)?.name ?? 'a height'} up or down`,
  apply(site, { node, baseM }) {
    const found = site.nodes.find(candidate => candidate.id === node)
    if (!found) throw new Refusal('What you were moving is no longer there.')
    found.baseM = Math.round(baseM * 10000) / 10000
  },
})

/** Takes out a roof, a node, a run or a use, with what hangs on it. */
export const remove = defineMove({
  args: z.object({ id: z.string() }),
  label: ({ id }, site) => `Take out ${[...site.nodes, ...site.roofs, ...site.runs, ...site.uses].find(item => item.id === id)?.name ?? 'a part'}`,
  apply(site, { id }) {
    const roof = site.roofs.find(candidate => candidate.id === id)
    const use = site.uses.find(candidate => candidate.id === id)
    if (roof) {
      site.roofs = site.roofs.filter(candidate => candidate !== roof)
      for (const { nodeId } of roof.spouts) {
        if (!site.roofs.some(other => other.spouts.some(spout => spout.nodeId === nodeId))) takeOutLine(site, nodeId)
      }
    }
    else if (use) {
      site.uses = site.uses.filter(candidate => candidate !== use)
      if (!site.uses.some(other => other.at === use.at)) takeOutDeadEnd(site, use.at)
    }
    else if (site.runs.some(run => run.id === id)) site.runs = site.runs.filter(run => run.id !== id)
    else if (site.nodes.some(node => node.id === id && node.kind === 'spout')) takeOutLine(site, id)
    else if (site.nodes.some(node => node.id === id)) {
      const outfalls = site.runs.filter(run => run.from.node === id).map(run => run.to.node)
      takeOut(site, id)
      for (const node of outfalls) {
        const stranded = site.nodes.some(candidate => candidate.id === node && candidate.kind === 'outfall') && !site.runs.some(run => run.to.node === node)
        if (stranded) takeOut(site, node)
      }
    }
    else throw new Refusal('That is no longer in this site.')
  },
})

/** A tap nobody uses goes with its line, back to the joint or tank it came from. */
function takeOutDeadEnd(site: Site, nodeId: string): void {
  const feeders = site.runs.filter(run => run.to.node === nodeId).map(run => run.from.node)
  takeOut(site, nodeId)
  for (const feeder of feeders) {
    const node = site.nodes.find(candidate => candidate.id === feeder)
    if (node?.kind === 'joint' && !site.runs.some(run => run.from.node === feeder)) takeOutDeadEnd(site, feeder)
  }
}

/** A spout goes with what serves it alone: its chamber, the joints of its line, and their drains. */
function takeOutLine(site: Site, nodeId: string): void {
  const next = site.runs.filter(run => run.from.node === nodeId).map(run => run.to.node)
  takeOut(site, nodeId)
  for (const id of next) {
    const node = site.nodes.find(candidate => candidate.id === id)
    if (node && ['chamber', 'joint', 'outfall'].includes(node.kind) && !site.runs.some(run => run.to.node === id)) takeOutLine(site, id)
  }
}

/** Replaces the whole climate: a stand-in, typed months, or a record that was read. */
export const setClimate = defineMove({
  args: z.object({ climate: climateSchema, place: z.object({ latitudeDeg: z.number(), altitudeM: z.number(), frostDepthM: z.number() }).optional() }),
  label: ({ climate }) => `Climate: ${climate.source}`,
  apply(site, { climate, place }) {
    site.climate = climate
    if (place) Object.assign(site.place, place)
  },
})
