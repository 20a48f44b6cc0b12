/** Stored documents, whatever version of the program wrote them. */
import { SCHEMA_VERSION, type FormulaDocument } from '#core/formula/document'
import { migrate } from '#core/formula/migrate'
import type { FormulaRow } from '../database/entities'
import type { FormulaRecord } from '../../shared/schemas/wire'
import { Refusal } from './refusal'

/** A stored document in the current schema. @throws {Refusal} for one that no version of this program wrote */
export function readStored(row: { document: FormulaDocument, schemaVersion: number }): FormulaDocument {
  const whole = (document: unknown) => Array.isArray((document as { components?: unknown } | null)?.components)
  if (row.schemaVersion === SCHEMA_VERSION && whole(row.document)) return row.document
  try {
    const document = migrate(row.document) as unknown as FormulaDocument
    if (whole(document)) return document
  } catch {
    /* told below */
  }
  throw new Refusal('invalid', 'document', 'unreadable')
}

export const recordOf = (row: FormulaRow): FormulaRecord => ({
  id: row.id,
  version: row.version,
  updatedAt: row.updatedAt.toISOString(),
  document: readStored(row),
})
