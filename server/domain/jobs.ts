/**
 * Long work: diagnosing a batch, learning from many, a kitchen's file. A row says how far it is and what came of it;
 * pg-boss, on the same PostgreSQL, sees that it is done, once, and again after a restart.
 */
import { randomUUID } from 'node:crypto'
import type { EntityManager } from '@mikro-orm/postgresql'
import type { InferEntity } from '@mikro-orm/core'
import type PgBoss from 'pg-boss'
import type { BatchRecord } from '#core/book/record'
import type { Calibration } from '#core/learn/calibrate'
import { BatchEntity, CalibrationEntity, WorkEntity } from '../database/entities'
import { faultName } from '../database/away'
import { within } from '../database/wall'
import { inLongThread } from '../threads/pool'
import { progressOf, STOPPED, stopWork, type Watched, watched } from '../threads/watched'
import { newEm, now } from '../utils/orm'
import type { WorkKind, WorkRecord } from '../../shared/book'
import { recordOfBatch } from './batches'
import { writeExport } from './exports'
import type { Owner } from './kitchen'
import { openQueue, queueNow } from './queue'
import { startRefreshing } from './refresh'
import { Refusal } from './refusal'

const QUEUE = 'work'
/** How often a row says how far its work is, ms; work that says nothing for this long is begun anew. */
const SAYS_MS = 500
const SILENT = 'interval \'15 seconds\''
const EXPIRES_S = 15 * 60
/** How often it is looked for, ms. */
const LOOKS_MS = 5000
/** Batches that learning looks at, the newest. */
const LEARNS_FROM = 60

/** What does the work: threads of their own; a test's own where there are none. */
export interface Workers {
  diagnose: (record: BatchRecord, watch: Watched) => Promise<unknown>
  learn: (records: BatchRecord[], watch: Watched) => Promise<Calibration>
}
const THREADS: Workers = {
  diagnose: (record, watched) => inLongThread('diagnoseBatch', { record, watched }),
  learn: (records, watched) => inLongThread('calibrateBatches', { records, watched }),
}

/** Begins to do what waits, or only to ask for it. @returns how to stop */
export async function startJobs(
  url: string, workers: Workers = THREADS, doesWork = true,
): Promise<() => Promise<void>> {
  const { queue: mine, close } = await openQueue(url)
  await mine.createQueue(QUEUE)
  const doesIt = async ([job]: { data: { id: string, kitchenId: string } }[]) =>
    within(job!.data.kitchenId, async () => doWork(job!.data.id, workers))
  if (doesWork) await mine.work(QUEUE, { pollingIntervalSeconds: 1 }, doesIt)
  await startRefreshing(mine, doesWork)
  const again = () => resume(mine).catch(error => console.error(`Lumbik: jobs (${faultName(error)})`))
  const looking = setInterval(again, LOOKS_MS).unref()
  void again()
  return async () => {
    clearInterval(looking)
    await close()
  }
}

/** Work whose server ended in the middle of it is asked for again. */
async function resume(by: PgBoss): Promise<void> {
  const rows = await (await newEm()).execute<{ id: string, kitchen_id: string }[]>(
    `select id, kitchen_id from lumbik_silent_work(${SILENT})`)
  for (const { id, kitchen_id: kitchenId } of rows)
    await by.send(
      QUEUE, { id, kitchenId },
      { retryLimit: 3, expireInSeconds: EXPIRES_S, singletonKey: id, singletonSeconds: 10 },
    )
}

type WorkRow = InferEntity<typeof WorkEntity>
/** How a target stands: what a result is worked out from. */
async function headOf(em: EntityManager, owner: Pick<Owner, 'id'>, kind: WorkKind, targetId: string): Promise<number> {
  // A file is of the moment it was asked for.
  if (kind === 'export') return 0
  if (kind === 'learn') return em.count(BatchEntity, { kitchenId: owner.id, isDone: true })
  const row = await em.findOne(BatchEntity, { id: targetId, kitchenId: owner.id }, { fields: ['head'] })
  if (!row) throw new Refusal('unknown', 'id', 'unknownBatch')
  return row.head
}
const recordOfWork = (
  row: Pick<WorkRow, 'id' | 'kind' | 'targetId' | 'state' | 'progress' | 'head' | 'result'>, head: number,
): WorkRecord => ({
  id: row.id, kind: row.kind, targetId: row.targetId, state: row.state, progress: row.progress,
  isStale: row.head !== head, result: row.result ?? null,
})

