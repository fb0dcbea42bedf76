import { z } from 'zod'
import {
  modeSchema,
  monthSchema,
  optionSchema,
  pieceSchema,
  placeSchema,
  priceSchema,
  roofSchema,
  runSchema,
  siteSchema,
  stretchSchema,
  type Site,
} from './schema'
import { emitterSchema, rationSchema, useSchema } from './useSchema'
import { nameOf, runName } from './names'
import { fieldRow, showLimit, type System } from '../units'
import { nodeSchemaOf, partSchemaOf, PART_KINDS, portSchema, type NodeKind, type PartKind } from '../kinds'

/** A thing of a document that has fields, as it is found by its id. */
export interface FoundThing {
  fields: Record<string, unknown>
  schema: z.ZodObject
  /** What a person knows it by. */
  name: string
}

const found = (thing: object | undefined, schema: z.ZodType, name: string): FoundThing | undefined =>
  thing && { fields: thing as Record<string, unknown>, schema: schema as z.ZodObject, name }

/** How a port is addressed: its node's id and its name. */
export const portId = (node: string, port: string): string => `${node}.${port}`

/** Every kind of thing that has fields of its own, and how one is found by its id. */
export const THINGS = {
  site: site => found(site, siteSchema, site.name),
  month: (site, id) => found(site.climate.months[Number(id) - 1], monthSchema, ''),
  roof: (site, id) => {
    const roof = site.roofs.find(each => each.id === id)
    return found(roof, roofSchema, roof?.name ?? '')
  },
  piece: (site, id) => {
    const roof = site.roofs.find(each => each.pieces.some(piece => piece.id === id))
    return found(
      roof?.pieces.find(piece => piece.id === id),
      pieceSchema,
      roof?.name ?? '',
    )
  },
  stretch: (site, id) => {
    const roof = site.roofs.find(each => each.spouts.some(stretch => stretch.id === id))
    return found(
      roof?.spouts.find(stretch => stretch.id === id),
      stretchSchema,
      roof?.name ?? '',
    )
  },
  node: (site, id) => {
    const node = site.nodes.find(each => each.id === id)
    return node && found(node, nodeSchemaOf(node.kind as NodeKind), nameOf(site, id))
  },
  port: (site, id) => {
    for (const node of site.nodes) {
      if (node.kind !== 'tank') continue
      const port = node.ports.find(each => portId(node.id, each.name) === id)
      if (port) return found(port, portSchema, node.name)
    }
    return undefined
  },
  run: (site, id) => {
    const run = site.runs.find(each => each.id === id)
    return run && found(run, runSchema, runName(site, run))
  },
  part: (site, id) => {
    for (const run of site.runs) {
      const part = run.parts.find(each => each.id === id)
      if (part)
        return found(
          part,
          partSchemaOf(part.kind),
          `${PART_KINDS[part.kind as PartKind].name} of ${runName(site, run)}`,
        )
    }
    return undefined
  },
  place: (site, id) => {
    const run = site.runs.find(each => each.profile?.some(place => place.id === id))
    const place = run?.profile?.find(each => each.id === id)
    return found(place, placeSchema, run ? runName(site, run) : '')
  },
  use: (site, id) => {
    const use = site.uses.find(each => each.id === id)
    return found(use, useSchema, use?.name ?? '')
  },
  ration: (site, id) => {
    const use = site.uses.find(each => each.rations?.some(step => step.id === id))
    return found(
      use?.rations?.find(step => step.id === id),
      rationSchema,
      use?.name ?? '',
    )
  },
  emitter: (site, id) => {
    for (const use of site.uses) {
      const emitters = use.amount.by === 'bed' ? (use.amount.drip?.emitters ?? []) : []
      const emitter = emitters.find(each => each.id === id)
      if (emitter) return found(emitter, emitterSchema, use.name)
    }
    return undefined
  },
  price: (site, id) => {
    const price = site.prices?.find(each => each.id === id)
    return found(price, priceSchema, price?.id ?? '')
  },
  mode: (site, id) => {
    const mode = site.modes.find(each => each.id === id)
    return found(mode, modeSchema, mode?.name ?? '')
  },
  option: (site, id) => {
    const option = site.options.find(each => each.id === id)
    return found(option, optionSchema, option?.name ?? '')
  },
} satisfies Record<string, (site: Site, id: string) => FoundThing | undefined>
export type ThingKind = keyof typeof THINGS
export const THING_KINDS = Object.keys(THINGS) as [ThingKind, ...ThingKind[]]

