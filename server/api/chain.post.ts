import { workRoute } from '../lib/workers'

/** Ways from one end to another, by adapters. */
export default workRoute('chain')
