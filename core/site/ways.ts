import { FLUSH_SCHOOLS, STANDARD_SIZES_L, TANK_KINDS } from '../catalog'
import { applyMoves, joinedTanks, moveOf } from './moves'
import { tanksOf } from './ports'
import { tankNominalL } from './quantities'
import type { Move, Site, Tank } from './schema'
import { frostMonths } from './weather'

/** One of the ways of doing it that people argue about, as moves on a site. */
export interface Way { id: string, name: string, moves: Move[] }

const MOST_TOTES = 12
const TOTE_L = 1000

/** The group of joined tanks that holds most: what the ways about tanks are about. */
function largestGroup(site: Site): Tank[] {
  const groups = tanksOf(site).map(tank => joinedTanks(site, tank))
  const holds = (group: Tank[]) => group.reduce((sum, tank) => sum + tankNominalL(tank), 0)
  return groups.sort((a, b) => holds(b) - holds(a))[0] ?? []
}

/** Ways that are not this site's already: one big tank or many totes, top or bottom filling, big chambers or small, winter by-pass or burying. */
export function waysFor(site: Site): Way[] {
  const group = largestGroup(site)
  const totalL = group.reduce((sum, tank) => sum + tankNominalL(tank), 0)
  return [...tankWays(group, totalL), ...inletWays(site), ...chamberWays(site), ...winterWays(site)].filter(way => changesAnything(site, way.moves))
}

/** A way that is this site's own already is no other way; one that cannot be made is offered, and says why. */
function changesAnything(site: Site, moves: Move[]): boolean {
  const made = applyMoves(site, moves)
  return !made.ok || JSON.stringify(made.site.nodes) !== JSON.stringify(site.nodes)
}

function tankWays(group: Tank[], totalL: number): Way[] {
  const [first, ...rest] = group
  if (!first) return []
  const kind = totalL > Math.max(...STANDARD_SIZES_L.upright) ? 'steel' : 'upright'
  const totes = Math.min(MOST_TOTES, Math.max(2, Math.round(totalL / TOTE_L)))
  const fewer = rest.map(tank => moveOf('remove', { id: tank.id }))
  return [
    ...(rest.length || first.tankKind !== kind ? [{
      id: 'one-big', name: `One ${TANK_KINDS[kind].name} of the same litres`, moves: [...fewer, moveOf('setKind', { tank: first.id, kind, volumeL: Math.round(totalL) }), moveOf('fitOverflow', { tank: first.id })],
    }] : []),
    ...(first.tankKind !== 'tote' ? [{
      id: 'many-totes', name: `${totes} caged totes, joined at the bottom`,
      moves: [...fewer, moveOf('setKind', { tank: first.id, kind: 'tote' as const }), moveOf('fitOverflow', { tank: first.id }), ...Array.from({ length: totes - 1 }, () => moveOf('addTank', { kind: 'tote', how: 'joined', to: first.id }))],
    }] : []),
    { id: 'one-more', name: `One more like ${group.at(-1)!.name}`, moves: [moveOf('addTank', { kind: group.at(-1)!.tankKind, how: 'joined', to: group.at(-1)!.id })] },
  ]
}

function inletWays(site: Site): Way[] {
  const tanks = tanksOf(site)
  const style = tanks.some(tank => tank.inletStyle === 'top') ? 'calmed' : 'top'
  return tanks.length ? [{ id: 'inlets', name: style === 'top' ? 'Fill every tank from the top' : 'Calm every inlet at the bottom', moves: tanks.map(tank => moveOf('setInlet', { tank: tank.id, style })) }] : []
}

function chamberWays(site: Site): Way[] {
  const chambers = site.nodes.filter(node => node.kind === 'chamber')
  if (!chambers.length) return []
  const sized = (depthMm: number) => chambers.map(chamber => moveOf('sizeChamber', { chamber: chamber.id, depthMm }))
  const { light, heavy } = FLUSH_SCHOOLS
  return [{ id: 'big-chambers', name: `Big chambers, ${heavy.depthMm} mm`, moves: sized(heavy.depthMm) }, { id: 'small-chambers', name: `Small chambers, ${light.depthMm} mm`, moves: sized(light.depthMm) }]
}

function winterWays(site: Site): Way[] {
  const frost = frostMonths(site)
  const spouts = site.nodes.filter(node => node.kind === 'spout')
  const above = tanksOf(site).filter(tank => tank.base !== 'buried')
  if (!frost.length) return []
  return [
    ...(spouts.some(spout => !spout.bypassMonths?.length) ? [{ id: 'winter-by-pass', name: 'A winter by-pass at every spout', moves: spouts.map(spout => moveOf('setBypass', { spout: spout.id, months: frost })) }] : []),
    ...(above.length ? [{ id: 'bury', name: 'Bury the tanks, no by-pass', moves: [...above.map(tank => moveOf('standOn', { tank: tank.id, base: 'buried' })), ...spouts.map(spout => moveOf('setBypass', { spout: spout.id, months: [] }))] }] : []),
  ]
}
