/** Day sheets: one a day and kitchen, each save by the version it was made from. */
import { randomUUID } from 'node:crypto'
import { isDeepStrictEqual } from 'node:util'
import type { EntityManager } from '@mikro-orm/postgresql'
import { DayEntity } from '../database/entities'
import type { DayRecord, DaySheet } from '../../shared/day'
import { lockKitchen, type Owner } from './kitchen'
import { Refusal } from './refusal'

const EMPTY: DaySheet = { hands: [], equipment: [], desserts: [] }

/** The sheet of a day; version 0: nothing is kept of it yet. */
export async function loadDay(em: EntityManager, owner: Pick<Owner, 'id'>, date: string): Promise<DayRecord> {
  const row = await em.findOne(DayEntity, { kitchenId: owner.id, date })
  return row ? { date, version: row.version, sheet: row.sheet } : { date, version: 0, sheet: EMPTY }
}

/**
 * Keeps a sheet; the same sheet sent again is the one that is there.
 * @throws {Refusal} conflict, with what is there, for a save from an older version
 */
export async function saveDay(
  em: EntityManager, owner: Owner, at: Date, date: string, { version, sheet }: Pick<DayRecord, 'version' | 'sheet'>,
): Promise<DayRecord> {
  return em.transactional(async (tx) => {
    await lockKitchen(tx, owner)
    const row = await tx.findOne(DayEntity, { kitchenId: owner.id, date })
    if ((row?.version ?? 0) !== version) {
      const current = await loadDay(tx, owner, date)
      if (isDeepStrictEqual(current.sheet, sheet)) return current
      throw new Refusal('conflict', 'version', 'changedElsewhere', { current })
    }
    if (row) Object.assign(row, { sheet, version: version + 1, updatedAt: at, actorId: owner.actorId })
    else
      tx.create(DayEntity, {
        id: randomUUID(), kitchenId: owner.id, actorId: owner.actorId, createdAt: at, updatedAt: at, date, version: 1,
        sheet,
      })
    await tx.flush()
    return { date, version: version + 1, sheet }
  })
}
