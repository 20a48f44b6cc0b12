/**
 * Who may knock: by the socket's address, the Host it names and, for writes, the page it comes from. Pure, so that
 * each case can be tested.
 */

export interface Knock {
  method: string
  /** As it stands in the request line. */
  url: string
  host: string | undefined
  origin: string | undefined
  site: string | undefined
  /** Address of the other end of the socket. */
  from: string | undefined
}
export interface Closed {
  status: number
  code: string
  message: string
}

const LOOPBACK_NAMES = new Set(['localhost', '127.0.0.1', '[::1]'])
/** 127.0.0.0/8, ::1, and the first as an IPv6 address. */
export const isLoopback = (address: string | undefined): boolean =>
  /^(?:::ffff:)?127\.\d{1,3}\.\d{1,3}\.\d{1,3}$|^::1$|^\[::1\]$|^localhost$/i.test(address ?? '')

/** Names that LUMBIK_HOSTS lists. */
export const listedHosts = (list: string | undefined): string[] =>
  (list ?? '')
    .split(',')
    .map(h => h.trim().toLowerCase())
    .filter(Boolean)

/** `name` or `name:port`, nothing else. */
const HOST = /^(\[[0-9a-f:.]+\]|[a-z0-9._-]+)(?::\d{1,5})?$/i

/**
 * The path as the router will read it: decoded, one slash at a time, dots resolved, lower case; null when it cannot
 * be.
 */
export function plainPath(url: string): string | null {
  const raw = url.split(/[?#]/, 1)[0]!
  try {
    let decoded = raw
    for (let i = 0; i < 3 && decoded.includes('%'); i++) decoded = decodeURIComponent(decoded)
    return new URL(decoded.replace(/\\/g, '/').replace(/\/+/g, '/'), 'http://x').pathname
      .replace(/;[^/]*/g, '')
      .toLowerCase()
  } catch {
    return null
  }
}

/** Whether a path is the API's, however it is written. */
export const isApi = (path: string): boolean => path === '/api' || path.startsWith('/api/')

const no = (status: number, code: string, message: string): Closed => ({ status, code, message })
const ELSEWHERE = 'Writes are taken from Lumbik\'s own pages only.'

/** Why a request is not let in; null when it is. */
export function closedTo(knock: Knock, hosts: readonly string[]): Closed | null {
  const { method, url, host, origin, site, from } = knock
  if (!url.startsWith('/')) return no(400, 'address', 'The address must be a path.')
  const name = HOST.exec(host ?? '')?.[1]?.toLowerCase()
  // Loopback's own names count only from this very machine: from elsewhere anybody can write them into a header.
  if (!name || !(hosts.includes(name) || (LOOPBACK_NAMES.has(name) && isLoopback(from))))
    return no(403, 'host', 'This address is not one that Lumbik serves here.')
  const path = plainPath(url)
  if (path === null) return no(400, 'address', 'The address cannot be read.')
  const raw = url.split(/[?#]/, 1)[0]!
  if (path === '/api' || path === '/api/') return no(404, 'unknownRoute', 'There is nothing here.')
  if (isApi(path) && raw !== path) return no(404, 'unknownRoute', 'Write the address plainly.')
  if (method === 'GET' || method === 'HEAD') return null
  if (!isApi(path)) return no(405, 'otherMethod', 'Pages are only read.')
  if (site && site !== 'same-origin' && site !== 'none') return no(403, 'origin', ELSEWHERE)
  if (origin !== undefined && (origin === 'null' || !URL.canParse(origin) || new URL(origin).host !== host))
    return no(403, 'origin', ELSEWHERE)
  return null
}
