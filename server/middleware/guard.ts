/**
 * Loopback can be reached from any page a browser has open: requests must name a host we serve, and writes must come
 * from our own pages (or from a script that is no browser at all).
 */
import { createError, defineEventHandler, getHeader, getRequestURL } from 'h3'

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]'])
const hostName = (host: string) => host.replace(/:\d+$/, '').toLowerCase()
const allowed = (host: string) => LOOPBACK.has(hostName(host)) || (process.env.LUMBIK_HOSTS ?? '').split(',').map(h => h.trim().toLowerCase()).filter(Boolean).includes(hostName(host))

const refuse = (code: string, message: string) => createError({ statusCode: 403, statusMessage: 'Refused', data: { code, message } })

export default defineEventHandler((event) => {
  if (!getRequestURL(event).pathname.startsWith('/api/')) return
  const host = getHeader(event, 'host') ?? ''
  if (!allowed(host)) throw refuse('host', 'This address is not one that Lumbik serves here.')
  if (event.method === 'GET' || event.method === 'HEAD') return
  const origin = getHeader(event, 'origin')
  const site = getHeader(event, 'sec-fetch-site')
  if (site && site !== 'same-origin' && site !== 'none') throw refuse('origin', 'Writes are taken from Lumbik\'s own pages only.')
  if (origin !== undefined && (origin === 'null' || !URL.canParse(origin) || new URL(origin).host !== host)) throw refuse('origin', 'Writes are taken from Lumbik\'s own pages only.')
})
