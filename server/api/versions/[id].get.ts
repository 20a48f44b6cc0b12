/** One kept state, with its document. */
import { loadVersion } from '../../domain/versions'

export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownVersion')
  const { em, owner } = await useRequest(event)
  return loadVersion(em, owner, id)
})
