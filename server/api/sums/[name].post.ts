import { getRouterParam } from 'h3'
import { findSum, solveSum } from '#core/sums'
import { jsonRoute } from '../../lib/bodies'
import { refused, Refused } from '../../lib/refused'

/** A worked sum: flat JSON in; result, working and source out. */
export default jsonRoute((json, event) => {
  const name = getRouterParam(event, 'name') ?? ''
  if (!findSum(name)) throw refused(404, `There is no sum called “${name}”.`, 'name')
  const solved = solveSum(name, json)
  if (!solved.ok) throw new Refused(422, solved.problems)
  const { result, working, source } = solved
  return { result, working, source }
})
