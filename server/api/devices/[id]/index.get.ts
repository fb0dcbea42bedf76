import { route } from '../../../lib/route'
import { deviceOf } from '../../../lib/devices'

/** How a device is set. */
export default route(event => deviceOf(event).read())
