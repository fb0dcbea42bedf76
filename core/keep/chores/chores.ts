import { nodeChores } from './nodes'
import { partChores } from './parts'
import { roofChores } from './roofs'
import type { Chore } from './chore'
import { frostMonths, type Site } from '../../site'

/** All chores of a site, roof by roof and part by part, in the order of the water. */
export function choresOf(site: Site): Chore[] {
  const cold = frostMonths(site)
  return [
    ...site.roofs.flatMap(roof => roofChores(site, roof)),
    ...site.nodes.flatMap(node => nodeChores(site, node, cold)),
    ...site.runs.flatMap(run => run.parts.flatMap(part => partChores(site, run, part))),
  ]
}