/** The last work of its kind about a target; null: none was asked for. */
export async function lastWork(
  em: EntityManager, owner: Owner, kind: WorkKind, targetId: string,
): Promise<WorkRecord | null> {
  const head = await headOf(em, owner, kind, targetId)
  const [row] = await em.execute<(Omit<Parameters<typeof recordOfWork>[0], 'targetId'> & { target_id: string })[]>(
    `select id, kind, target_id, state, progress, head, result from work
      where kitchen_id = ? and kind = ? and target_id = ? order by created_at desc, id desc limit 1`,
    [owner.id, kind, targetId],
  )
  return row ? recordOfWork({ ...row, targetId: row.target_id }, head) : null
}

/** Asks for work; what goes on already about the same is answered. @throws {Refusal} unknown; away, without jobs */
export async function askWork(
  em: EntityManager, owner: Owner, kind: WorkKind, targetId: string,
): Promise<WorkRecord> {
  const queue = queueNow()
  if (!queue) throw new Refusal('away', '', 'busy')
  const head = await headOf(em, owner, kind, targetId)
  const last = await lastWork(em, owner, kind, targetId)
  if (last && !last.isStale && (last.state === 'waiting' || last.state === 'going')) return last
  const row = em.create(WorkEntity, {
    id: randomUUID(), kitchenId: owner.id, actorId: owner.actorId, createdAt: new Date(), updatedAt: new Date(),
    kind, targetId, state: 'waiting', progress: 0, head, result: null,
  })
  await em.flush()
  await queue.send(QUEUE, { id: row.id, kitchenId: owner.id }, { retryLimit: 3, expireInSeconds: EXPIRES_S })
  return recordOfWork(row, head)
}

/** Gives work up. @throws {Refusal} unknown */
export async function cancelWork(em: EntityManager, owner: Owner, id: string): Promise<WorkRecord> {
  const row = await em.findOne(WorkEntity, { id, kitchenId: owner.id })
  if (!row) throw new Refusal('unknown', 'id', 'unknownWork')
  if (row.state === 'waiting' || row.state === 'going') row.state = 'cancelled'
  await em.flush()
  return recordOfWork(row, row.head)
}

/** Does one piece of work, and says how far it is. */
async function doWork(id: string, workers: Workers): Promise<void> {
  const em = await newEm()
  // One server does it: the first that takes a row which waits, failed, or whose server has gone silent.
  const taken = await em.execute<unknown[]>(
    `update work set state = 'going', updated_at = now() where id = ? and (state in ('waiting', 'failed')
      or (state = 'going' and updated_at < now() - ${SILENT})) returning id`,
    [id],
  )
  if (taken.length === 0) return
  const row = await em.findOneOrFail(WorkEntity, { id })
  const watch = watched()
  const said = setInterval(() => void say(id, progressOf(watch)).then(goesOn => goesOn || stopWork(watch)), SAYS_MS)
  try {
    const result = await DOES[row.kind](em, row, workers, watch)
    await em.nativeUpdate(WorkEntity, { id, state: { $ne: 'cancelled' } }, { state: 'done', progress: 1, result })
  } catch (error) {
    if ((error as Error).message === STOPPED) return
    await em.nativeUpdate(WorkEntity, { id, state: { $ne: 'cancelled' } }, { state: 'failed' })
    throw error
  } finally {
    clearInterval(said)
  }
}
/** @returns whether it is still wanted */
async function say(id: string, progress: number): Promise<boolean> {
  try {
    const em = await newEm()
    const rows = await em.execute<unknown[]>(
      'update work set progress = ?, updated_at = now() where id = ? and state = \'going\' returning id', [progress, id])
    return rows.length > 0
  } catch {
    return true
  }
}

type Does = (em: EntityManager, row: WorkRow, workers: Workers, watch: Watched) => Promise<unknown>
const diagnosed: Does = async (em, row, workers, watch) => {
  const batch = await em.findOneOrFail(BatchEntity, { id: row.targetId })
  return workers.diagnose(await recordOfBatch(em, batch), watch)
}
/** The kitchen as a file; kept beside its work. */
const exported: Does = async (em, row, _, watch) => writeExport(em, row, now(), watch)
/** What the newest batches teach; kept beside its work. */
const learned: Does = async (em, row, workers, watch) => {
  const batches = await em.find(
    BatchEntity, { kitchenId: row.kitchenId, isDone: true }, { orderBy: { startedAt: 'desc' }, limit: LEARNS_FROM },
  )
  const records = await Promise.all(batches.map(async b => recordOfBatch(em, b)))
  const result = await workers.learn(records, watch)
  await em.nativeDelete(CalibrationEntity, { id: row.id })
  em.create(CalibrationEntity, {
    id: row.id, kitchenId: row.kitchenId, actorId: row.actorId, createdAt: new Date(), batchIds: batches.map(b => b.id),
    result,
  })
  await em.flush()
  return { ...result, batchIds: batches.map(b => b.id) }
}
const DOES: Readonly<Record<WorkKind, Does>> = { diagnose: diagnosed, learn: learned, export: exported }
