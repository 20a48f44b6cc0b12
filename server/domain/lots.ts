/** Lots of juice and cream: written one by one, each with a version of its own. */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { Lot } from '#core/kitchen/kitchen'
import { findIngredient } from '#core/base/ingredients/ingredients'
import { figuresOf } from '#core/kitchen/strength'
import { LotEntity } from '../database/entities'
import type { LotRecord } from '../../shared/kitchen'
import { lockKitchen, lotOf, type Owner } from './kitchen'
import { remember, takenBefore } from './mutations'
import { Refusal } from './refusal'

export interface LotSave {
  mutationId: string
  baseVersion: number
  lot: Lot
}

/**
 * Writes a lot, new (version 0) or changed. What its card tells (a titration, a reading) is worked out here again, so
 * that figures and card agree. Results kept for the shelf are stale after it, hence the kitchen's revision goes up.
 * @throws {InputError} naming the card's field; {Refusal} conflict or deleted, each with the lot as it stands
 */
export async function saveLot(
  em: EntityManager,
  owner: Pick<Owner, 'id'>,
  at: Date,
  { mutationId, baseVersion, lot }: LotSave,
): Promise<LotRecord> {
  const found = Object.fromEntries(
    Object.entries(figuresOf(findIngredient(lot.ingredientId)!, lot.method)).filter(([, v]) => v !== null),
  )
  const { id, ...rest } = { ...lot, ...found }
  return em.transactional(async (tx) => {
    const kitchen = await lockKitchen(tx, owner)
    const row = await tx.findOne(LotEntity, { id })
    if (row && row.kitchenId !== kitchen.id) throw new Refusal('invalid', 'lot.id', 'sameId')
    const before = await takenBefore(tx, mutationId, id)
    if (row?.deletedAt) throw new Refusal('deleted', 'lot.id', 'deletedLot', { current: lotOf(row) })
    if (row && before === row.version) return lotOf(row)
    if (row && (before !== null || row.version !== baseVersion))
      throw new Refusal('conflict', 'baseVersion', 'changedElsewhere', { current: lotOf(row), taken: before !== null })
    const version = (row?.version ?? 0) + 1
    const saved = row
      ? Object.assign(row, rest, { version, updatedAt: at })
      : tx.create(LotEntity, {
          id,
          ...rest,
          version,
          kitchenId: kitchen.id,
          actorId: kitchen.actorId,
          createdAt: at,
          updatedAt: at,
          deletedAt: null,
        })
    remember(tx, { id: mutationId, kitchenId: kitchen.id, at, targetId: id, version })
    kitchen.revision++
    await tx.flush()
    return lotOf(saved)
  })
}

/** Puts a lot in the bin; formulas that use it keep its snapshot. @throws {Refusal} unknown */
export async function removeLot(em: EntityManager, owner: Pick<Owner, 'id'>, at: Date, id: string): Promise<void> {
  await em.transactional(async (tx) => {
    const kitchen = await lockKitchen(tx, owner)
    if ((await tx.nativeUpdate(LotEntity, { id, kitchenId: kitchen.id, deletedAt: null }, { deletedAt: at })) === 0)
      throw new Refusal('unknown', 'id', 'unknownLot')
    kitchen.revision++
    await tx.flush()
  })
}
