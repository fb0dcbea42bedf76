import { isQuestion } from '#core/questions'
import { namedRoute } from '../../lib/named'

/** A question about a site: `{ site, args }` in, its answer out; null where there is none. */
export default namedRoute('question', isQuestion, 'question')
