/** Invites somebody: answers with the token of their link, once. */
import { inviteSchema } from '../../../../shared/schemas/door'
import { invite } from '../../../people/people'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, inviteSchema)
  return invite(await useEm(event), (await useWho(event)).kitchenId, body, now())
})
