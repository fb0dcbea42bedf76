import type { Finding, Harm } from './finding'
import type { Move, Site } from '../site'

type Weighed = Pick<Finding, 'id' | 'numbers' | 'severity'> & { harms: Harm }

/** Once a figure has changed by more than this, what was accepted is told again. */
const MUCH_SHARE = 0.2

const hasMoved = (was: number, is: number): boolean =>
  Math.abs(is - was) > MUCH_SHARE * Math.max(Math.abs(was), Math.abs(is)) + 1e-9

/** The figures of a finding that can be kept and compared. */
const figuresOf = ({ numbers }: Pick<Finding, 'numbers'>): Record<string, number> =>
  Object.fromEntries(Object.entries(numbers).filter(([, value]) => Number.isFinite(value)))

/** How a finding was accepted; nothing where it was not, or its figures are no longer what they were then. */
export function acceptedAs(
  { accepted = [] }: Pick<Site, 'accepted'>,
  finding: Weighed,
): { reason?: string } | undefined {
  const found = accepted.find(each => each.finding === finding.id)
  const may = mayAccept([finding])
  if (!found || may === 'no' || (may === 'with a reason' && !found.reason)) return undefined
  const numbers = figuresOf(finding)
  const names = new Set([...Object.keys(found.numbers), ...Object.keys(numbers)])
  const changed = [...names].some(name => {
    const [was, is] = [found.numbers[name], numbers[name]]
    return was === undefined || is === undefined || hasMoved(was, is)
  })
  return changed ? undefined : found.reason ? { reason: found.reason } : {}
}

/**
 * Whether findings may be kept as they are: those to look at, freely; where one is wrong with a reason, and not where
 * that hurts people.
 */
export function mayAccept(findings: readonly Pick<Weighed, 'severity' | 'harms'>[]): 'freely' | 'with a reason' | 'no' {
  const wrong = findings.filter(({ severity }) => severity === 'wrong')
  if (!wrong.length) return 'freely'
  return wrong.some(({ harms }) => harms === 'people') ? 'no' : 'with a reason'
}

/** Keeps a finding as it is, with its figures of now. */
export const acceptMove = (finding: Pick<Finding, 'id' | 'numbers'>, reason?: string): Move => ({
  name: 'accept',
  args: { finding: finding.id, numbers: figuresOf(finding), ...(reason ? { reason } : {}) },
})
