import type { Finding, Harm } from './finding'
import type { Move, Site } from '../site'

/** Once a figure has changed by more than this, what was accepted is told again. */
const MUCH_SHARE = 0.2

const hasMoved = (was: number, is: number): boolean =>
  Math.abs(is - was) > MUCH_SHARE * Math.max(Math.abs(was), Math.abs(is)) + 1e-9

/** How a finding was accepted; nothing where it was not, or its figures are no longer what they were then. */
export function acceptedAs(
  { accepted = [] }: Pick<Site, 'accepted'>,
  { check, subject, numbers, ...rest }: Pick<Finding, 'check' | 'subject' | 'numbers' | 'severity'> & { harms: Harm },
): { reason?: string } | undefined {
  const found = accepted.find(
    each => each.check === check && each.subject.kind === subject.kind && each.subject.id === subject.id,
  )
  const may = mayAccept(rest)
  if (!found || may === 'no' || (may === 'with a reason' && !found.reason)) return undefined
  const names = new Set([...Object.keys(found.numbers), ...Object.keys(numbers)])
  const changed = [...names].some(name => {
    const [was, is] = [found.numbers[name], numbers[name]]
    return was === undefined || is === undefined || hasMoved(was, is)
  })
  return changed ? undefined : found.reason ? { reason: found.reason } : {}
}

/** A finding may be kept as it is: one to look at, freely; one that is wrong with a reason, where it hurts nobody. */
export const mayAccept = ({
  severity,
  harms,
}: {
  severity: Finding['severity']
  harms: Harm
}): 'freely' | 'with a reason' | 'no' => (severity === 'look' ? 'freely' : harms === 'people' ? 'no' : 'with a reason')

/** Keeps a finding as it is, with its figures of now. */
export const acceptMove = ({ check, subject: { kind, id }, numbers }: Finding, reason?: string): Move => ({
  name: 'accept',
  args: { check, subject: { kind, id }, numbers, ...(reason ? { reason } : {}) },
})
