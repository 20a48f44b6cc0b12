/** The first owner of the kitchen that is here; where others could be first, they must know the code in the log. */
import { ownerSchema } from '../../../shared/schemas/door'
import { everyKitchen } from '../../database/wall'
import { Refusal } from '../../domain/refusal'
import { tell } from '../../people/audit'
import { countTry } from '../../people/attempts'
import { firstOwner } from '../../people/people'
import { setupCode } from '../../people/secrets'
import { openSession } from '../../people/sessions'

export default defineEventHandler(async (event) => {
  const body = await readChecked(event, ownerSchema)
  const em = await useEm(event)
  if (!isLocal(event)) {
    await countTry(em, 'address', addressOf(event), now())
    if (body.code?.toUpperCase() !== setupCode(process.env.NUXT_SESSION_PASSWORD ?? ''))
      throw new Refusal('unsigned', 'code', 'wrongSetupCode')
  }
  // The kitchen that was here before anybody signed in is theirs.
  const [kitchenId] = await everyKitchen(em) as [string]
  const { membershipId, actorId } = await firstOwner(em, kitchenId, body, scrypt, now())
  await em.execute('update kitchen set name = ? where id = ?', [body.kitchen, kitchenId])
  await tell(em, { kitchenId, actorId, at: now(), what: 'firstOwner' })
  await carry(event, await openSession(em, now(), { kitchenId, membershipId, label: labelOf(event) }))
  return { ok: true }
})
