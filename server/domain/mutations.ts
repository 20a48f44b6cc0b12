/**
 * Writes that were taken, so that one sent again (its answer was lost) counts once. Kept as long as a browser may
 * still hold it.
 */
import type { EntityManager } from '@mikro-orm/postgresql'
import { subDays } from 'date-fns'
import { MutationEntity } from '../database/entities'
import { BIN_DAYS } from '../../shared/schemas/wire'
import { Refusal } from './refusal'

export interface Taken {
  id: string
  kitchenId: string
  at: Date
  targetId: string
  version: number
}

/**
 * The version that a write made when it was taken before; null for a new one. Ask only under the target's lock.
 * @throws {Refusal} when the same id was given to a write of something else
 */
export async function takenBefore(tx: EntityManager, id: string, targetId: string): Promise<number | null> {
  const row = await tx.findOne(MutationEntity, { id })
  if (row && row.targetId !== targetId) throw new Refusal('invalid', 'mutationId', 'sameId')
  return row?.version ?? null
}

/** Remembers a write with the transaction it belongs to. */
export function remember(tx: EntityManager, { id, kitchenId, at, targetId, version }: Taken): void {
  tx.create(MutationEntity, { id, kitchenId, createdAt: at, targetId, version })
}

/** Forgets what nobody sends again. */
export const forgetBefore = (em: EntityManager, at: Date) =>
  em.nativeDelete(MutationEntity, { createdAt: { $lt: subDays(at, BIN_DAYS) } })
