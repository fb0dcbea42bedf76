import { deviceOf } from '../../../lib/devices'
import { jsonRoute } from '../../../lib/bodies'
import { Refused } from '../../../lib/refused'

/** Changes some settings of a device: an outage, the moment the clock stands at, the seed. */
export default jsonRoute((json, event) => {
  const changed = deviceOf(event).change(json)
  if (!changed.ok) throw new Refused(422, changed.problems)
  return changed.settings
})
