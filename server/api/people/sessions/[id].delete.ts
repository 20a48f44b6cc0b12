/** Signs somebody out, wherever that is. */
import { endSession } from '../../../people/sessions'

export default defineEventHandler(async (event) => {
  await endSession(await useEm(event), (await useWho(event)).kitchenId, routeId(event, 'unknownSession'), now())
  return { ok: true }
})
