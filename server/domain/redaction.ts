/** Free text and pictures of a batch can be taken back; that they were there, and when they went, stays. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { BatchTextEntity } from '../database/entities'
import type { Owner } from './kitchen'
import { Refusal } from './refusal'

/** Takes a text back. @throws {Refusal} unknown */
export async function redactText(em: EntityManager, owner: Pick<Owner, 'id'>, at: Date, id: string): Promise<void> {
  const n = await em.nativeUpdate(BatchTextEntity, { id, kitchenId: owner.id }, { text: null, redactedAt: at })
  if (n === 0) throw new Refusal('unknown', 'id', 'unknownText')
}
