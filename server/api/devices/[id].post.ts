import { deviceOf } from '../../lib/devices'
import { documentRoute, Refused } from '../../lib/documents'

/** Changes some settings of a device: an outage, the moment the clock stands at, the seed. */
export default documentRoute((json, event) => {
  const changed = deviceOf(event).change(json)
  if (!changed.ok) throw new Refused(422, changed.problems)
  return changed.settings
})
