/** What fuzz, faults and benchmarks share: plain requests, as any program on this machine can send them. */
import { Agent, request } from 'node:http'
import { connect } from 'node:net'

/** A keep-alive client of one server. */
export function client(url, { sockets = 64, timeoutMs = 20_000 } = {}) {
  const agent = new Agent({ keepAlive: true, maxSockets: sockets })
  const { hostname, port } = new URL(url)
  /** @returns status, text, headers and how long it took; status 0 when there was no answer */
  const call = (method, path, body, headers = {}) =>
    new Promise((resolve) => {
      const started = performance.now()
      const done = (status, text = '', got = {}) =>
        resolve({
          status,
          text,
          headers: got,
          ms: performance.now() - started,
          get json() {
            return JSON.parse(text)
          },
        })
      const payload =
        body === undefined || typeof body === 'string' || Buffer.isBuffer(body) ? body : JSON.stringify(body)
      const asked = request(
        {
          hostname,
          port,
          agent,
          method,
          path,
          timeout: timeoutMs,
          headers: {
            ...(payload === undefined
              ? {}
              : { 'content-type': 'application/json', 'content-length': Buffer.byteLength(payload) }),
            ...headers,
          },
        },
        (answer) => {
          const chunks = []
          answer.on('data', chunk => chunks.push(chunk))
          answer.on('end', () => done(answer.statusCode, Buffer.concat(chunks).toString(), answer.headers))
          answer.on('error', () => done(0))
        },
      )
      asked.on('timeout', () => asked.destroy(new Error('timeout')))
      asked.on('error', error => done(0, error.message))
      asked.end(payload)
    })
  return { call, close: () => agent.destroy() }
}

/** Bytes as they are, and what comes back: for requests that no client would send. */
export const rawRequest = (port, bytes, waitMs = 3000) =>
  new Promise((resolve) => {
    const chunks = []
    const socket = connect({ host: '127.0.0.1', port }, () => socket.write(bytes))
    const timer = setTimeout(() => socket.destroy(), waitMs)
    socket.on('data', chunk => chunks.push(chunk))
    socket.on('error', () => {})
    socket.on('close', () => {
      clearTimeout(timer)
      resolve(Buffer.concat(chunks).toString())
    })
  })

export const quantile = (values, q) => {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(q * sorted.length))] ?? NaN
}
/** The kitchen as it is sent back: without what only the server says of it. */
export function kitchenBody(record) {
  const { name, version, settings, places, vessels, ovens, burners, pans } = record
  return { name, version, settings, places, vessels, ovens, burners, pans }
}
export const wait = ms => new Promise(resolve => setTimeout(resolve, ms))
