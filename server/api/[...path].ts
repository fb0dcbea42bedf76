import { refused } from '../lib/refused'
import { route } from '../lib/route'

/** Whatever no other route answers: a clear word, and JSON as everywhere under /api. */
export default route(event => {
  const path = event.path.split('?')[0]
  throw refused(404, `There is no ${event.method} ${path}; README.md lists the routes.`)
})
