/** Every call of the server: one way to ask, one way to tell why not, and one word on whether it answers at all. */
import { promiseTimeout } from '@vueuse/core'
import type { Problem } from '../../shared/schemas/problem'

/** `full`: its disk has no room; it reads, and writes nothing. */
export type Away = 'server' | 'database' | 'full'
const AWAY_BY: Readonly<Record<string, Away>> = { database: 'database', databaseFull: 'full' }
/** Why a call did not do what it should. `status` is absent when nobody answered. */
export class ApiError extends Error {
  constructor(
    readonly status: number | undefined,
    readonly problem: Problem & Record<string, unknown>,
  ) {
    super(`${problem.path}: ${problem.code}`)
    this.name = 'ApiError'
  }

  /** The same again, later, may do: once the server answers, or somebody is signed in again. */
  get away(): boolean {
    return this.status === undefined || this.status >= 500 || this.status === 401
  }
}

/** Who does not answer at present; null while all do. */
export const away = ref<Away | null>(null)
/** A call that waits longer than this is said to wait, ms. */
const SLOW_MS = 1200
/** While one waits, the server is asked this often whether it waits for its database, ms. */
const WHY_MS = 400
/** Longer than any answer takes: the server itself gives up on its database sooner. */
const GIVE_UP_MS = 15_000

const unsigned = createEventHook()
/** Called when the server no longer knows who asks: signed out elsewhere, or a tablet locked. */
export const onUnsigned = unsigned.on

interface Options {
  method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE'
  body?: Record<string, unknown>
  /** Sent as it is. */
  file?: File
  query?: Record<string, string>
}

/** Says that a call waits once it does, and what for: the server knows by its database's pulse before the call does. */
function whileItWaits(): { over: () => void } {
  let timer: ReturnType<typeof setTimeout> | undefined
  const look = async () => {
    const mine = timer
    away.value ??= 'server'
    const answer = await fetch('/api/health', { cache: 'no-store', signal: AbortSignal.timeout(WHY_MS) }).catch(
      () => null,
    )
    if (timer !== mine) return
    if (answer?.status === 503) away.value = 'database'
    timer = setTimeout(look, WHY_MS)
  }
  timer = setTimeout(look, SLOW_MS)
  return {
    over: () => {
      clearTimeout(timer)
      timer = undefined
    },
  }
}

/** Calls a route. @throws {ApiError} */
export async function api<T>(path: string, { method = 'GET', body, file, query }: Options = {}): Promise<T> {
  const url = query && Object.keys(query).length ? `${path}?${new URLSearchParams(query).toString()}` : path
  const waiting = whileItWaits()
  try {
    const response = await fetch(url, {
      method,
      signal: AbortSignal.timeout(GIVE_UP_MS),
      cache: 'no-store',
      ...(file ? { body: file, headers: { 'content-type': file.type } } : {}),
      ...(body ? { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } } : {}),
    })
    const answer = (await response.json()) as { data?: Problem & Record<string, unknown> }
    if (response.ok) {
      away.value = null
      if (method === 'GET') void keepAnswer(url, answer)
      return answer as T
    }
    const problem = answer.data ?? { path: '', code: String(response.status), params: {} }
    if (response.status === 401 && !path.startsWith('/api/door')) void unsigned.trigger()
    if (response.status >= 500) away.value = AWAY_BY[problem.code] ?? away.value
    else away.value = null
    throw new ApiError(response.status, problem)
  } catch (error) {
    if (error instanceof ApiError) throw error
    away.value = 'server'
    const kept = method === 'GET' ? await keptAnswer(url) : undefined
    if (kept !== undefined) return kept as T
    throw new ApiError(undefined, { path: '', code: 'offline', params: {} })
  } finally {
    waiting.over()
  }
}

/** Sends a file as it is. @throws {ApiError} */
export const apiFile = <T>(path: string, file: File): Promise<T> => api<T>(path, { method: 'POST', file })

const AGAIN_MS = 1500
let asking = false
const backHooks = createEventHook()
/** Called when the server answers again after it did not. */
export const onBack = backHooks.on
/**
 * Once somebody was away, the server is asked now and then until it is back; one call that works is no proof of that.
 */
async function askUntilBack() {
  if (asking) return
  asking = true
  for (let back = false; !back;) {
    await promiseTimeout(AGAIN_MS)
    back = await api('/api/health').then(
      () => true,
      () => false,
    )
  }
  asking = false
  void backHooks.trigger()
  if (away.value) void askUntilBack()
}
watch(away, who => who && void askUntilBack())
