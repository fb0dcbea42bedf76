import { workRoute } from '../lib/workers'

/** Everything that is asked of a plan that is to be built. */
export default workRoute('build')
