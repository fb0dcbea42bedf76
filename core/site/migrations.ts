import { withIds } from './ids'
import { CLIMATE_IDS, CLIMATES, FIXTURES, FIXTURE_IDS } from '../catalog'

type Json = Record<string, unknown>
const objects = (value: unknown): Json[] => (value as Json[] | undefined) ?? []

/** Steps from each older version to the next. A step never drops what it does not understand. */
export const MIGRATIONS: Record<number, (document: Json) => Json> = {
  /** Version 0 kept the units at the top, and the heights of nodes in millimetres without a ground. */
  0: ({ units, nodes, ...rest }) => ({
    ...rest,
    version: 1,
    standards: {
      pipes: 'metric',
      threads: 'parallel',
      volts: 230,
      hertz: 50,
      currency: '',
      ...(rest.standards as object),
      units,
    },
    nodes: objects(nodes).map(({ baseMm, ...node }) => ({ groundM: 0, ...node, baseM: (baseMm as number) / 1000 })),
  }),
  /**
   * Version 1 addressed parts, pieces and fields by their place in a list, gave every run a name of its own, and told a
   * fixture, a hydrant's outlet and a stand-in climate by their words.
   */
  1: document => {
    const named = withIds<Json>({
      ...document,
      nodes: objects(document.nodes).map(nodeFrom1),
      climate: climateFrom1(document),
    })
    return {
      ...named,
      version: 2,
      nodes: objects(named.nodes).map(node => withoutGivenName(node, named)),
      runs: objects(named.runs).map(run => runFrom1(run, named)),
      modes: objects(named.modes).map(mode => modeFrom1(mode, named)),
      options: objects(named.options).map(option => ({
        ...option,
        moves: objects(option.moves).map(move => moveFrom1(move, named)),
      })),
    }
  },
}

/** A fixture that was told in other words: as near as they come, and the words kept beside it. */
export function fixtureFrom(words: unknown): Json {
  const plain = String(words).toLowerCase().trim()
  const found = FIXTURE_IDS.find(id => id === plain || FIXTURES[id].name === plain)
  return found ? { fixture: found } : { fixture: 'tap', fixtureWords: words }
}

function nodeFrom1(node: Json): Json {
  if (node.kind === 'tap') return { ...node, ...fixtureFrom(node.fixture) }
  if (node.kind !== 'tank') return node
  return {
    ...node,
    ports: objects(node.ports).map(port =>
      port.name === 'fire' && port.role === 'outlet' ? { ...port, role: 'fire' } : port,
    ),
  }
}

function climateFrom1({ climate }: Json): unknown {
  const { source } = climate as Json
  const standIn = CLIMATE_IDS.find(id => source === `stand-in climate: ${CLIMATES[id].name}`)
  return standIn ? { ...(climate as Json), standIn } : climate
}

const nameIn = (document: Json, id: unknown): string =>
  String(objects(document.nodes).find(node => node.id === id)?.name ?? '')
const same = (a: unknown, b: string) => String(a).toLowerCase() === b.toLowerCase()

/** The name that version 1 gave an outfall or a tap by itself falls away: it is worked out from now on. */
function withoutGivenName(node: Json, document: Json): Json {
  const { name, ...rest } = node
  const feeders = objects(document.runs)
    .filter(run => (run.to as Json).node === node.id)
    .map(run => nameIn(document, (run.from as Json).node))
  const given =
    node.kind === 'outfall'
      ? feeders.some(feeder => same(name, `${feeder} outfall`) || same(name, `drain of ${feeder}`))
      : node.kind === 'tap' && objects(document.uses).some(use => use.at === node.id && same(name, String(use.name)))
  return given ? rest : node
}

/** The name that version 1 gave a run from what it joined falls away where it still says that. */
function runFrom1(run: Json, document: Json): Json {
  const { name, ...rest } = run
  const [from, to] = [run.from as Json, run.to as Json]
  const [a, b] = [nameIn(document, from.node), nameIn(document, to.node)]
  const roofs = objects(document.roofs)
    .filter(roof => objects(roof.spouts).some(spout => spout.nodeId === from.node))
    .map(roof => `${String(roof.name)} to ${b}`)
  const given = [
    `${a} to ${b}`,
    `${a} to ${b}, at the bottom`,
    `${a} spills into ${b}`,
    `${a} fills ${b}`,
    `${a} overflow`,
    `${a} to its first flush`,
    `${a} to the pump`,
    `${a} to the hydrant`,
    `To ${b}`,
    `Drain of ${a}`,
    ...roofs,
  ]
  return given.some(each => same(name, each)) ? rest : run
}

const partAt = (document: Json, run: unknown, index: unknown): unknown =>
  objects(objects(document.runs).find(each => each.id === run)?.parts)[index as number]?.id

/** A position that pointed past the end of its run is kept aside, since it never turned anything. */
function modeFrom1(mode: Json, document: Json): Json {
  const positions = objects(mode.positions).map(({ run, part, ...rest }) => ({
    now: { part: partAt(document, run, part), ...rest },
    was: { run, part, ...rest },
  }))
  const stray = positions.filter(({ now }) => now.part === undefined).map(({ was }) => was)
  return {
    ...mode,
    positions: positions.filter(({ now }) => now.part !== undefined).map(({ now }) => now),
    ...(stray.length ? { strayPositions: stray } : {}),
  }
}

const LISTS: Record<string, string> = { nodes: 'node', roofs: 'roof', runs: 'run', uses: 'use' }
const WITHIN: Record<string, string> = {
  parts: 'part',
  pieces: 'piece',
  spouts: 'stretch',
  rations: 'ration',
  emitters: 'emitter',
}

/** A move that named something by its place names it by its id, as the site stands that the option varies. */
function moveFrom1(move: Json, document: Json): Json {
  const args = move.args as Json
  if (move.name === 'turnValve')
    return { ...move, args: { part: partAt(document, args.run, args.part), open: args.open } }
  if (move.name === 'insertPart') {
    const { at, ...rest } = args
    const before = partAt(document, args.run, at)
    return { ...move, args: { ...rest, ...(before === undefined ? {} : { before }) } }
  }
  if (move.name !== 'change' || !Array.isArray(args.path)) return move
  const address = addressOf(args.path as (string | number)[], document)
  return address ? { ...move, name: 'set', args: { ...address, value: args.value } } : move
}

function addressOf(path: (string | number)[], document: Json): Json | undefined {
  let [of, id, here]: [string, string, unknown] = ['site', '', document]
  let field: string[] = []
  for (const key of path) {
    const list = here
    here = (here as Record<string | number, unknown> | undefined)?.[key]
    if (typeof key !== 'number') {
      field.push(key)
      continue
    }
    const name = field.at(-1)!
    const thing = here as Json | undefined
    if (!Array.isArray(list) || !thing) return undefined
    if (LISTS[name] || WITHIN[name]) [of, id] = [(LISTS[name] ?? WITHIN[name])!, String(thing.id)]
    else if (name === 'ports') id = `${id}.${String(thing.name)}`
    else if (name === 'months' && field[0] === 'climate') [of, id] = ['month', String(key + 1)]
    else return undefined
    if (name === 'ports') of = 'port'
    field = []
  }
  return field.length ? { of, id, field: field.join('.') } : undefined
}
