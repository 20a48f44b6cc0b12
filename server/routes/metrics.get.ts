/** Figures for Prometheus: to this machine, where nobody else can call, or to whoever has the token. */
import { timingSafeEqual } from 'node:crypto'
import { kept } from '../people/secrets'
import { registry } from '../utils/figures'

export default defineEventHandler(async (event) => {
  const wanted = process.env.LUMBIK_METRICS_TOKEN
  const said = getHeader(event, 'authorization')?.replace(/^Bearer /, '')
  const hasToken = wanted && said && timingSafeEqual(Buffer.from(kept(said)), Buffer.from(kept(wanted)))
  if (!hasToken && !(isLocal(event) && !wanted)) throw problem(403, { path: '', code: 'notAllowed' })
  setResponseHeader(event, 'content-type', registry.contentType)
  return registry.metrics()
})
