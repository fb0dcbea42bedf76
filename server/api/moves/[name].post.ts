import { isMove } from '#core/moves'
import { namedRoute } from '../../lib/named'

/** A move made on a site: `{ site, args }` in, `{ site, makes }` out; 422 with the one sentence where it cannot be. */
export default namedRoute('move', isMove, 'move')
