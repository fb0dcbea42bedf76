import { tankTopM } from './slots'
import type { NodeKind, NodeOf, PartKind, SiteNode } from '../kinds'

/** How a part is drawn on its line; a plain one is the line itself. */
export type PartMark =
  'plain' | 'handle' | 'flap' | 'ball' | 'mesh' | 'cartridge' | 'lamp' | 'drum' | 'dial' | 'bonnet' | 'spring'

/** The mark of every kind of part. */
export const PART_MARKS = {
  pipe: 'plain',
  valve: 'handle',
  check: 'flap',
  float: 'ball',
  screen: 'mesh',
  filter: 'cartridge',
  lamp: 'lamp',
  pump: 'drum',
  union: 'plain',
  reducer: 'plain',
  flexible: 'plain',
  meter: 'dial',
  regulator: 'bonnet',
  relief: 'spring',
} as const satisfies Record<PartKind, PartMark>

export const isDrawn = (kind: PartKind): boolean => PART_MARKS[kind] !== 'plain'

/** The heights above the datum between which each kind of node is drawn, with what stands at it. */
const NODE_REACH: { [Kind in NodeKind]: (node: NodeOf<Kind>) => [number, number] } = {
  spout: ({ baseM }) => [baseM - 0.2, baseM + 0.3],
  chamber: ({ baseM, heightM }) => [baseM - 0.2, baseM + heightM + 0.2],
  tank: tank => [tank.baseM - 0.25, tankTopM(tank) + 0.75],
  pressureTank: ({ baseM }) => [baseM - 0.2, baseM + 0.3],
  well: ({ groundM, stillWaterDepthM }) => [groundM - stillWaterDepthM - 0.55, groundM - stillWaterDepthM + 0.45],
  main: ({ baseM }) => [baseM - 0.2, baseM + 0.3],
  joint: ({ baseM }) => [baseM - 0.2, baseM + 0.3],
  tap: ({ baseM }) => [baseM - 0.2, baseM + 0.75],
  outfall: ({ baseM }) => [baseM - 0.2, baseM + 0.3],
}

export const reachOf = (node: SiteNode): [number, number] =>
  (NODE_REACH[node.kind] as (node: SiteNode) => [number, number])(node)
