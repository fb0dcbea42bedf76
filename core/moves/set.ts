import { z } from 'zod'
import { withWhatHangs } from './follow'
import { listed } from '../words'
import { showQuantity } from '../units'
import type { SiteNode } from '../kinds'
import { defineMove, Impossible, toThousandth } from './move'
import {
  fieldOf,
  fieldSentence,
  fieldWords,
  THING_KINDS,
  THINGS,
  type FoundThing,
  type Site,
  type ThingKind,
  nameOf,
} from '../site'

const WHY = {
  fixed: 'cannot be set; it is changed by a move of its own',
  unknown: 'is not a field of it',
  missing: 'cannot be set before there is one',
}

function find(site: Site, of: ThingKind, id: string): FoundThing {
  const found = (THINGS[of] as (site: Site, id: string) => FoundThing | undefined)(site, id)
  if (!found) throw new Impossible('What you were changing is no longer there.')
  return found
}

/**
 * Sets one field of one thing, addressed by what it is and its id. The value is held against the schema of that very
 * field; a field that the thing does not have is refused. Without a value an optional field is taken away.
 */
export const set = defineMove({
  args: z.object({
    of: z.enum(THING_KINDS),
    id: z.string().default(''),
    field: z.string().min(1).max(120),
    value: z.unknown(),
  }),
  label: ({ of, id, field }, site) => {
    const name = (THINGS[of] as (site: Site, id: string) => FoundThing | undefined)(site, id)?.name
    return `Change ${name && of !== 'site' ? `${name}: ` : ''}${fieldWords(field)}`
  },
  apply(site, { of, id, field, value }) {
    const thing = find(site, of, id)
    const at = fieldOf(thing, field)
    if (!at.ok) throw new Impossible(fieldSentence(field, thing.name, WHY[at.because], site.standards.units))
    const read = at.schema.safeParse(value)
    if (!read.success) {
      const [issue] = read.error.issues
      const deeper = [field, ...issue!.path.filter(key => typeof key === 'string')].join('.')
      const message = value === undefined ? 'must be given' : issue!.message
      throw new Impossible(fieldSentence(deeper, thing.name, message, site.standards.units))
    }
    const [before, was] = [thing.fields.name, at.holder?.[at.key]]
    if (value === undefined) Reflect.deleteProperty(at.holder!, at.key)
    else at.holder![at.key] = value
    if (of === 'node' && typeof was === 'number' && typeof value === 'number')
      keepItsPlace(site, id, field, value - was)
    if (field === 'name' && typeof before === 'string' && typeof value === 'string') carryName(site, before, value)
    // A length that somebody has typed was measured.
    if (of === 'part' && field === 'lengthM') delete thing.fields.guessed
  },
})

/** A well that is deeper goes further down, its head at the ground; what stands on ground that is higher stands higher. */
function keepItsPlace(site: Site, id: string, field: string, moreM: number): void {
  const node = site.nodes.find(each => each.id === id)
  if (node?.kind === 'well' && field === 'depthM') node.baseM = toThousandth(node.baseM - moreM)
  if (field !== 'groundM' || (node?.kind !== 'well' && node?.kind !== 'tank')) return
  const raise = () => (node.baseM = toThousandth(node.baseM + moreM))
  if (node.kind === 'tank') withWhatHangs(site, node, raise)
  else raise()
}

/** What was called after a thing, a spout after its roof, a chamber or a low point after its spout, is so still. */
function carryName(site: Site, before: string, now: string): void {
  if (!before || !now) return
  for (const node of site.nodes) {
    const { name } = node
    if (!name || !['spout', 'chamber', 'joint'].includes(node.kind)) continue
    const called = name.startsWith(`${before} spout`)
      ? now + name.slice(before.length)
      : name.endsWith(` of ${before}`)
        ? name.slice(0, -before.length) + now
        : undefined
    if (called === undefined || called === name) continue
    node.name = called
    carryName(site, name, called)
  }
}

/** Puts the base of anything that stands at a height above the datum. */
export const setHeight = defineMove({
  args: z.object({ node: z.string(), baseM: z.number().min(-500).max(5000) }),
  label: ({ node }, site) => `Move ${nameOf(site, node, 'a height')} up or down`,
  apply: (site, { node, baseM }) => standAt(site, standing(site, node), baseM),
})

/** Sets what stands or hangs together lower, all by as much. */
export const setLower = defineMove({
  args: z.object({ nodes: z.array(z.string()).min(1), byM: z.number().positive().max(500) }),
  label: ({ nodes, byM }, site) =>
    `Set ${listed(nodes.map(id => nameOf(site, id)))} ${showQuantity(byM, 'length', site.standards.units).text} lower`,
  apply(site, { nodes, byM }) {
    const found = nodes.map(id => standing(site, id))
    const wereM = found.map(({ baseM }) => baseM)
    found.forEach((node, at) => standAt(site, node, wereM[at]! - byM))
  },
})

function standing(site: Site, id: string): SiteNode {
  const found = site.nodes.find(candidate => candidate.id === id)
  if (!found) throw new Impossible('What you were moving is no longer there.')
  return found
}
function standAt(site: Site, node: SiteNode, baseM: number): void {
  const put = () => (node.baseM = Math.round(baseM * 10000) / 10000)
  if (node.kind === 'tank') withWhatHangs(site, node, put)
  else put()
}
