/** Cuts a tablet off. */
import { endTablet } from '../../../people/tablets'

export default defineEventHandler(async (event) => {
  await endTablet(await useEm(event), (await useWho(event)).kitchenId, routeId(event, 'unknownTablet'), now())
  return { ok: true }
})
