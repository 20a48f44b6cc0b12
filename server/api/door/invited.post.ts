/** Takes an invitation up, and signs in. */
import { invitedSchema } from '../../../shared/schemas/door'
import { tell } from '../../people/audit'
import { accept } from '../../people/people'
import { openSession } from '../../people/sessions'

export default defineEventHandler(async (event) => {
  const { token, ...who } = await readChecked(event, invitedSchema)
  const em = await useEm(event)
  const { kitchenId, membershipId, actorId } =
    await accept(em, token, { ...who, address: addressOf(event) }, scrypt, now())
  await tell(em, { kitchenId, actorId, at: now(), what: 'joined' })
  await carry(event, await openSession(em, now(), { kitchenId, membershipId, label: labelOf(event) }))
  return { ok: true }
})
