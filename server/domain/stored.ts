/** Stored documents, whatever version of the program wrote them. */
import type { EntityManager } from '@mikro-orm/postgresql'
import type { Planned } from '#core/formula/bench'
import { SCHEMA_VERSION, type FormulaDocument } from '#core/formula/document'
import { migrate } from '#core/formula/migrate'
import { type Occasion, wholeOccasion } from '#core/formula/occasion'
import type { FormulaRow } from '../database/entities'
import type { FormulaRecord } from '../../shared/schemas/wire'
import { usualOccasion } from './occasions'
import { Refusal } from './refusal'

const isWhole = (formula: unknown): formula is FormulaDocument => {
  const { components, assembly } = (formula ?? {}) as { components?: unknown, assembly?: { layers?: unknown } }
  return (
    Array.isArray(components)
    && components.some(c => (c as { process?: unknown } | null)?.process)
    && Array.isArray(assembly?.layers)
  )
}

/**
 * A stored formula in the current schema, with the occasion that is kept for it, else the one an earlier schema held
 * inside it. @throws {Refusal} for one that no version of this program wrote
 */
export function readStored(
  row: { document: FormulaDocument, schemaVersion: number },
  occasion: Occasion | null,
): Planned {
  if (row.schemaVersion === SCHEMA_VERSION && isWhole(row.document))
    return { formula: row.document, occasion: wholeOccasion(occasion) }
  try {
    const read = migrate(row.document)
    if (isWhole(read.formula))
      return { formula: read.formula, occasion: wholeOccasion(occasion ?? (read.occasion as Occasion | null)) }
  } catch {
    /* told below */
  }
  throw new Refusal('invalid', 'document', 'unreadable')
}

/** A stored draft with its usual occasion. @throws {Refusal} unreadable */
export const storedOf = async (em: EntityManager, row: FormulaRow): Promise<Planned> =>
  readStored(row, await usualOccasion(em, row.id))

export const recordOf = async (em: EntityManager, row: FormulaRow): Promise<FormulaRecord> => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt.toISOString(),
  document: await storedOf(em, row),
})
