import { getRouterParam } from 'h3'
import { findSum, solveSum } from '#core/sums'
import { documentRoute, Refused } from '../../lib/documents'

/** A worked sum: flat JSON in; result, working and source out. */
export default documentRoute((json, event) => {
  const name = getRouterParam(event, 'name') ?? ''
  if (!findSum(name)) throw new Refused(404, [{ path: 'name', sentence: `There is no sum called “${name}”.` }])
  const solved = solveSum(name, json)
  if (!solved.ok) throw new Refused(422, solved.problems)
  const { result, working, source } = solved
  return { result, working, source }
})
