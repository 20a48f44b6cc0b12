/** What several routes ask of a request. */
import { type Read, readDocument } from '../../shared/schemas/formula'
import { coreKitchen, type KitchenRecord } from '../../shared/kitchen'
import { problem } from './http'

/** What was read, whole and possible, or an error naming its field. */
export function takeDocument(input: unknown, kitchen: KitchenRecord): Read {
  const result = readDocument(input, coreKitchen(kitchen))
  if (!result.ok)
    throw problem(422, {
      ...result.problem,
      path: result.problem.path ? `document.${result.problem.path}` : 'document',
    })
  return result.doc
}
