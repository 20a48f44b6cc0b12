/**
 * The server's own start and end. It listens on this machine only unless HOST says otherwise; beyond loopback it starts
 * only when LUMBIK_HOSTS names the addresses it is called by. A worker (LUMBIK_ROLE) does not listen at all. Told to
 * stop, it lets answers under way go out and does not wait for requests that never end.
 */
import '#nitro-internal-pollyfills'
import { Server } from 'node:http'
import { toNodeListener } from 'h3'
import { useNitroApp } from 'nitropack/runtime'
import { faultName, faultPlace } from './database/away'
import { isLoopback, listedHosts } from './utils/door'
import { drain } from './utils/draining'

/** Answers under way have this long to go out, ms; then the connections are closed. */
const GRACE_MS = 1500
/** The database and the threads have this long to close, ms. */
const CLOSE_MS = 2500

const host = process.env.HOST || process.env.NITRO_HOST || '127.0.0.1'
const port = Number(process.env.PORT || process.env.NITRO_PORT || 3000)
if (!isLoopback(host) && listedHosts(process.env.LUMBIK_HOSTS).length === 0) {
  console.error(
    `Lumbik does not start: HOST=${host} is open to the network, and no address is named.`,
  )
  console.error(
    'Name the addresses it is to be reached under (LUMBIK_HOSTS=kitchen.example), or leave HOST away.',
  )
  process.exit(1)
}

const nitroApp = useNitroApp()
const server = new Server(
  { headersTimeout: 10_000, requestTimeout: 30_000, requireHostHeader: false },
  toNodeListener(nitroApp.h3App),
)
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Lumbik does not start: port ${port} is taken.`
      : `Lumbik does not start: it may not listen on ${host}:${port} (${error.code}).`,
  )
  process.exit(1)
})
if (process.env.LUMBIK_ROLE === 'worker') console.log('Lumbik works on what waits; it serves no pages')
else server.listen({ port, host }, () => {
  const at = server.address()
  if (at && typeof at === 'object')
    console.log(`Lumbik listens on http://${at.family === 'IPv6' ? `[${at.address}]` : at.address}:${at.port}`)
})

process.on('unhandledRejection', error => console.error(`Lumbik: something failed unnoticed (${faultName(error)})`))
process.on('uncaughtException', error =>
  console.error(`Lumbik: something failed unnoticed (${faultName(error)})\n${faultPlace(error)}`))

const wait = (ms: number) => new Promise<void>(resolve => setTimeout(resolve, ms).unref())
let stopping = false
async function stop(): Promise<void> {
  if (stopping) return
  stopping = true
  drain()
  const closed = new Promise<void>(resolve => server.close(() => resolve()))
  server.closeIdleConnections()
  await Promise.race([closed, wait(GRACE_MS)])
  server.closeAllConnections()
  await Promise.race([nitroApp.hooks.callHook('close'), wait(CLOSE_MS)])
  process.exit(0)
}
for (const signal of ['SIGTERM', 'SIGINT', 'SIGHUP'] as const) process.on(signal, () => void stop())
// Started by the demo or a test: it ends with whoever started it, however that one ended.
if (process.send) process.on('disconnect', () => void stop())

export default {}
