/** Every route under /api and the methods it takes; a test holds it to the files. */
const ROUTES: { path: RegExp; methods: readonly string[] }[] = [
  { path: /^\/api\/(health|demo|weather|sums|moves|questions|devices)$/, methods: ['GET'] },
  { path: /^\/api\/(balance|build|chain|cuts|keep|network|review|try)$/, methods: ['POST'] },
  { path: /^\/api\/(sums|moves|questions)\/[^/]+$/, methods: ['POST'] },
  { path: /^\/api\/devices\/place$/, methods: ['POST'] },
  { path: /^\/api\/devices\/[^/]+$/, methods: ['GET', 'POST'] },
  { path: /^\/api\/devices\/[^/]+\/readings$/, methods: ['GET'] },
]

/** The methods that an address takes; none where there is no such route. */
export const methodsOf = (path: string): readonly string[] => ROUTES.find(route => route.path.test(path))?.methods ?? []
