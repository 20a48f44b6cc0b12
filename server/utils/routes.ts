/**
 * The API's routes, in one table: what is not in it is not there. Each method says who may use it: everybody at the
 * door (`open`), or whoever is signed in with a right. A test holds it against the files, another walks it with every
 * role.
 */
import type { Right } from '../../shared/door'

export type Access = 'open' | Right
type Methods = Readonly<Partial<Record<'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE', Access>>>

export const ROUTES: Readonly<Record<string, Methods>> = {
  '/api/assess': { POST: 'make' },
  '/api/batches': { GET: 'read', POST: 'make' },
  '/api/batches/:id': { GET: 'read' },
  '/api/batches/:id/clock': { PUT: 'make' },
  '/api/batches/:id/diagnosis': { GET: 'read', POST: 'make' },
  '/api/batches/:id/events': { POST: 'make' },
  '/api/batches/:id/foretold': { GET: 'read' },
  '/api/batches/:id/found': { GET: 'read' },
  '/api/batches/:id/line': { GET: 'read', POST: 'make' },
  '/api/batches/:id/photos': { POST: 'make' },
  '/api/batches/:id/readings': { POST: 'make' },
  '/api/bin': { GET: 'write' },
  '/api/bin/restore': { POST: 'write' },
  '/api/day': { POST: 'make' },
  '/api/days/:date': { GET: 'make', PUT: 'make' },
  '/api/devices': { GET: 'read' },
  '/api/devices/:id': { PUT: 'write', DELETE: 'write' },
  '/api/devices/:id/checks': { POST: 'make' },
  '/api/door': { GET: 'open' },
  '/api/door/codes': { POST: 'read' },
  '/api/door/in': { POST: 'open' },
  '/api/door/invitation': { POST: 'open' },
  '/api/door/invited': { POST: 'open' },
  '/api/door/kitchen': { POST: 'read' },
  '/api/door/lock': { POST: 'open' },
  '/api/door/me': { PUT: 'read' },
  '/api/door/out': { POST: 'open' },
  '/api/door/owner': { POST: 'open' },
  '/api/door/passkey': { POST: 'open' },
  '/api/door/passkey/asked': { POST: 'open' },
  '/api/door/passkeys': { GET: 'read', POST: 'read' },
  '/api/door/passkeys/:id': { DELETE: 'read' },
  '/api/door/passkeys/offer': { POST: 'read' },
  '/api/door/pin': { POST: 'open' },
  '/api/door/recover': { POST: 'open' },
  '/api/door/tablet': { POST: 'open' },
  '/api/formulas': { GET: 'make', POST: 'write' },
  '/api/formulas/:id': { GET: 'make', PUT: 'write', PATCH: 'write', DELETE: 'write' },
  '/api/formulas/:id/versions': { GET: 'make', POST: 'write' },
  '/api/health': { GET: 'open' },
  '/api/jobs/:id': { DELETE: 'make' },
  '/api/kitchen': { GET: 'read', PUT: 'write' },
  '/api/kitchen/export': { GET: 'own', POST: 'own' },
  '/api/kitchen/file': { GET: 'own', POST: 'own' },
  '/api/kitchen/uses/:id': { GET: 'make' },
  '/api/learned': { GET: 'read', POST: 'write', PUT: 'write' },
  '/api/live': { GET: 'read' },
  '/api/live/here': { POST: 'read' },
  '/api/links': { POST: 'write' },
  '/api/links/:id': { DELETE: 'write' },
  '/api/lots/:id': { PUT: 'make', DELETE: 'write' },
  '/api/people': { GET: 'own' },
  '/api/people/:id': { PUT: 'own', DELETE: 'own' },
  '/api/people/audit': { GET: 'own' },
  '/api/people/invitations': { POST: 'own' },
  '/api/people/invitations/:id': { DELETE: 'own' },
  '/api/people/sessions/:id': { DELETE: 'own' },
  '/api/people/tablets': { POST: 'own' },
  '/api/people/tablets/:id': { DELETE: 'own' },
  '/api/photos/:id': { GET: 'read', DELETE: 'write' },
  '/api/read': { POST: 'make' },
  '/api/ready': { GET: 'open' },
  '/api/shared': { POST: 'open' },
  '/api/texts/:id': { DELETE: 'write' },
  '/api/versions/:id': { GET: 'make' },
}

/** What is written down of who did it: what takes away, lets in, changes what all go by. Saves have their versions. */
export const TOLD: ReadonlySet<string> = new Set([
  'POST /api/bin/restore', 'PUT /api/devices/:id', 'DELETE /api/devices/:id', 'PUT /api/door/me',
  'POST /api/door/codes', 'POST /api/door/passkeys', 'DELETE /api/door/passkeys/:id',
  'DELETE /api/formulas/:id', 'PUT /api/kitchen', 'GET /api/kitchen/file', 'POST /api/kitchen/export', 'POST /api/kitchen/file', 'PUT /api/learned', 'POST /api/links', 'DELETE /api/links/:id',
  'DELETE /api/lots/:id', 'PUT /api/people/:id', 'DELETE /api/people/:id', 'POST /api/people/invitations',
  'DELETE /api/people/invitations/:id', 'DELETE /api/people/sessions/:id', 'POST /api/people/tablets',
  'DELETE /api/people/tablets/:id', 'DELETE /api/photos/:id', 'DELETE /api/texts/:id',
])

/** The route that a path is, or null: what is written out before what stands for anything. */
export function routeOf(path: string): string | null {
  const parts = path.split('/')
  const fits = (w: string, i: number) => w === parts[i] || (w.startsWith(':') && parts[i] !== '')
  const found = Object.keys(ROUTES).filter((r) => {
    const want = r.split('/')
    return want.length === parts.length && want.every(fits)
  })
  return found.find(r => !r.includes(':')) ?? found[0] ?? null
}
/** Methods of the route that a path is, or null. @example methodsOf('/api/lots/abc') // ['PUT', 'DELETE'] */
export function methodsOf(path: string): readonly string[] | null {
  const route = routeOf(path)
  return route ? Object.keys(ROUTES[route]!) : null
}
/** Who may use a method of a path; null: there is none. @example accessOf('/api/door', 'GET') // 'open' */
export function accessOf(path: string, method: string): Access | null {
  const route = routeOf(path)
  return route === null ? null : (ROUTES[route] as Record<string, Access | undefined>)[method] ?? null
}
