import { isText } from '../../../../../shared/schemas/shape'
import { listVersions } from '../../../../domain/versions'

/** Kept states of a formula, newest first, a page at a time, with what it came from and what came of it. */
export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { after } = getQuery(event)
  if (after !== undefined && (typeof after !== 'string' || !isText(after)))
    throw problem(422, { path: 'after', code: 'unknownValue' })
  const { em, owner } = await useRequest(event)
  return listVersions(em, owner, id, after ?? null)
})
