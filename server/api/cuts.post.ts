import { workRoute } from '../lib/workers'

/** Pieces laid out on the lengths that are sold. */
export default workRoute('cuts')
