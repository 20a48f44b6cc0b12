import { isText } from '../../../../../shared/schemas/shape'
import { loadOwner } from '../../../../domain/kitchen'
import { listVersions } from '../../../../domain/versions'

/** Kept states of a formula, newest first, a page at a time, with what it came from and what came of it. */
export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { after } = getQuery(event)
  if (after !== undefined && (typeof after !== 'string' || !isText(after)))
    throw problem(422, { path: 'after', code: 'unknownValue' })
  const em = await useEm(event)
  return listVersions(em, await loadOwner(em), id, after ?? null)
})
