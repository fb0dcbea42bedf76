import { workRoute } from '../lib/workers'

/** Flows and pressures of a site’s lines at a moment. */
export default workRoute('network')
