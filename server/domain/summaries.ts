/**
 * What the shelf shows of a formula: worked out apart from any request, and kept only where it still belongs to what
 * is stored.
 */
import type { EntityManager } from '@mikro-orm/postgresql'
import { RESULT_ENGINE } from '#core/pipeline/assessment'
import { coreKitchen } from '../../shared/kitchen'
import type { Summarised, SummaryJob } from '../threads/tasks'
import { isStale } from './formulas'
import { knownKitchen, loadOwner } from './kitchen'

export type Summarise = (job: SummaryJob) => Promise<Summarised[]>

/** Formulas in one piece of work: short enough that others get their turn. */
const BATCH = 8

/**
 * Works out what is stale of these and writes it where the version still is the one that was read. A result never
 * replaces that of a newer save; one of an older kitchen stays marked stale.
 * @param kitchenId whose they are; the first kitchen's where it is not said
 * @returns the ids that were written
 */
export async function refreshSummaries(
  em: EntityManager,
  ids: readonly string[],
  summarise: Summarise,
  kitchenId?: string,
): Promise<string[]> {
  const kitchen = await knownKitchen(em, await loadOwner(em, kitchenId))
  const written: string[] = []
  for (let i = 0; i < ids.length; i += BATCH) {
    const some = ids.slice(i, i + BATCH)
    const rows = (
      await em.execute<StoredRow[]>(
        `select f.id, f.version, f.document, o.document as occasion, result_version, result_revision, result_engine
      from formula f left join occasion o on o.id = f.id
      where f.id in (${some.map(() => '?').join(', ')}) and f.kitchen_id = ?`,
        [...some, kitchen.id],
      )
    ).filter(row => isStale(row, kitchen))
    if (rows.length === 0) continue
    const results = await summarise({
      kitchen: coreKitchen(kitchen),
      formulas: rows.map(({ id, document, occasion }) => ({ id, document, occasion })),
    })
    for (const { id, summary, eggs, readable } of results) {
      const { version } = rows.find(r => r.id === id)!
      const done = await em.execute<{ id: string }[]>(
        `update formula set result = ?::jsonb, eggs = ?::jsonb, readable = ?, result_engine = ?, result_revision = ?,
          result_version = ?
        where id = ? and version = ? returning id`,
        [json(summary), json(eggs), readable, RESULT_ENGINE, kitchen.revision, version, id, version],
      )
      written.push(...done.map(d => d.id))
    }
  }
  return written
}

interface StoredRow {
  id: string
  version: number
  document: unknown
  occasion: unknown
  result_version: number | null
  result_revision: number | null
  result_engine: string | null
}
const json = (value: unknown) => (value === null ? null : JSON.stringify(value))
