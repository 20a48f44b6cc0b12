/** Figures of this process for Prometheus: requests by route, their times, who listens, and the process's own. */
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client'

export const registry = new Registry()
collectDefaultMetrics({ register: registry, prefix: 'lumbik_' })
const requests = new Counter({
  name: 'lumbik_requests_total', help: 'Requests answered.', labelNames: ['method', 'route', 'status'],
  registers: [registry],
})
const seconds = new Histogram({
  name: 'lumbik_request_seconds', help: 'Time to answer.', labelNames: ['route'],
  buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5], registers: [registry],
})
/** Long answers that are open. */
export const listeners = new Gauge({ name: 'lumbik_listeners', help: 'Open event streams.', registers: [registry] })

export interface Answered { method: string, route: string, status: number, ms: number }
/** @param of a request that was answered; its route as the table has it, never its address */
export function count({ method, route, status, ms }: Answered): void {
  requests.inc({ method, route, status: String(status) })
  seconds.observe({ route }, ms / 1000)
}
