import { Refused, route } from '../lib/documents'

/** Whatever no other route answers: a clear word, and JSON as everywhere under /api. */
export default route(event => {
  const path = event.path.split('?')[0]
  throw new Refused(404, [{ path: '', sentence: `There is no ${event.method} ${path}; README.md lists the routes.` }])
})
