import { moveOf, setField } from './registry'
import { applyMoves } from './apply'
import { showQuantity } from '../units'
import {
  joinedTanks,
  nodeById,
  runsFrom,
  tanksOf,
  tankNominalL,
  type Move,
  type Site,
  frostMonths,
  fedTogether,
  feedsOf,
} from '../site'
import type { Tank } from '../kinds'
import { FLUSH_SCHOOLS, PRESSURE_TANKS_L, sizesSoldL, TANK_KINDS } from '../catalog'

/** One of the ways of doing it that people argue about, as moves on a site. */
export interface OtherWay {
  id: string
  name: string
  moves: Move[]
}

const MOST_TOTES = 12
const TOTE_L = 1000

const heldL = (group: readonly Tank[]) => group.reduce((sum, tank) => sum + tankNominalL(tank), 0)

/**
 * The group of tanks that holds most, by what makes a group; where two hold as much, the one that water comes to
 * first.
 */
function largestGroup(site: Site, groupOf: (site: Site, tank: Tank) => readonly Tank[]): readonly Tank[] {
  return (
    tanksOf(site)
      .map(tank => groupOf(site, tank))
      .sort((a, b) => heldL(b) - heldL(a))[0] ?? []
  )
}

/**
 * Ways that are not this site's already: one big tank or many totes, top or bottom filling, big chambers or small,
 * winter by-pass or burying.
 */
export function waysFor(site: Site): OtherWay[] {
  return [
    ...kindWays(site, lowestFirst(site, largestGroup(site, fedTogether))),
    ...moreWays(largestGroup(site, joinedTanks)),
    ...inletWays(site),
    ...chamberWays(site),
    ...winterWays(site),
    ...vesselWays(site),
  ].filter(way => changesAnything(site, way.moves))
}

/** A way that is this site's own already is no other way; one that cannot be made is offered, and says why. */
function changesAnything(site: Site, moves: Move[]): boolean {
  const made = applyMoves(site, moves)
  return !made.ok || JSON.stringify(made.site.nodes) !== JSON.stringify(site.nodes)
}

/**
 * What replaces several tanks stands where the lowest of them stood that anything draws from: all that ran to them
 * still runs to it.
 */
function lowestFirst(site: Site, group: readonly Tank[]): Tank[] {
  const draws = (tank: Tank) =>
    runsFrom(site, tank.id).some(run => !['tank', 'outfall'].includes(nodeById(site, run.to.node).kind))
  return [...group].sort((a, b) => Number(draws(b)) - Number(draws(a)) || a.baseM - b.baseM)
}

function kindWays(site: Site, group: readonly Tank[]): OtherWay[] {
  const [first, ...rest] = group
  if (!first) return []
  const totalL = heldL(group)
  const kind = totalL > Math.max(...sizesSoldL('upright', site.standards.units)) ? 'steel' : 'upright'
  const totes = Math.min(MOST_TOTES, Math.max(2, Math.round(totalL / TOTE_L)))
  const fewer = rest.map(tank => moveOf('mergeTank', { tank: tank.id, into: first.id }))
  return [
    ...(rest.length || first.tankKind !== kind
      ? [
          {
            id: 'one-big',
            name: `One ${TANK_KINDS[kind].name} of the same litres`,
            moves: [
              ...fewer,
              moveOf('setKind', { tank: first.id, kind, volumeL: Math.round(totalL) }),
              moveOf('fitOverflow', { tank: first.id }),
            ],
          },
        ]
      : []),
    ...(first.tankKind !== 'tote'
      ? [
          {
            id: 'many-totes',
            name: `${totes} caged totes, joined at the bottom`,
            moves: [
              ...fewer,
              moveOf('setKind', { tank: first.id, kind: 'tote' as const }),
              moveOf('fitOverflow', { tank: first.id }),
              ...Array.from({ length: totes - 1 }, () =>
                moveOf('addTank', { kind: 'tote', how: 'joined', to: first.id }),
              ),
            ],
          },
        ]
      : []),
  ]
}

function moreWays(group: readonly Tank[]): OtherWay[] {
  const last = group.at(-1)
  return last
    ? [
        {
          id: 'one-more',
          name: `One more like ${last.name}`,
          moves: [moveOf('addTank', { kind: last.tankKind, how: 'joined', to: last.id })],
        },
      ]
    : []
}

function inletWays(site: Site): OtherWay[] {
  const tanks = tanksOf(site)
  const style = tanks.some(tank => tank.inletStyle === 'top') ? 'calmed' : 'top'
  return tanks.length
    ? [
        {
          id: 'inlets',
          name: style === 'top' ? 'Fill every tank from the top' : 'Calm every inlet at the bottom',
          moves: tanks.map(tank => moveOf('setInlet', { tank: tank.id, style })),
        },
      ]
    : []
}

function chamberWays(site: Site): OtherWay[] {
  const chambers = site.nodes.filter(node => node.kind === 'chamber')
  if (!chambers.length) return []
  const sized = (name: string, { depthMm }: { depthMm: number }) => ({
    name: `${name} chambers, ${showQuantity(depthMm, 'rain', site.standards.units).text}`,
    moves: chambers.map(chamber => moveOf('sizeChamber', { chamber: chamber.id, depthMm })),
  })
  return [
    { id: 'big-chambers', ...sized('Big', FLUSH_SCHOOLS.heavy) },
    { id: 'small-chambers', ...sized('Small', FLUSH_SCHOOLS.light) },
  ]
}

/** Where a pressure tank stands: the largest there is, for few starts, or none beside a variable-speed set. */
function vesselWays(site: Site): OtherWay[] {
  const held = feedsOf(site).flatMap(({ vessel, trunk }) => (vessel ? [{ vessel, run: trunk[0]!.id }] : []))
  const largestL = PRESSURE_TANKS_L.at(-1)!
  return held.length
    ? [
        {
          id: 'large-pressure-tank',
          name: 'The largest pressure tank, for few starts',
          moves: held.map(({ vessel }) => setField('node', vessel.id, 'volumeL', largestL)),
        },
        {
          id: 'variable-speed',
          name: 'A variable-speed set instead of the pressure tank',
          moves: held.map(({ run }) => moveOf('liftBy', { run, by: 'variable-speed', hold: 'straight' })),
        },
      ]
    : []
}

function winterWays(site: Site): OtherWay[] {
  const frost = frostMonths(site)
  const spouts = site.nodes.filter(node => node.kind === 'spout')
  const above = tanksOf(site).filter(tank => tank.base !== 'buried')
  if (!frost.length) return []
  return [
    ...(spouts.some(spout => !spout.bypassMonths?.length)
      ? [
          {
            id: 'winter-by-pass',
            name: 'A winter by-pass at every spout',
            moves: spouts.map(spout => moveOf('setBypass', { spout: spout.id, months: frost })),
          },
        ]
      : []),
    ...(above.length
      ? [
          {
            id: 'bury',
            name: 'Buried tanks, no by-pass',
            moves: [
              ...above.map(tank => moveOf('setKind', { tank: tank.id, kind: 'buried', volumeL: tankNominalL(tank) })),
              ...spouts.map(spout => moveOf('setBypass', { spout: spout.id, months: [] })),
            ],
          },
        ]
      : []),
  ]
}
