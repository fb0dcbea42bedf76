import { workRoute } from '../lib/workers'

/** What is wrong with a site. */
export default workRoute('review')
