import { workRoute } from '../lib/workers'

/** A site's years by the daily balance. */
export default workRoute('balance')
