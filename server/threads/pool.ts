/** A few worker threads for everything that takes longer than a page may wait. */
import { availableParallelism } from 'node:os'
import Tinypool from 'tinypool'
import type * as Tasks from './tasks'
import { Refusal } from '../domain/refusal'

/** All cores: a thread gives way to whatever answers (see worker.ts). */
const THREADS = availableParallelism()
/** What waits beyond this is told to come again. */
const QUEUE_MOST = 200
/** A piece of work that takes longer is given up with its thread, ms. */
const WORK_MS = 20_000

let pool: Tinypool | undefined

const usePool = () =>
  (pool ??= new Tinypool({
    filename: new URL('./threads/worker.mjs', import.meta.url).href,
    minThreads: 1,
    maxThreads: THREADS,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  }))

/** Whole minutes of work have a thread of their own, so that nothing that is waited for queues behind them. */
let longPool: Tinypool | undefined
const useLongPool = () =>
  (longPool ??= new Tinypool({
    filename: new URL('./threads/worker.mjs', import.meta.url).href,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    resourceLimits: { maxOldGenerationSizeMb: 512 },
  }))

/** Runs a long piece of work in its own thread; it is stopped by what watches it. */
export const inLongThread = async <K extends keyof typeof Tasks>(
  name: K, data: Parameters<(typeof Tasks)[K]>[0],
): Promise<ReturnType<(typeof Tasks)[K]>> =>
  (await useLongPool().run(data, { name })) as ReturnType<(typeof Tasks)[K]>

/** Runs one of `tasks.ts` in a thread. @throws {Refusal} when too many wait, or it takes too long */
export async function inThread<K extends keyof typeof Tasks>(
  name: K,
  data: Parameters<(typeof Tasks)[K]>[0],
): Promise<ReturnType<(typeof Tasks)[K]>> {
  const at = usePool()
  if (at.queueSize >= QUEUE_MOST) throw new Refusal('away', '', 'busy')
  const signal = AbortSignal.timeout(WORK_MS)
  try {
    return (await at.run(data, { name, signal })) as ReturnType<(typeof Tasks)[K]>
  } catch (error) {
    if (signal.aborted) throw new Refusal('away', '', 'busy')
    throw error
  }
}

export async function closePool(): Promise<void> {
  const closing = [pool, longPool]
  pool = longPool = undefined
  await Promise.all(closing.map(p => p?.destroy()))
}
