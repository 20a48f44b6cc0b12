/** What several routes ask of a request. */
import { getRouterParam, type H3Event } from 'h3'
import type { FormulaDocument } from '#core/formula/document'
import { readDocument } from '../../shared/schemas/formula'
import { coreKitchen, type KitchenRecord } from '../../shared/schemas/kitchen'
import { problem } from './http'

/** The formula's id in the address. */
export function formulaId(event: H3Event): string {
  const id = getRouterParam(event, 'id') ?? ''
  if (!/^[0-9a-f-]{36}$/i.test(id)) throw problem(404, { path: 'id', code: 'unknownFormula' })
  return id
}

export const gone = () => problem(404, { path: 'id', code: 'unknownFormula' })

/** A document that is whole and possible, or an error naming its field. */
export function takeDocument(input: unknown, kitchen: KitchenRecord): FormulaDocument {
  const result = readDocument(input, coreKitchen(kitchen))
  if (!result.ok) throw problem(422, { ...result.problem, path: `document.${result.problem.path}` })
  return result.doc
}
