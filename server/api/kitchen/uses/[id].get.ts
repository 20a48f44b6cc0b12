/** Which formulas use a thing of the kitchen. */
import { usesOf } from '../../../domain/uses'

export default defineEventHandler(async (event) => {
  const id = routeId(event)
  const { em, owner } = await useRequest(event)
  return usesOf(em, owner, id)
})
