/** Takes a link back. */
import { endLink } from '../../people/links'

export default defineEventHandler(async (event) => {
  await endLink(await useEm(event), (await useWho(event)).kitchenId, routeId(event, 'linkOver'), now())
  return { ok: true }
})
