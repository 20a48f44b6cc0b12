/**
 * Loopback can be reached from any page a browser has open: requests must name a host we serve, and writes must come
 * from our own pages (or from a script that is no browser at all). Every request that is not a file of the build passes
 * here, whatever its path looks like.
 */
import { createError, defineEventHandler, getHeader, setResponseHeader } from 'h3'
import { closedTo, listedHosts } from '../utils/door'

/** A browser that came by TLS keeps to it, s. */
const STAYS_S = 365 * 24 * 3600

export default defineEventHandler((event) => {
  if (getHeader(event, 'x-forwarded-proto') === 'https')
    setResponseHeader(event, 'strict-transport-security', `max-age=${STAYS_S}`)
  const closed = closedTo(
    {
      method: event.method,
      url: event.node.req.url ?? '',
      host: getHeader(event, 'host'),
      origin: getHeader(event, 'origin'),
      site: getHeader(event, 'sec-fetch-site'),
      from: event.node.req.socket.remoteAddress,
    },
    listedHosts(process.env.LUMBIK_HOSTS),
  )
  if (closed)
    throw createError({
      statusCode: closed.status,
      statusMessage: 'Refused',
      data: { path: '', code: closed.code, message: closed.message },
    })
})
