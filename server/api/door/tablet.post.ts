/** Makes this device the kitchen's, by a code that its owner was told. */
import { enrolSchema } from '../../../shared/schemas/door'
import { tell } from '../../people/audit'
import { enrol } from '../../people/tablets'
import { sessionOf } from '../../people/sessions'

export default defineEventHandler(async (event) => {
  const { code } = await readChecked(event, enrolSchema)
  const em = await useEm(event)
  const id = await enrol(em, { code, label: labelOf(event), address: addressOf(event) }, now())
  const session = await sessionOf(em, id, now())
  await tell(em, { kitchenId: session!.kitchenId, actorId: null, at: now(), what: 'enrolled', about: session!.tablet!.id })
  await carry(event, id)
  return { ok: true }
})
