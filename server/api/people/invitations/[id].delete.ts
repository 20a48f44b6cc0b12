/** Takes an invitation back. */
import { endInvitation } from '../../../people/people'

export default defineEventHandler(async (event) => {
  await endInvitation(await useEm(event), (await useWho(event)).kitchenId, routeId(event, 'invitationOver'), now())
  return { ok: true }
})
