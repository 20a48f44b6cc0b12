/** What a failing database means: away for a moment, or a fault of ours. */

/** SQLSTATE classes and codes that pass: connection lost, starting or stopping, too many connections, timed out, told to give way. */
const PASSING = /^(?:08\w{3}|57P0[1-5]|57014|53\w{3}|40001|40P01|55P03|25P03)$/
const SYSTEM = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'EHOSTUNREACH', 'ENETUNREACH', 'ENOTFOUND', 'EAI_AGAIN'])
const WORDS = /Query read timeout|Connection terminated|timeout exceeded when trying to connect|timeout expired|acquiring a connection|operation timed out|Client has encountered a connection error|connection is closed|Unable to acquire/i

interface Failing { code?: unknown, message?: unknown, name?: unknown, cause?: unknown, previous?: unknown, errors?: unknown }

/** Whether an error only says that the database does not answer now. */
export function isDatabaseAway(error: unknown, depth = 0): boolean {
  if (typeof error !== 'object' || error === null || depth > 4) return false
  const e = error as Failing
  const code = typeof e.code === 'string' ? e.code : ''
  if (SYSTEM.has(code) || PASSING.test(code) || WORDS.test(String(e.message ?? '')) || e.name === 'KnexTimeoutError') return true
  return [e.cause, e.previous, ...Array.isArray(e.errors) ? e.errors : []].some(inner => isDatabaseAway(inner, depth + 1))
}

/** Fault codes without a statement or a value in them, for the log. */
export function faultName(error: unknown): string {
  if (typeof error !== 'object' || error === null) return typeof error
  const { name, code } = error as Failing
  return [String(name ?? 'Error'), typeof code === 'string' ? code : ''].filter(Boolean).join(' ')
}