/** What lies under the wrappers of a field's schema: optional, nullable, default. */
export function bare(schema: z.ZodType): z.ZodType {
  let here = schema
  while (here instanceof z.ZodOptional || here instanceof z.ZodNullable || here instanceof z.ZodDefault)
    here = here.unwrap() as z.ZodType
  return here
}

/** The schema of the object that a value is: for one of several forms, that of the value's own form. */
function objectSchema(schema: z.ZodType, value: unknown): z.ZodObject | undefined {
  const here = bare(schema)
  if (here instanceof z.ZodObject) return here
  if (!(here instanceof z.ZodDiscriminatedUnion)) return undefined
  const key = here.def.discriminator
  const form = (value as Record<string, unknown> | undefined)?.[key]
  return (here.options as z.ZodObject[]).find(option => {
    const word = option.shape[key]
    return word instanceof z.ZodLiteral && word.value === form
  })
}

/** True for lists of things that have an address of their own: those are put in and taken out by moves. */
function isListOfThings(schema: z.ZodType): boolean {
  const here = bare(schema)
  if (!(here instanceof z.ZodArray)) return false
  const item = bare(here.element as z.ZodType)
  return item instanceof z.ZodObject || item instanceof z.ZodDiscriminatedUnion
}

/** What gives a thing its identity is not a field to be set. */
const FIXED = new Set(['id', 'kind', 'format', 'version'])

export type FieldFound =
  | { ok: true; schema: z.ZodType; holder: Record<string, unknown> | undefined; key: string }
  | { ok: false; because: 'fixed' | 'unknown' | 'missing' }

/**
 * A field of a thing, by its name; dots lead into what the thing holds (`rule.startShare`, `shape.lengthM`). Unknown
 * fields, what gives a thing its identity, and lists of other things are told apart.
 */
export function fieldOf({ fields, schema }: FoundThing, field: string): FieldFound {
  const keys = field.split('.')
  let [holder, here]: [Record<string, unknown> | undefined, z.ZodObject | undefined] = [fields, schema]
  for (const [depth, key] of keys.entries()) {
    const inner = here && Object.hasOwn(here.shape, key) ? (here.shape[key] as z.ZodType) : undefined
    if (!inner) return { ok: false, because: 'unknown' }
    if ((FIXED.has(key) && depth === 0) || isListOfThings(inner)) return { ok: false, because: 'fixed' }
    if (depth === keys.length - 1) return { ok: true, schema: inner, holder, key }
    const value = holder?.[key]
    if (value === undefined || value === null) return { ok: false, because: 'missing' }
    holder = value as Record<string, unknown>
    here = objectSchema(inner, value)
  }
  return { ok: false, because: 'unknown' }
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1)

/** What a person calls a field. */
export const fieldWords = (field: string): string => fieldRow(field.split('.').at(-1)!).words

/** "Diameter of “East tank” must be more than 0 m.": the field in words, what a person knows it by, and the remedy. */
export function fieldSentence(
  field: string,
  owner: string | undefined,
  message: string,
  system: System,
  entry = '',
): string {
  const of = entry + (owner ? ` of “${owner.slice(0, 60)}”` : '')
  return `${field ? capital(fieldWords(field)) : 'The document'}${of} ${withUnit(field, message, system)}.`
}

/** Limits are told in round figures of whoever reads them. */
function withUnit(field: string, message: string, system: System): string {
  const limit = /^(.* )(-?[\d.]+)$/.exec(message)
  if (!limit || !field) return message
  const end = /at most/.test(limit[1]!) ? 'most' : 'least'
  return limit[1] + showLimit(Number(limit[2]), fieldRow(field.split('.').at(-1)!).kind, system, end)
}
