/** Occasions: each formula has a usual one, which bears the formula's id, so that nobody has to make one. */
import type { EntityManager } from '@mikro-orm/postgresql'
import { type Occasion, OCCASION_VERSION } from '#core/formula/occasion'
import { OccasionEntity } from '../database/entities'
import type { Owner } from './kitchen'

/** The usual occasion of a formula as it is stored; null: its document is of a schema that held it. */
export async function usualOccasion(em: EntityManager, formulaId: string): Promise<Occasion | null> {
  const row = await em.findOne(OccasionEntity, { id: formulaId }, { fields: ['document'] })
  return row?.document ?? null
}

/** SQL that keeps a formula's usual occasion, for one statement with its save. */
export const KEEP_USUAL = `insert into occasion
    (id, kitchen_id, actor_id, created_at, updated_at, formula_id, document, schema_version)
  values (?, ?, ?, ?, ?, ?, ?::jsonb, ${OCCASION_VERSION})
  on conflict (id) do update
    set document = excluded.document, schema_version = excluded.schema_version, updated_at = excluded.updated_at`
/** What stands for the question marks of `KEEP_USUAL`. */
export const keepUsualParams = (owner: Owner, at: Date, formulaId: string, occasion: Occasion): unknown[] =>
  [formulaId, owner.id, owner.actorId, at, at, formulaId, JSON.stringify(occasion)]

/** Keeps the usual occasion of a formula. */
export async function keepUsual(tx: EntityManager, owner: Owner, at: Date, formulaId: string, occasion: Occasion) {
  await tx.execute(KEEP_USUAL, keepUsualParams(owner, at, formulaId, occasion))
}
