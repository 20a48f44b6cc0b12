/** The Book as it is looked through: page by page, by name, fault, lot or formula; and what is plotted across it. */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { BatchItem, BatchShown, BookPage } from '../../shared/book'
import { isUuid } from '../../shared/schemas/shape'
import type { Owner } from './kitchen'
import { Refusal } from './refusal'

export const BOOK_PAGE = 50
/** So many are counted; a longer Book says "more than". */
export const COUNTED_MOST = 1000
export interface BookQuery {
  after: string | null
  search: string
  fault: string | null
  lot: string | null
  formulaId: string | null
  /** Who made it. */
  by: string | null
  /** Only what is still being made. */
  going: boolean
}

interface Row {
  id: string
  formula_id: string
  version_id: string
  name: string
  started_at: string
  simulated: boolean
  is_done: boolean
  by: string
  shown: BatchShown | null
  faults: string[]
  lots: string[]
}
const cursorOf = (row: Row) => `${new Date(row.started_at).getTime()}_${row.id}`
function readCursor(cursor: string): [string, string] {
  const [ms, id] = cursor.split('_')
  if (!/^-?\d{1,15}$/.test(ms ?? '') || !isUuid(id ?? '')) throw new Refusal('invalid', 'after', 'unknownValue')
  return [new Date(Number(ms)).toISOString(), id!]
}
const itemOf = (row: Row): BatchItem => ({
  id: row.id,
  formulaId: row.formula_id,
  versionId: row.version_id,
  name: row.name,
  startedAt: new Date(row.started_at).toISOString(),
  simulated: row.simulated,
  isDone: row.is_done,
  by: row.by,
  shown: row.shown,
  faults: row.faults,
  lots: row.lots,
})

function conditions(owner: Pick<Owner, 'id'>, q: BookQuery): { where: string[], params: unknown[] } {
  const where = ['b.kitchen_id = ?']
  const params: unknown[] = [owner.id]
  const also = (condition: string, ...values: unknown[]) => {
    where.push(condition)
    params.push(...values)
  }
  const search = q.search.trim()
  if (search) also('b.id in (select lumbik_batches_named(?::text))', `%${search.replace(/[\\%_]/g, '\\$&')}%`)
  if (q.fault) also('b.id in (select lumbik_batches_with_fault(?::text))', q.fault)
  if (q.lot) also('b.id in (select lumbik_batches_of_lot(?::text))', q.lot)
  if (q.formulaId) also('b.formula_id = ?::uuid', q.formulaId)
  if (q.by) also('b.actor_id = ?::uuid', q.by)
  if (q.going) where.push('not b.is_done')
  return { where, params }
}

/**
 * A page of the Book, the newest first; `total`, up to one more than are counted, and the cooks come with the first.
 * @throws {Refusal} invalid cursor
 */
export async function listBatches(em: EntityManager, owner: Pick<Owner, 'id'>, q: BookQuery): Promise<BookPage> {
  const { where, params } = conditions(owner, q)
  const total = q.after ? null : Number(
    (await em.execute<{ n: string }[]>(
      'select count(*) as n from (select 1 from batch b where ' +
      `${where.join(' and ')} limit ${COUNTED_MOST + 1}) counted`,
      params,
    ))[0]!.n,
  )
  if (q.after) {
    where.push('(b.started_at, b.id) < (?::timestamptz, ?::uuid)')
    params.push(...readCursor(q.after))
  }
  const rows = await em.execute<Row[]>(
    // Which they are first, along the index; who made each is looked up for those alone.
    `select b.id, b.formula_id, b.version_id, b.name, b.started_at, b.simulated, b.is_done, a.name as by, b.shown,
      b.faults, b.lots
    from (select * from batch b where ${where.join(' and ')}
      order by b.started_at desc, b.id desc limit ${BOOK_PAGE + 1}) b
    join actor a on a.id = b.actor_id order by b.started_at desc, b.id desc`,
    params,
  )
  const page = rows.slice(0, BOOK_PAGE)
  const cooks = q.after ? null : await em.execute<{ id: string, name: string }[]>(
    'select id, name from actor where kitchen_id = ? order by name, id', [owner.id])
  return { items: page.map(itemOf), next: rows.length > BOOK_PAGE ? cursorOf(page.at(-1)!) : null, total, cooks }
}
