/**
 * What the shelf shows of a formula and the Book of a batch, worked out beside requests: asked for by their ids on the
 * queue in the database, once while it waits, done by whichever process works, and again where that one ended.
 */
import type { EntityManager } from '@mikro-orm/postgresql'
import type PgBoss from 'pg-boss'
import { BatchEntity } from '../database/entities'
import { faultName, isDatabaseAway } from '../database/away'
import { kitchenNow, rest, within } from '../database/wall'
import { inThread } from '../threads/pool'
import { newEm, now } from '../utils/orm'
import { recordOfBatch } from './batches'
import { queueNow } from './queue'
import { foldReadings } from './readings'
import { Refusal } from './refusal'
import { refreshSummaries } from './summaries'
import { thinVersions } from './versions'

const QUEUE = 'shown'
/** So many are worked out together; what is asked for within this too, ms. */
const AT_ONCE = 8
const GATHER_MS = 150
/** What failed is tried again after this, and no more than so often; what takes longer was lost, s. */
const AGAIN = { retryDelay: 1, retryLimit: 3, expireInSeconds: 120 }
/** How often a process that was not woken looks, s. */
const LOOKS_S = 0.5
/** A formula that is being worked on is not thinned at each save. */
const THIN_EVERY_MS = 600_000

type Kind = 'formula' | 'batch'
interface Asked { kind: Kind, id: string, kitchenId: string }
/** This process's own worker: it is woken when something is asked for here. */
let worker: string | undefined

/** The database does not answer: whoever looks next asks again. */
export const isAway = (error: unknown) => isDatabaseAway(error) || (error instanceof Refusal && error.kind === 'away')
const complain = (what: string) => (error: unknown) => {
  if (!isAway(error)) console.error(`Lumbik: ${what} (${faultName(error)})`)
}

function want(kind: Kind, ids: readonly string[]): void {
  const [kitchenId, queue] = [kitchenNow(), queueNow()]
  if (kitchenId === null || !queue || ids.length === 0) return
  const jobs = ids.map(id => ({ name: QUEUE, data: { kind, id, kitchenId }, singletonKey: `${kind} ${id}`, ...AGAIN }))
  queue.insert(jobs).then(() => worker && queue.notifyWorker(worker), complain('nothing could be asked for'))
}
/** Asks for the summaries of these formulas, soon. Asked for many times, each is worked out once. */
export const wantSummaries = (ids: readonly string[]): void => want('formula', ids)
/** Asks for what the Book lists of a batch, soon; its readings are packed into few rows then. */
export const wantShown = (id: string): void => want('batch', [id])

/** Makes the queue; where this process works, begins to. */
export async function startRefreshing(queue: PgBoss, doesWork: boolean): Promise<void> {
  // Of each key one waits; while it is worked on another may be asked for.
  await queue.createQueue(QUEUE, { name: QUEUE, policy: 'short' })
  const options = { batchSize: AT_ONCE, pollingIntervalSeconds: LOOKS_S }
  worker = doesWork
    ? await queue.work<Asked>(QUEUE, options, async jobs => refresh(jobs.map(j => j.data)))
    : undefined
}

/** Works these out, each kitchen's behind its own wall. @throws what the first of them failed by; the rest is done */
export async function refresh(asked: readonly Asked[]): Promise<void> {
  // A run of saves is one piece of work.
  await rest(GATHER_MS)
  let failed: { error: unknown } | null = null
  const tried = async (what: string, work: () => Promise<unknown>) => {
    try {
      await work()
    } catch (error) {
      failed ??= { error }
      complain(what)(error)
    }
  }
  for (const kitchenId of new Set(asked.map(a => a.kitchenId)))
    await within(kitchenId, async () => {
      const idsOf = (kind: Kind) =>
        [...new Set(asked.filter(a => a.kitchenId === kitchenId && a.kind === kind).map(a => a.id))]
      const formulas = idsOf('formula')
      if (formulas.length > 0)
        await tried('summaries were not worked out', async () => {
          await refreshSummaries(await newEm(), formulas, job => inThread('summaries', job), kitchenId)
          for (const id of formulas) await thinOnce(id)
        })
      for (const id of idsOf('batch'))
        await tried('a batch was not worked out', async () => refreshShown(await newEm(), id))
    })
  if (failed) throw (failed as { error: unknown }).error
}

/** Works out what the Book lists of a batch, and folds its readings. */
export async function refreshShown(em: EntityManager, id: string): Promise<void> {
  const row = await em.findOne(BatchEntity, { id })
  if (!row) return
  await foldReadings(em, { id: row.kitchenId, actorId: row.actorId }, id)
  const { head } = row
  const shown = await inThread('batchShown', { record: await recordOfBatch(em, row) })
  // What came in meanwhile asks again by itself.
  await em.nativeUpdate(BatchEntity, { id, head }, { shown })
}

const thinned = new Map<string, number>()
async function thinOnce(id: string): Promise<void> {
  const at = Date.now()
  if (at - (thinned.get(id) ?? 0) < THIN_EVERY_MS) return
  if (thinned.size > 5000) thinned.clear()
  thinned.set(id, at)
  await thinVersions(await newEm(), id, now())
}

/** What the Book shows of batches that were never worked out (the demo's, or a server ended before it came to them). */
export async function showMissing(em: EntityManager): Promise<void> {
  const rows = await em.find(BatchEntity, { isDone: true, shown: null }, { fields: ['id'], limit: 200 })
  want('batch', rows.map(r => r.id))
}
