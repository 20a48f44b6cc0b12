/** The API's routes, in one table: what is not in it is not there. A test holds it against the files. */

export const ROUTES: Readonly<Record<string, readonly string[]>> = {
  '/api/assess': ['POST'],
  '/api/batches': ['GET', 'POST'],
  '/api/batches/:id': ['GET'],
  '/api/batches/:id/clock': ['PUT'],
  '/api/batches/:id/diagnosis': ['GET', 'POST'],
  '/api/batches/:id/events': ['POST'],
  '/api/batches/:id/foretold': ['GET'],
  '/api/batches/:id/found': ['GET'],
  '/api/batches/:id/line': ['GET', 'POST'],
  '/api/batches/:id/photos': ['POST'],
  '/api/batches/:id/readings': ['POST'],
  '/api/bin': ['GET'],
  '/api/bin/restore': ['POST'],
  '/api/day': ['POST'],
  '/api/days/:date': ['GET', 'PUT'],
  '/api/devices': ['GET'],
  '/api/devices/:id': ['PUT', 'DELETE'],
  '/api/devices/:id/checks': ['POST'],
  '/api/formulas': ['GET', 'POST'],
  '/api/formulas/:id': ['GET', 'PUT', 'PATCH', 'DELETE'],
  '/api/formulas/:id/versions': ['GET', 'POST'],
  '/api/health': ['GET'],
  '/api/jobs/:id': ['DELETE'],
  '/api/kitchen': ['GET', 'PUT'],
  '/api/kitchen/uses/:id': ['GET'],
  '/api/learned': ['GET', 'POST', 'PUT'],
  '/api/lots/:id': ['PUT', 'DELETE'],
  '/api/photos/:id': ['GET', 'DELETE'],
  '/api/read': ['POST'],
  '/api/texts/:id': ['DELETE'],
  '/api/versions/:id': ['GET'],
}

/** Methods of the route that a path is, or null. @example methodsOf('/api/lots/abc') // ['PUT', 'DELETE'] */
export function methodsOf(path: string): readonly string[] | null {
  const parts = path.split('/')
  const route = Object.keys(ROUTES).find((r) => {
    const want = r.split('/')
    return (
      want.length === parts.length && want.every((w, i) => w === parts[i] || (w.startsWith(':') && parts[i] !== ''))
    )
  })
  return route ? ROUTES[route]! : null
}
