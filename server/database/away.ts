/** What a failing database means: away for a moment, or a fault of ours. */

/**
 * SQLSTATE classes and codes that pass: connection lost, starting or stopping, too many connections, timed out, told
 * to give way.
 */
const PASSING = /^(?:08\w{3}|57P0[1-5]|57014|53\w{3}|40001|40P01|55P03|25P03)$/
const SYSTEM = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ENOTFOUND',
  'EAI_AGAIN',
])
/** `Transaction query …`: its connection ended between two of its queries. */
const WORDS =
  /Query read timeout|Connection terminated|timeout (?:expired|exceeded when trying to connect)|acquir(?:ing|e) a connection|Transaction query already complete|Invalid connection for transaction|operation timed out|encountered a connection error|Client was closed|is not queryable|connection is closed/i

interface Failing {
  code?: unknown
  message?: unknown
  name?: unknown
  cause?: unknown
  previous?: unknown
  errors?: unknown
}

/** Whether an error only says that the database does not answer now. */
export function isDatabaseAway(error: unknown, depth = 0): boolean {
  if (typeof error !== 'object' || error === null || depth > 4) return false
  const e = error as Failing
  const code = typeof e.code === 'string' ? e.code : ''
  if (SYSTEM.has(code) || PASSING.test(code) || WORDS.test(String(e.message ?? '')) || e.name === 'KnexTimeoutError')
    return true
  return [e.cause, e.previous, ...(Array.isArray(e.errors) ? e.errors : [])].some(inner =>
    isDatabaseAway(inner, depth + 1),
  )
}

/** Whether it only says that its disk is full: it reads, and writes again once there is room. */
export function isDatabaseFull(error: unknown, depth = 0): boolean {
  if (typeof error !== 'object' || error === null || depth > 4) return false
  const { code, cause, previous } = error as Failing
  return code === '53100' || [cause, previous].some(inner => isDatabaseFull(inner, depth + 1))
}

/**
 * SQLSTATE of what the database would not take: a key that is there already, or text and numbers that no column
 * holds.
 */
const NOT_TAKEN: Readonly<Record<string, string>> = {
  23505: 'sameId',
  23503: 'unknownValue',
  22021: 'badText',
  '22P02': 'unknownValue',
  '22P05': 'badText',
  22003: 'tooLarge',
  22001: 'tooLong',
  22007: 'date',
  22008: 'date',
}

/** What the database refused in a write, as a problem's code; null for any other error. */
export function notTakenBy(error: unknown): string | null {
  const { code, cause, previous } = (typeof error === 'object' && error !== null ? error : {}) as Failing
  return (
    (typeof code === 'string' ? NOT_TAKEN[code] : undefined) ??
    (cause ? notTakenBy(cause) : previous ? notTakenBy(previous) : null)
  )
}

/** Fault codes without a statement or a value in them, for the log. */
export function faultName(error: unknown): string {
  if (typeof error !== 'object' || error === null) return typeof error
  const { name, code } = error as Failing
  return [String(name ?? 'Error'), typeof code === 'string' ? code : ''].filter(Boolean).join(' ')
}

/** Where in the program a fault lies: its lines, without its message, which may hold what a cook wrote. */
export const faultPlace = (error: unknown): string =>
  String((error as (Failing & { stack?: unknown }) | null)?.stack ?? '')
    .split('\n')
    .filter(line => /^\s+at /.test(line))
    .slice(0, 6)
    .join('\n')
