/** Each request's id, line in the log and place in the figures. */
import { randomUUID } from 'node:crypto'
import { setResponseHeader } from 'h3'
import { plainPath } from '../utils/door'
import { count } from '../utils/figures'
import { log } from '../utils/log'
import { routeOf } from '../utils/routes'

const ID = /^[\w-]{8,64}$/
export default defineNitroPlugin((nitro) => {
  nitro.hooks.hook('request', (event) => {
    const given = event.node.req.headers['x-request-id']
    const requestId = typeof given === 'string' && ID.test(given) ? given : randomUUID()
    event.context.requestId = requestId
    setResponseHeader(event, 'x-request-id', requestId)
    const from = performance.now()
    event.node.res.once('finish', () => {
      const path = plainPath(event.node.req.url ?? '') ?? ''
      // A page, a file: all alike; what is no route of ours, too.
      const route = routeOf(path) ?? (path.startsWith('/api') ? 'none' : 'page')
      const [status, ms] = [event.node.res.statusCode, performance.now() - from]
      count({ method: event.method, route, status, ms })
      log.info({ requestId, method: event.method, route, status, ms: Math.round(ms) })
    })
  })
})
