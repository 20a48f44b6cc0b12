/** Goes over to another kitchen this person belongs to. */
import { kitchenSchema } from '../../../shared/schemas/door'
import { endSession, openSession } from '../../people/sessions'
import { belongings } from '../../people/people'
import { Refusal } from '../../domain/refusal'

export default defineEventHandler(async (event) => {
  const { kitchenId } = await readChecked(event, kitchenSchema)
  const session = await useWho(event)
  const em = await useEm(event)
  const there = (await belongings(em, session.who.personId)).find(b => b.kitchenId === kitchenId)
  if (!there || session.tablet) throw new Refusal('unknown', 'kitchenId', 'noKitchen')
  if (session.id) await endSession(em, session.kitchenId, session.id, now())
  await carry(event, await openSession(em, now(), { ...there, label: labelOf(event) }))
  return { ok: true }
})
