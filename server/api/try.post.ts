import { workRoute } from '../lib/workers'

/** A site played from a start by a script, as its plant would run. */
export default workRoute('try')
