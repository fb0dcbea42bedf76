import { workRoute } from '../lib/workers'

/** What a log has taught by a day, what stands in the tanks, what is to come, what is due, what looks odd. */
export default workRoute('keep')
