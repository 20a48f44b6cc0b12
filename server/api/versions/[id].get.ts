/** One kept state, with its document. */
import { loadOwner } from '../../domain/kitchen'
import { loadVersion } from '../../domain/versions'

export default defineEventHandler(async (event) => {
  const id = routeId(event, 'unknownVersion')
  const em = await useEm(event)
  return loadVersion(em, await loadOwner(em), id)
})
